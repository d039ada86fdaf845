import { decayCurve, levelsMatched, renderRinging } from './ringing'

const RATE = 24_000
const tone = (hz: number, decaySeconds: number, levelDb = 0) => ({ hz, decaySeconds, levelDb })
const crossings = (samples: Float32Array, from: number, to: number) => {
  let count = 0
  for (let i = from + 1; i < to; i++) if (samples[i - 1] < 0 && samples[i] >= 0) count++
  return count
}

test('a tone rings at its pitch, dies at its rate and starts as sharp as it was told', () => {
  const plain = renderRinging([tone(100, 0.5)], { rateHz: RATE, seconds: 2 })
  expect(crossings(plain, 0, RATE)).toBeCloseTo(100, -0.4)
  const peak = (from: number) => Math.max(...plain.subarray(from, from + RATE / 50))
  expect(peak(RATE) / peak(RATE / 2)).toBeCloseTo(Math.exp(-0.5 / 0.5), 1)
  const bent = renderRinging([tone(100, 0.5)], {
    rateHz: RATE,
    seconds: 2,
    glideCents: 1200,
    glideSeconds: 0.2,
  })
  // An octave sharp at first: the extra phase adds up to hz * glideSeconds turns.
  expect(crossings(bent, 0, 2 * RATE) - crossings(plain, 0, 2 * RATE)).toBeCloseTo(20, -0.4)
})

test('two sounds are matched in power, not in peak', () => {
  const long = renderRinging([tone(100, 1)], { rateHz: RATE, seconds: 1 })
  const short = renderRinging([tone(100, 0.05)], { rateHz: RATE, seconds: 1 })
  const power = (s: Float32Array) => Math.sqrt(s.subarray(0, 0.4 * RATE).reduce((sum, x) => sum + x * x, 0))
  const [a, b] = levelsMatched([long, short].map((samples) => ({ samples, rateHz: RATE }))).map(
    ({ samples }) => samples,
  )
  expect(power(a) / power(b)).toBeCloseTo(1, 4)
  expect(Math.max(...a, ...b)).toBeLessThanOrEqual(0.8001)
})

test('a decay curve of one tone falls by 8.686 dB in each of its times', () => {
  const curve = decayCurve([tone(100, 0.25)], 0.5, 3)
  expect(curve.map((db) => Math.round(100 * db))).toEqual([0, -869, -1737].map((x) => x || 0))
})
