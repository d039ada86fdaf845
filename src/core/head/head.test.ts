import fc from 'fast-check'
import { seededRandom } from '../numeric/random'
import { centsBetween, shiftByCents } from '../units/pitch'
import { learnedFrom, stateHarmonics, stateLugHz } from './belief'
import { estimateHead } from './estimate'
import { harmonicsOf, oppositeRod, patternOverLugs, spreadCents } from './harmonics'
import { mutedHz } from './otherHead'
import { fitHills, startsFor } from './poleFit'
import type { EvenHead, Round } from './types'

const HEAD: EvenHead = {
  ...{ side: 'batter', diameterInches: 14, lugs: 8, hoop: 'triple-flanged' },
  ...{ threadPitchMm: 1.058, pliesMils: [10] },
}

test('mean and second harmonic of a pattern come back, at any number of lugs', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 5, max: 16 }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
      (lugs, mean, cosine, sine) => {
        const found = harmonicsOf(patternOverLugs({ mean, cosine, sine }, lugs))
        expect(found.mean).toBeCloseTo(mean, 9)
        expect(found.cosine).toBeCloseTo(cosine, 9)
        expect(found.sine).toBeCloseTo(sine, 9)
      },
    ),
  )
})

test('four lugs hide the sine part, and odd harmonics are never seen', () => {
  expect(harmonicsOf([1, 0, 1, 0])).toMatchObject({ mean: 0.5, cosine: 0.5, sine: 0 })
  const tilt = Array.from({ length: 8 }, (_, i) => Math.cos((2 * Math.PI * i) / 8))
  for (const value of Object.values(harmonicsOf(tilt))) expect(value).toBeCloseTo(0, 12)
})

test('opposite rods', () => {
  expect([0, 3, 6].map((rod) => oppositeRod(rod, 8))).toEqual([4, 7, 2])
  expect(oppositeRod(0, 5)).toBe(2)
  expect(spreadCents([200, 210])).toBeCloseTo(centsBetween(200, 210), 9)
})

function readings(
  pattern: { mean: number; cosine: number; sine: number },
  lugs: number,
  cents: number,
  seed: number,
): number[] {
  const random = seededRandom(seed)
  return patternOverLugs(pattern, lugs).map((hz2) => shiftByCents(Math.sqrt(hz2), cents * random.normal()))
}

const PATTERN = { mean: 230 ** 2, cosine: 900, sine: -500 }

test('the state is found from noisy readings, and its error covers what it claims', () => {
  let within = 0
  for (let seed = 1; seed <= 60; seed++) {
    const state = estimateHead(HEAD, [{ readingsHz: readings(PATTERN, 8, 2, seed) }])
    const fit = stateHarmonics(state.belief)
    if (Math.abs(fit.cosine - PATTERN.cosine) < 1.96 * Math.sqrt(state.belief.p[6])) within++
    expect(Math.abs(centsBetween(230, Math.sqrt(fit.mean)))).toBeLessThan(4)
  }
  expect(within).toBeGreaterThanOrEqual(52)
})

test('a reading on another mode is left out and said', () => {
  const read = readings(PATTERN, 8, 1, 3)
  read[5] *= 1.42
  const state = estimateHead(HEAD, [{ readingsHz: read, readingErrorCents: 1 }])
  expect(state.leftOut).toEqual([5])
  expect(Math.abs(centsBetween(Math.sqrt(PATTERN.mean), Math.sqrt(state.belief.x[0])))).toBeLessThan(2)
})

test('four taps of ten lugs tell the head, by the poles that they show', () => {
  const truth = patternOverLugs(PATTERN, 10).map(Math.sqrt)
  const size = Math.hypot(PATTERN.cosine, PATTERN.sine)
  const axis = Math.atan2(PATTERN.sine, PATTERN.cosine) / 2
  const random = seededRandom(4)
  const taps = [0, 1, 3, 6].map((lug) => {
    const share = Math.cos((2 * Math.PI * lug) / 10 - axis) ** 2
    const modes = [
      { part: share, hz: Math.sqrt(PATTERN.mean + size) },
      { part: 1 - share, hz: Math.sqrt(PATTERN.mean - size) },
    ].map(({ part, hz }) => ({
      hz: shiftByCents(hz, random.normal()),
      levelDb: 20 * Math.log10(part) + 1.5 * random.normal(),
      standardErrorHz: (hz * 1) / 1731,
    }))
    const top = Math.max(...modes.map(({ levelDb }) => levelDb))
    return { lug: lug + 1, modes: modes.filter(({ levelDb }) => levelDb > top - 22) }
  })
  const fit = stateLugHz(estimateHead({ ...HEAD, lugs: 10 }, [{ readings: taps }]).belief, 10)
  fit.forEach((hz, i) => expect(Math.abs(centsBetween(truth[i], hz))).toBeLessThan(3))
})

test('logged turns teach the drum’s own answers', () => {
  const truth = { k: 41_000, second: 0.31 * 41_000 }
  const turns = [0.25, 0.25, 0.125, 0, 0.25, 0.25, 0.125, 0]
  const d = harmonicsOf(turns)
  let pattern = PATTERN
  const rounds: Round[] = []
  for (let i = 0; i < 4; i++) {
    rounds.push({ readingsHz: readings(pattern, 8, 1, i + 1), readingErrorCents: 1, pressed: true, turns })
    pattern = {
      mean: pattern.mean + truth.k * d.mean,
      cosine: pattern.cosine + truth.second * d.cosine,
      sine: pattern.sine + truth.second * d.sine,
    }
  }
  rounds.push({ readingsHz: readings(pattern, 8, 1, 9), readingErrorCents: 1, pressed: true })
  const learned = learnedFrom(estimateHead(HEAD, rounds).belief)
  expect(Math.abs(learned.hz2PerTurn / truth.k - 1)).toBeLessThan(0.08)
  expect(Math.abs(learned.secondAnswer - 0.31)).toBeLessThan(0.05)
  expect(learned.hz2PerTurnError).toBeLessThan(0.15 * truth.k)
  // What was learned is where the next history begins.
  const next = learnedFrom(
    estimateHead(HEAD, [{ readingsHz: readings(pattern, 8, 1, 2) }], { learned }).belief,
  )
  expect(next.hz2PerTurn).toBeCloseTo(learned.hz2PerTurn, 3)
})

test('two levels are recognised as two poles, not smoothed into a wave', () => {
  const axis = 0.4
  const levels = Array.from({ length: 10 }, (_, lug) => {
    const angle = (2 * Math.PI * lug) / 10
    const hz = Math.cos(2 * (angle - axis)) >= 0 ? 236 : 228
    return { lug, hz, errorHz: 0.2, alone: false }
  })
  const wide = {
    x: [230 ** 2, 0, 0] as [number, number, number],
    p: Float64Array.of(1e9, 0, 0, 0, 1e7, 0, 0, 0, 1e7),
  }
  const [best] = fitHills(wide, levels, 10, 'peak', startsFor(levels, 10)).sort(
    (a, b) => b.logEvidence - a.logEvidence,
  )
  const [mean, cosine, sine] = best.x
  expect(Math.sqrt(mean)).toBeCloseTo(Math.sqrt((236 ** 2 + 228 ** 2) / 2), 0)
  expect(Math.hypot(cosine, sine) / ((236 ** 2 - 228 ** 2) / 2)).toBeCloseTo(1, 1)
  const state = estimateHead({ ...HEAD, lugs: 10 }, [
    { readingsHz: levels.map(({ hz }) => hz), readingErrorCents: 1 },
  ])
  const found = stateHarmonics(state.belief)
  expect(2 * Math.hypot(found.cosine, found.sine)).toBeGreaterThan(0.85 * (236 ** 2 - 228 ** 2))
})

test('a reading with the other head free is carried to the muted one', () => {
  const head = {
    ...HEAD,
    diameterInches: 12,
    depthInches: 8,
    pliesMils: [7, 7],
    other: { hz: 180, pliesMils: [10] },
  }
  // 12x8, both heads at 180 Hz muted, are heard at 178.0 and 182.1 when free.
  expect(mutedHz(head, 182.1)).toBeLessThan(182.1)
  expect(mutedHz({ ...head, other: undefined }, 182.1)).toBe(182.1)
  const far = mutedHz({ ...head, other: { hz: 280, pliesMils: [10] } }, 180)
  expect(Math.abs(centsBetween(180, far))).toBeLessThan(3)
})
