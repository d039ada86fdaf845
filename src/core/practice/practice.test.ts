import { nearRods } from '../kit/uneven'
import { harmonicsOf } from '../head/harmonics'
import { centsBetween } from '../units/pitch'
import { practiceHead, roughRods, turnedByHand } from './drum'
import { lugTruth, truthOf, type PracticeHead } from './model'
import { idealNature } from './nature'
import { playTap } from './tap'

const EVEN: PracticeHead = {
  ...{
    diameterInches: 14,
    depthInches: 6.5,
    lugs: 8,
    pliesMils: [10],
    evenHz: 234,
    rods: new Array<number>(8).fill(0),
  },
  ...{ hoop: 'triple-flanged', threadPitchMm: 1.058, nature: idealNature(8) },
  other: { pliesMils: [3], lugHz: 300, muted: true },
}

test('an even head reads alike everywhere; turning all rods follows the turn law', () => {
  const truth = truthOf(EVEN)
  truth.lugHz.forEach((hz) => expect(hz).toBeCloseTo(234, 3))
  const up = truthOf({ ...EVEN, rods: EVEN.rods.map(() => 0.25) })
  // Turn law of two 14 inch heads, 31 to 32 thousand Hz^2 a turn on ten lugs; eight hold a little less.
  expect((4 * (up.meanHz ** 2 - 234 ** 2)) / 31_700).toBeCloseTo(0.92, 1)
})

/** Common practice, no source: opposite lugs sound alike, whichever of the two rods is the loose one. */
test('one rod up moves both lugs of its pair alike; the opposed turns of a pair are not heard', () => {
  const one = truthOf({ ...EVEN, rods: [0.2, 0, 0, 0, 0, 0, 0, 0] }).lugHz
  for (let i = 0; i < 4; i++) expect(Math.abs(one[i] - one[i + 4])).toBeLessThan(0.06)
  expect(one[0]).toBeGreaterThan(one[2])
  const opposed = truthOf({ ...EVEN, rods: [0.2, 0, 0, 0, -0.2, 0, 0, 0] }).lugHz
  opposed.forEach((hz) => expect(Math.abs(hz - 234)).toBeLessThan(0.3))
})

test('with the other head free and alike, both edge modes are heard', () => {
  const free = truthOf({ ...EVEN, evenHz: 265, other: { pliesMils: [3], lugHz: 265, muted: false } })
  const heard = free.modes[1].poles.map((pole) => pole.hz)
  expect(centsBetween(Math.min(...heard), Math.max(...heard))).toBeGreaterThan(100)
})

test('a tap is the same for the same seed, starts where it says, and stays in range', () => {
  const settings = {
    lug: 3,
    rateHz: 44_100,
    seed: 2,
    noiseDb: -60,
    finger: true,
    seconds: 0.8,
    leadSeconds: 0.2,
  }
  const a = playTap(EVEN, settings)
  expect(playTap(EVEN, settings).samples).toEqual(a.samples)
  expect(playTap(EVEN, { ...settings, seed: 3 }).samples).not.toEqual(a.samples)
  const peak = (from: number, to: number) =>
    a.samples.slice(from, to).reduce((m, x) => Math.max(m, Math.abs(x)), 0)
  expect(peak(0, 8800)).toBeLessThan(0.01)
  expect(peak(8800, 12_000)).toBeGreaterThan(0.3)
  expect(peak(0, a.samples.length)).toBeLessThanOrEqual(0.51)
  expect(a.modes[0].levelDb).toBe(0)
})

test('the finger at the centre takes the modes that move there', () => {
  const level = (finger: boolean) =>
    playTap(EVEN, { lug: 1, rateHz: 8000, seed: 1, noiseDb: null, finger }).modes.find(
      ({ m, n }) => m === 0 && n === 1,
    )!.levelDb
  expect(level(true)).toBeLessThan(level(false) - 20)
})

test('hidden answers belong to the drum; a hand errs only on rods it turns', () => {
  const drum = {
    ...{ seedText: 'a', diameterInches: 14, depthInches: 6.5, lugs: 8, hoop: 'wood' as const },
    ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [3] },
  }
  const other = { lugHz: 300, muted: true }
  const rods = roughRods(8, 234, 5)
  expect(practiceHead(drum, rods, other)).toEqual(practiceHead(drum, rods, other))
  expect(practiceHead({ ...drum, seedText: 'b' }, rods, other).nature).not.toEqual(
    practiceHead(drum, rods, other).nature,
  )
  const after = turnedByHand(rods.rods, [0.25, 0, 0, 0, 0.25, 0, 0, 0], 3)
  expect(after[1]).toBe(rods.rods[1])
  expect(Math.abs(after[0] - rods.rods[0] - 0.25)).toBeLessThan(5 / 64)
  expect(nearRods(10)).toEqual([4, 5, 6])
  expect(harmonicsOf(after).mean).toBeGreaterThan(harmonicsOf(rods.rods).mean)
})

test('both lug tones of a rough head are found, also where the tone of the middle stands beside the lower one', () => {
  const drum = {
    ...{ seedText: 'lesson/3/12', diameterInches: 12, depthInches: 8, lugs: 6, pliesMils: [7, 7] },
    ...{ otherPliesMils: [10], hoop: 'triple-flanged' as const, threadPitchMm: 25.4 / 24 },
  }
  // Two opposite rods let down step by step: the tones part steadily.
  let before = 0
  for (let turns = -0.16; turns >= -0.24; turns -= 0.005) {
    const rods = [turns, 0, 0, turns, 0, 0]
    const state = { evenHz: 175, rods, seats: rods, presses: 6 }
    const { poles } = lugTruth(practiceHead(drum, state, { lugHz: 175, muted: true }))
    const apart = Math.abs(poles[0].hz - poles[1].hz)
    expect(apart).toBeGreaterThan(before)
    before = apart
  }
  expect(before).toBeGreaterThan(10)
})
