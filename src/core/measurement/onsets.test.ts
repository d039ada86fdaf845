import { seededRandom } from '../numeric/random'
import { beginsStruck, findOnsets } from './onsets'

/** Sounds that begin with the stroke, as samples and cropped clips do, and those that only begin. */
const RATE_HZ = 44_100
const made = (seconds: number, sound: (t: number) => number) =>
  Float32Array.from({ length: Math.round(seconds * RATE_HZ) }, (_, i) => sound(i / RATE_HZ))
const struck =
  (decay: number, hz = 150) =>
  (t: number) =>
    0.5 * Math.exp(-t / decay) * Math.sin(2 * Math.PI * hz * t)
const begins = (samples: Float32Array) => beginsStruck(samples, RATE_HZ, samples.length)

test('what begins loud and dies away was struck there, short or long', () => {
  for (const decay of [0.05, 0.2, 0.6])
    expect(begins(made(1.6, struck(decay)))?.sample).toBeLessThan(0.01 * RATE_HZ)
  // Two tones upside down to each other swell a little as they beat.
  expect(begins(made(1.5, (t) => struck(0.3)(t) - 0.6 * struck(0.3, 153)(t)))).not.toBeNull()
})

test('noise, a held tone, what swells, and what comes after a while were not', () => {
  const random = seededRandom(2)
  expect(begins(made(1.5, () => 0.2 * random.normal()))).toBeNull()
  expect(begins(made(1.5, (t) => 0.3 * Math.sin(2 * Math.PI * 200 * t)))).toBeNull()
  expect(begins(made(1.5, (t) => Math.min(1, t / 0.3) * struck(0.5)(t)))).toBeNull()
  expect(begins(made(1.5, (t) => (t < 0.4 ? 0 : struck(0.2)(t - 0.4))))).toBeNull()
  expect(begins(new Float32Array(RATE_HZ))).toBeNull()
  expect(begins(new Float32Array(0))).toBeNull()
})

test('it is no onset by itself: nothing rises where nothing was before', () => {
  expect(findOnsets(made(1.5, struck(0.3)), RATE_HZ)).toEqual([])
})
