import { centsBetween, shiftByCents } from '../units/pitch'
import { ANCHOR_WEIGHT, favouriteCost, gapCost, SEPARATE_CENTS } from './cost'
import { givesOf } from './gives'
import { knownDrum } from './known'
import { planKit } from './plan'
import { rowsOf } from './rows'
import { gridFrom, LEAST_TURN } from './states'
import { bestPlan } from './solve'
import type { Gives, PlanDrum } from './types'
import { judgeKit } from './verdict'

/** What each judgement of planning and judging means, so that none changes unseen (docs/decisions/spacing.md). */
const tom = (id: string, diameterInches: number, more: Partial<PlanDrum> = {}): PlanDrum => ({
  ...{ id, name: id, kind: 'tom', diameterInches },
  ...more,
})

/** What a tom and its neighbour a gap above give up, so far from their best. */
function gives(off: number, gap: number, more: { snareOff?: number; keyOff?: number } = {}): Gives['what'][] {
  const low = knownDrum(tom('low', 16, { lowestHz: 80, favouriteHz: 100, highestHz: 140 }), 1)
  const high = knownDrum(tom('high', 12, { lowestHz: 80, favouriteHz: 100, highestHz: 300 }), 1)
  const at = (hz: number) => ({
    batterHz: hz,
    resonantHz: hz * 1.2,
    cents: centsBetween(1, hz),
    turns: 1,
    cost: 0,
  })
  const lowHz = shiftByCents(100, off)
  const highHz = shiftByCents(lowHz, gap)
  const snares =
    more.snareOff === undefined ? [] : [{ drum: high, at: at(shiftByCents(lowHz, more.snareOff)) }]
  const placing = { cost: 0, toms: [at(lowHz), at(highHz)], kicks: [] }
  const favourHz = more.keyOff === undefined ? [] : [shiftByCents(lowHz, more.keyOff)]
  return givesOf({ toms: [low, high], kicks: [], snares }, placing, [[500]], {
    ...{ drums: [], scheme: { kind: 'fourths' }, favourHz },
  })
    .filter((each) => each.drum === 'low')
    .map(({ what }) => what)
}

test('what counts as given up: 40 cents off the best, one off the range, 12 off a gap or the key, 70 from the snare', () => {
  expect(gives(38, 500)).toEqual([])
  expect(gives(43, 500)).toEqual(['favourite'])
  const end = centsBetween(100, 140)
  expect(gives(end + 0.8, 500)).toEqual(['favourite'])
  expect(gives(end + 1.3, 500)).toEqual(['range'])
  expect(gives(0, 511)).toEqual([])
  expect(gives(0, 514)).toEqual(['gap'])
  expect(gives(0, 500, { keyOff: 11 })).toEqual([])
  expect(gives(0, 500, { keyOff: 14 })).toEqual(['favour'])
  expect(gives(0, 500, { snareOff: 75 })).toEqual([])
  expect(gives(0, 500, { snareOff: 66 })).toEqual(['snare'])
})

test('two drums are told apart from a whole step on; the anchor counts eight times; a turn below half the least step is none', () => {
  expect(SEPARATE_CENTS).toBe(200)
  expect(gapCost(199, [199])).toBeGreaterThan(0)
  expect(gapCost(200, [200])).toBe(0)
  expect(favouriteCost(150, ANCHOR_WEIGHT)).toBeCloseTo(4, 9)
  expect(LEAST_TURN).toBe(1 / 64)
})

test('a grid of 5 cents, 300 beyond the range', () => {
  const grid = gridFrom(3, { from: 0, to: 20 })
  expect(grid).toEqual([3, 8, 13, 18])
  const drum = tom('12', 12, { lowestHz: 150, favouriteHz: 160, highestHz: 170 })
  const far = (cents: number) =>
    bestPlan({ drums: [drum], scheme: { kind: 'free' }, rootHz: shiftByCents(150, -cents) }).solved
  // A root so far out is still taken, for what it costs; the search itself stops at 300.
  expect(far(290)!.plan.cost).toBeGreaterThan(30)
  const { roots } = bestPlan({ drums: [drum], scheme: { kind: 'free' } }).solved!
  expect(Math.min(...roots.cents)).toBeCloseTo(centsBetween(1, 150) - 300, -1)
  expect(Math.max(...roots.cents)).toBeCloseTo(centsBetween(1, 170) + 300, -1)
})

test('an anchored floor tom is set 60 cents above where it growls', () => {
  const drum = tom('16', 16, { kind: 'floor-tom', lowestHz: 80, favouriteHz: 100, highestHz: 130 })
  const [plan] = planKit({ drums: [drum], scheme: { kind: 'free' }, anchor: 'lowest' }).plans
  expect(Math.abs(centsBetween(80, plan.drums[0].batterHz) - 60)).toBeLessThan(4)
})

test('two tones 45 cents apart answer each other at one over e', () => {
  const at = (cents: number) =>
    rowsOf(
      [tom('t', 12), { ...tom('s', 14), kind: 'snare' }],
      [
        { id: 't', batterHz: 160, resonantHz: 700 },
        { id: 's', batterHz: shiftByCents(160, -cents), resonantHz: 1400 },
      ],
    ).rows[0]
  for (const off of [10, 30, 45, 80]) {
    const { risk, nearest } = at(off)
    expect(risk).toBeCloseTo(Math.exp(-((nearest.cents / 45) ** 2)), 9)
  }
  expect(at(10).risk).toBeGreaterThan(0.9)
})

const FOURTH = 500
/** Four toms, one gap of which is set, heads a third apart but for the second. */
const kitOf = (gap: number, above = 400) => {
  const pitches = [
    90,
    shiftByCents(90, FOURTH),
    shiftByCents(90, FOURTH + gap),
    shiftByCents(90, 2 * FOURTH + gap),
  ]
  return pitches.map((batterHz, i) =>
    tom(`t${i}`, 16 - 2 * i, {
      now: { batterHz, resonantHz: shiftByCents(batterHz, i === 1 ? above : 400) },
    }),
  )
}
const found = (drums: PlanDrum[]) => judgeKit(drums).verdicts.map(({ what }) => what)

test('too close is below six tenths of the usual gap; mixed is more than 80 cents from the others’ relation', () => {
  expect(found(kitOf(310))).toEqual([])
  expect(found(kitOf(290))).toEqual(['close'])
  expect(found(kitOf(500, 475))).toEqual([])
  expect(found(kitOf(500, 485))).toEqual(['mixed'])
})

test('a snare within 37 cents of a tom’s tone answers it; the move that mends it leaves some room', () => {
  const withSnare = (off: number) => [
    tom('12', 12, { oneHeaded: true, now: { batterHz: 160, resonantHz: 160 } }),
    {
      ...tom('s', 14, { oneHeaded: true }),
      ...{ kind: 'snare' as const, depthInches: 2 },
      now: { batterHz: shiftByCents(160, off), resonantHz: 300 },
    },
  ]
  expect(found(withSnare(39))).toEqual([])
  expect(found(withSnare(35))).toEqual(['answers'])
  const { best } = judgeKit(withSnare(20))
  const from = best!.drum === 's' ? 160 : shiftByCents(160, 20)
  expect(Math.abs(centsBetween(from, best!.toHz))).toBeGreaterThan(55)
  expect(Math.abs(centsBetween(from, best!.toHz))).toBeLessThan(85)
})

test('lower is another kind of plan from 150 cents on, and beyond twice what is avoided and 50 more', () => {
  const others = [
    { ...tom('s', 14), kind: 'snare' as const },
    { ...tom('k', 22), kind: 'kick' as const },
  ]
  const kinds = (below: number, avoided: number | null) => {
    const favouriteHz = 150
    const drum = tom('12', 12, { lowestHz: shiftByCents(favouriteHz, -below), favouriteHz, highestHz: 200 })
    const avoid = avoided === null ? {} : { avoidHz: [1500], avoidWithinCents: avoided }
    return planKit({ drums: [drum, ...others], scheme: { kind: 'free' }, ...avoid }).plans.map(
      ({ what }) => what.kind,
    )
  }
  expect(kinds(135, null)).not.toContain('lowest')
  expect(kinds(190, null)).toContain('lowest')
  expect(kinds(190, 60)).toContain('lowest')
  expect(kinds(165, 60)).not.toContain('lowest')
})
