import fc from 'fast-check'
import { usualLugHz } from '../kit/usual'
import { judgeKit } from './verdict'
import type { PlanDrum } from './types'

const drum = (
  id: string,
  kind: PlanDrum['kind'],
  diameterInches: number,
  batterHz: number,
  resonantHz: number,
  more: Partial<PlanDrum> = {},
): PlanDrum => ({ ...{ id, name: id, kind, diameterInches, now: { batterHz, resonantHz } }, ...more })

const THIRD = 2 ** (4 / 12)
const FOURTH = 2 ** (5 / 12)
/** Fourths from 98 Hz up, all heads a major third apart; kick and snare out of everyone's way. */
const GOOD = [
  drum('15', 'floor-tom', 15, 98, 98 * THIRD),
  drum('12', 'tom', 12, 98 * FOURTH, 98 * FOURTH * THIRD),
  drum('10', 'tom', 10, 98 * FOURTH ** 2, 98 * FOURTH ** 2 * THIRD),
  drum('s', 'snare', 14, 262, 400),
]
const swap = (own: PlanDrum) => GOOD.map((each) => (each.id === own.id ? own : each))

test('a kit in fourths with one relation and nothing that answers has nothing to mend', () => {
  expect(judgeKit(GOOD)).toEqual({ verdicts: [], moves: [], best: null })
})

test('a floor tom that stands too high: too close and mixed at once, one move down mends both', () => {
  const { verdicts, best } = judgeKit(swap(drum('15', 'floor-tom', 15, 98 * 2 ** (260 / 1200), 98 * THIRD)))
  expect(verdicts.map(({ what }) => what)).toEqual(['close', 'mixed'])
  expect(verdicts[0]).toMatchObject({ drum: '15', next: '12', cents: expect.closeTo(240, 3) })
  expect(best).toMatchObject({ drum: '15', head: 'batter', mends: [0, 1] })
  expect(best!.turns).toBeLessThan(0)
  expect(best!.toHz).toBeLessThan(105)
})

test('two drums half a step apart give no separation (common practice, no source), also where there are only two', () => {
  const two = [drum('12', 'tom', 12, 150, 190), drum('13', 'tom', 13, 150 / 2 ** (1 / 12), 150)]
  expect(judgeKit(two).verdicts[0]).toMatchObject({ what: 'close', cents: expect.closeTo(100, 6) })
})

test('one tom whose heads stand otherwise than the others’ is named, with how they stand; its resonant mends it', () => {
  const { verdicts, moves } = judgeKit(swap(drum('12', 'tom', 12, 98 * FOURTH, 98 * FOURTH * 1.02)))
  expect(verdicts).toEqual([
    expect.objectContaining({ what: 'mixed', drum: '12', usualCents: expect.closeTo(400, 6) }),
  ])
  expect(moves[0]).toMatchObject({ drum: '12', head: 'resonant' })
  expect(moves[0]!.turns).toBeGreaterThan(0)
})

test('a snare on a tom’s own pitch answers it; which tone and which pitch is said', () => {
  const { verdicts } = judgeKit(swap(drum('s', 'snare', 14, 98 * FOURTH ** 2, 400)))
  expect(verdicts).toContainEqual(
    expect.objectContaining({
      ...{ what: 'answers', against: 'snare', drum: 's', tom: '10' },
      nearest: expect.objectContaining({ tom: 'lug', other: 'lug', hz: expect.closeTo(174.6, 0) }) as object,
    }),
  )
})

/** A kit in which the best move once made wrong what was only just clear. */
const JUST_CLEAR = [
  { kind: 'tom' as const, inches: 8, off: -493, above: -1, ceiling: false },
  { kind: 'snare' as const, inches: 15, off: 0, above: -175, ceiling: false },
  { kind: 'tom' as const, inches: 19, off: 396, above: 441, ceiling: false },
  { kind: 'kick' as const, inches: 8, off: 0, above: 0, ceiling: false },
]

test('drums not read say nothing; a move never leaves more wrong than there is, breaks a limit or turns a hair', () => {
  expect(judgeKit(GOOD.map((each) => ({ ...each, now: null })))).toMatchObject({ verdicts: [] })
  const anyDrum = fc.record({
    kind: fc.constantFrom('tom' as const, 'floor-tom' as const, 'kick' as const, 'snare' as const),
    inches: fc.integer({ min: 8, max: 22 }),
    off: fc.integer({ min: -500, max: 500 }),
    above: fc.integer({ min: -300, max: 900 }),
    ceiling: fc.boolean(),
  })
  fc.assert(
    fc.property(fc.array(anyDrum, { minLength: 2, maxLength: 5 }), (list) => {
      const kit = list.map(({ kind, inches, off, above, ceiling }, i) => {
        const batterHz = usualLugHz({ kind, diameterInches: inches }, 'batter') * 2 ** (off / 1200)
        const limit = ceiling ? { ceilingHz: 1.05 * batterHz } : {}
        return drum(`d${i}`, kind, inches, batterHz, batterHz * 2 ** (above / 1200), limit)
      })
      const { verdicts, best } = judgeKit(kit)
      if (!best) return
      const own = kit.find(({ id }) => id === best.drum)!
      expect(Math.abs(best.turns)).toBeGreaterThanOrEqual(1 / 64)
      if (best.head !== 'resonant') expect(best.toHz).toBeLessThanOrEqual(own.ceilingHz ?? Infinity)
      const first = best.head === 'resonant' ? 'resonantHz' : 'batterHz'
      const now = {
        ...own.now!,
        [first]: best.toHz,
        ...(best.resonant ? { resonantHz: best.resonant.toHz } : {}),
      }
      const then = judgeKit(kit.map((each) => (each === own ? { ...own, now } : each)))
      expect(then.verdicts.length).toBeLessThan(verdicts.length)
    }),
    { numRuns: 30, examples: [[JUST_CLEAR]] },
  )
})

test('two toms too close with like heads: one of them moves with both heads, since one alone would be mixed', () => {
  const two = [drum('12', 'tom', 12, 160, 200), drum('14', 'floor-tom', 14, 148, 185)]
  const { best } = judgeKit(two)
  expect(best).toMatchObject({ head: 'both', mends: [0] })
  expect(Math.sign(best!.turns)).toBe(Math.sign(best!.resonant!.turns))
})

test('it goes to the drum that breaks no good step, in whole steps of a hand, and after it nothing is said any more', () => {
  // The snare 10 cents under the 10 inch tom: a turn of 1/32 on the tom would do, and break its fourth to the 12.
  const kit = swap(drum('s', 'snare', 14, 98 * FOURTH ** 2 * 2 ** (-10 / 1200), 400))
  const { best } = judgeKit(kit)
  expect(best).toMatchObject({ drum: 's', head: 'batter' })
  expect(best!.turns * 32).toBeCloseTo(Math.round(best!.turns * 32), 9)
  const now = { batterHz: best!.toHz, resonantHz: 400 }
  expect(judgeKit(kit.map((each) => (each.id === 's' ? { ...each, now } : each))).verdicts).toEqual([])
})

test('a move leaves room for a hand’s error: not just over a whole step, but 20 cents beyond', () => {
  const [upper, lower] = [150, 150 / 2 ** (150 / 1200)]
  const two = [drum('12', 'tom', 12, upper, 190), drum('13', 'tom', 13, lower, (190 * lower) / upper)]
  const { drum: moved, toHz } = judgeKit(two).best!
  const gap = moved === '12' ? toHz / lower : upper / toHz
  expect(1200 * Math.log2(gap)).toBeGreaterThan(220)
})
