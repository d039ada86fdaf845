import { LONG, times } from '@ref/long'
import fc from 'fast-check'
import { measureSound } from '../measurement/measure'
import { centsBetween } from '../units/pitch'
import { DRILL_IDS } from '../records/drill'
import { DRILLS } from './kinds'
import { rmsOf, soundsOf } from './sound'
import { makeTrial, USUAL_DRILL_DRUM as DRUM } from './trial'

const RATE_HZ = 24_000
const db = (ratio: number) => 20 * Math.log10(ratio)

test('the same seed makes the same trial, another seed another', () => {
  for (const kind of DRILL_IDS) {
    const level = DRILLS[kind].scale.levels[3]
    expect(makeTrial(kind, DRUM, level, 5)).toEqual(makeTrial(kind, DRUM, level, 5))
    expect(makeTrial(kind, DRUM, level, 5)).not.toEqual(makeTrial(kind, DRUM, level, 6))
  }
})

test('the right answer is among the answers, and guessing is right as often as the scale says', () => {
  for (const kind of DRILL_IDS) {
    const { levels, guess } = DRILLS[kind].scale
    const places = new Map<number, number>()
    // Those that look for the size of a pattern take longer.
    const count = kind === 'odd-lug' || kind === 'warble' ? times(30, 60) : times(60, 240)
    for (let seed = 0; seed < count; seed++) {
      const { answers, truth } = makeTrial(kind, DRUM, levels[levels.length >> 1], seed)
      expect(answers).toContain(truth)
      expect(1 / answers.length).toBeCloseTo(guess, 9)
      const place = answers.indexOf(truth)
      places.set(place, (places.get(place) ?? 0) + 1)
    }
    // No place is right much more often than another.
    expect(places.size).toBe(Math.round(1 / guess))
    expect(Math.max(...places.values())).toBeLessThan(
      count * guess + 5 * Math.sqrt(count * guess * (1 - guess)),
    )
  }
})

test('all taps of a trial are at one level, and no pitch is tied to loudness', () => {
  fc.assert(
    fc.property(fc.constantFrom(...DRILL_IDS), fc.integer({ min: 0, max: 1e6 }), (kind, seed) => {
      const { levels } = DRILLS[kind].scale
      const trial = makeTrial(kind, DRUM, levels[seed % levels.length], seed)
      const sounds = soundsOf(trial, 8000)
      const levelsDb = sounds.map((samples) => db(rmsOf(samples)))
      expect(Math.max(...levelsDb) - Math.min(...levelsDb)).toBeLessThan(0.05)
      expect(sounds.every((samples) => samples.every((x) => Math.abs(x) < 1))).toBe(true)
    }),
    { numRuns: times(8, 24) },
  )
})

test('from trial to trial the level is roved by some decibels, and the strokes of one trial differ', () => {
  const trials = Array.from({ length: 20 }, (_, seed) => makeTrial('higher', DRUM, 20, seed))
  const levelsDb = trials.map(({ levelDb }) => levelDb)
  expect(Math.max(...levelsDb) - Math.min(...levelsDb)).toBeGreaterThan(3)
  for (const { taps } of trials) {
    expect(taps[0].seed).not.toBe(taps[1].seed)
    expect(taps[0].fromHoopMetres).not.toBe(taps[1].fromHoopMetres)
  }
})

/** Time until nine tenths of a sound's energy have been. */
function lengthOf(samples: Float32Array): number {
  const all = samples.reduce((sum, x) => sum + x * x, 0)
  let sum = 0
  return samples.findIndex((x) => (sum += x * x) > 0.9 * all)
}
const peakOf = (samples: Float32Array) => Math.max(...samples.map(Math.abs))

test('whoever goes by length or by the loudest moment, and not by pitch, only guesses', () => {
  const seeds = Array.from({ length: times(16, 64) }, (_, i) => 700 + i)
  let shorter = 0
  let louder = 0
  for (const seed of seeds) {
    const trial = makeTrial('higher', DRUM, 40, seed)
    const [a, b] = soundsOf(trial, 8000)
    if ((lengthOf(a) < lengthOf(b) ? 'first' : 'second') === trial.truth) shorter++
    if ((peakOf(a) > peakOf(b) ? 'first' : 'second') === trial.truth) louder++
  }
  // Three standard errors of so many guesses.
  for (const right of [shorter, louder])
    expect(Math.abs(right - seeds.length / 2)).toBeLessThanOrEqual(1.5 * Math.sqrt(seeds.length))
})

// By the app's own ear, which knows nothing of the trial: what is said to be higher is, by what is said.
test.each([12, 60, 180])('two taps said to be %i cents apart are so when they are measured', (cents) => {
  for (const seed of LONG ? [1, 2, 3] : [cents % 3]) {
    const trial = makeTrial('higher', DRUM, cents, seed)
    const [a, b] = soundsOf(trial, RATE_HZ).map((samples) => {
      const lead = new Float32Array(RATE_HZ / 4)
      const whole = new Float32Array(lead.length + samples.length)
      whole.set(samples, lead.length)
      return measureSound(whole, RATE_HZ, { diameterInches: 12 })[0].hz!
    })
    const apart = centsBetween(a, b)
    expect(Math.abs(Math.abs(apart) - cents)).toBeLessThan(3)
    expect(trial.truth).toBe(apart > 0 ? 'second' : 'first')
  }
})

test('the odd lug is off by what is said, its two neighbours stand alike, on six, eight and ten lugs', () => {
  for (const lugs of [5, 6, 8, 10])
    for (const seed of LONG ? [1, 2, 3, 4] : [lugs % 4]) {
      const { taps, truth } = makeTrial('odd-lug', { ...DRUM, lugs }, 40, seed)
      const place = ['first', 'second', 'third'].indexOf(truth.split(' ')[0])
      const others = taps.filter((_, i) => i !== place).map(({ hz }) => hz)
      expect(Math.abs(centsBetween(others[0], others[1]))).toBeLessThan(1)
      const off = centsBetween(others[0], taps[place].hz)
      expect(off * (truth.endsWith('high') ? 1 : -1)).toBeCloseTo(40, 0)
    }
})

test('the end of a range is past by the level, and a turn of a head goes its way', () => {
  for (let seed = 0; seed < 12; seed++) {
    const { taps, truth } = makeTrial('edge', DRUM, 300, seed)
    if (truth === 'growls') expect(taps[0].hz).toBeLessThan(140)
    if (truth === 'chokes') expect(taps[0].hz).toBeGreaterThan(250)
    const turned = makeTrial('turned', DRUM, 0.5, seed)
    const [before, after] = turned.taps.map(({ head }) => [head.evenHz, head.other.lugHz])
    const moved = turned.truth.startsWith('batter') ? 0 : 1
    expect(Math.sign(after[moved] - before[moved])).toBe(turned.truth.endsWith('up') ? 1 : -1)
    expect(after[1 - moved]).toBe(before[1 - moved])
  }
})
