import { times } from '@ref/long'
import fc from 'fast-check'
import { centreHz, USUAL_PARTS } from '../pair/model'
import { centsBetween, midiToHz, nearestNote, shiftByCents } from '../units/pitch'
import { planKit } from './plan'
import { drumRange } from '../kit/range'
import { pairOfPlan } from './known'
import type { Plan, PlanDrum, PlanRequest } from './types'

const tom = (id: string, diameterInches: number, more: Partial<PlanDrum> = {}): PlanDrum => ({
  ...{ id, name: id, kind: 'tom', diameterInches },
  ...more,
})
const at = (plan: Plan, id: string) => plan.drums.find((each) => each.id === id)!.batterHz
const gap = (plan: Plan, low: string, high: string) => centsBetween(at(plan, low), at(plan, high))
const THREE = [tom('10', 10), tom('12', 12), tom('16', 16, { kind: 'floor-tom' })]

test('the major triad on A is A2, C#3, E3 (common practice); tempered thirds lie by the just ones', () => {
  // Drums that speak anywhere: the scheme alone decides.
  const willing = THREE.map((drum) => ({ ...drum, lowestHz: 80, favouriteHz: 140, highestHz: 300 }))
  const { plans } = planKit({ drums: willing, scheme: { kind: 'major-triad' }, rootHz: 110 })
  const notes = ['16', '12', '10'].map((id) => nearestNote(at(plans[0], id)))
  expect(notes.map(({ name }) => name)).toEqual(['A2', 'C#3', 'E3'])
  for (const { cents } of notes) expect(Math.abs(cents)).toBeLessThan(0.01)
  // Just ratios 5:4, 6:5, 4:3 and 3:2 in cents against the tempered ones.
  expect(gap(plans[0], '16', '12') - 1200 * Math.log2(5 / 4)).toBeCloseTo(400 - 386.31, 1)
  expect(gap(plans[0], '12', '10') - 1200 * Math.log2(6 / 5)).toBeCloseTo(300 - 315.64, 1)
  const fourths = planKit({ drums: willing, scheme: { kind: 'fourths' }, rootHz: 110 }).plans[0]
  expect(gap(fourths, '16', '12') - 1200 * Math.log2(4 / 3)).toBeCloseTo(500 - 498.04, 1)
})

test('own steps begin at the smallest drum; equal steps of any size are met', () => {
  const steps = planKit({ drums: THREE, scheme: { kind: 'steps', cents: [310, 433] } }).plans[0]
  expect(gap(steps, '12', '10')).toBeCloseTo(310, 4)
  expect(gap(steps, '16', '12')).toBeCloseTo(433, 4)
  const equal = planKit({ drums: THREE, scheme: { kind: 'equal', cents: 367 } }).plans[0]
  expect(gap(equal, '12', '10')).toBeCloseTo(367, 4)
})

test('a drum that stays stays, and the others follow it; one set by hand is where it was set', () => {
  const drums = THREE.map((drum) =>
    drum.id === '12' ? { ...drum, now: { batterHz: 151.3, resonantHz: 190 } } : drum,
  )
  const [plan] = planKit({ drums, scheme: { kind: 'fourths' }, fixed: ['12'] }).plans
  expect(at(plan, '12')).toBeCloseTo(151.3, 9)
  expect(plan.drums.find(({ id }) => id === '12')!.turns).toEqual({
    batter: expect.closeTo(0, 9),
    resonant: expect.closeTo(0, 9),
  })
  expect(gap(plan, '12', '10')).toBeCloseTo(500, 4)
  const pinned = planKit({ drums, scheme: { kind: 'fourths' }, pinned: { '10': 200 } }).plans[0]
  expect(at(pinned, '10')).toBeCloseTo(200, 9)
  expect(gap(pinned, '12', '10')).toBeCloseTo(500, 4)
})

test('what cannot be had is given up in words of its own, and what stands in the way is named', () => {
  const narrow = THREE.map((drum) => (drum.id === '10' ? { ...drum, ceilingHz: 150 } : drum))
  const [plan] = planKit({ drums: narrow, scheme: { kind: 'fourths' } }).plans
  expect(at(plan, '10')).toBeLessThanOrEqual(150)
  expect(plan.gives.length).toBeGreaterThan(0)
  const nowhere = planKit({
    drums: [tom('a', 12, { ceilingHz: 20, lowestHz: 100, favouriteHz: 130, highestHz: 200 })],
    scheme: { kind: 'free' },
  })
  expect(nowhere).toMatchObject({ plans: [], why: { what: 'no-place', drum: 'a', by: 'ceiling' } })
  const held = { ...THREE[0], now: { batterHz: 200, resonantHz: 250 } }
  const avoided = planKit({ drums: [held], scheme: { kind: 'free' }, fixed: ['10'], avoidHz: [201] })
  expect(avoided).toMatchObject({
    plans: [],
    why: { what: 'fixed-avoided', drum: '10', mode: 'edge', hz: 200, avoidHz: 201 },
  })
})

/**
 * An independent search: every combination of pitches on the same 5-cent steps, with the costs of docs/decisions/spacing.md
 * written down anew. Slow; small kits only.
 */
function bruteForce(drums: PlanDrum[], scheme: 'fourths' | 'thirds', originHz: number, avoidHz: number[]) {
  const wants = scheme === 'fourths' ? [500] : [400, 300]
  const order = [...drums].sort((a, b) => b.diameterInches - a.diameterInches)
  const places = order.map((drum, i) => {
    const start = shiftByCents(originHz, i * wants[0])
    const list: Array<{ hz: number; cost: number }> = []
    for (let k = -900; k <= 900; k++) {
      const hz = shiftByCents(start, 5 * k)
      const resonantHz = shiftByCents(hz, 400)
      const below = centsBetween(hz, drum.lowestHz!)
      const beyond = centsBetween(drum.highestHz!, hz)
      if (below > 300 + 1e-9 || beyond > 300 + 1e-9 || hz > (drum.ceilingHz ?? Infinity)) continue
      const centre = avoidHz.length
        ? centreHz(pairOfPlan(drum), { batterHz: hz, resonantHz }, USUAL_PARTS)
        : 0
      if (avoidHz.some((avoid) => Math.abs(centsBetween(avoid, hz)) <= 50)) continue
      if (avoidHz.some((avoid) => Math.abs(centsBetween(avoid, centre)) <= 50)) continue
      const out = Math.max(0, below, beyond) / 100
      const off = centsBetween(drum.favouriteHz!, hz) / 150
      const semitone = centsBetween(440, hz) / 100
      const concert = i === 0 ? 0.05 * Math.abs(semitone - Math.round(semitone)) : 0
      list.push({ hz, cost: 4 * out * out + 0.5 * off * off + concert })
    }
    return list
  })
  let best = Infinity
  const walk = (i: number, lastHz: number, cost: number) => {
    if (cost >= best) return
    if (i === places.length) {
      best = cost
      return
    }
    for (const place of places[i]) {
      const step = i === 0 ? null : centsBetween(lastHz, place.hz)
      let own = place.cost
      if (step !== null) {
        const off = Math.min(...wants.map((want) => Math.abs(step - want)))
        const close = Math.max(0, 200 - step) / 100
        own += off / 10 + 2 * (off / 100) ** 2 + 10 * close * close
      }
      walk(i + 1, place.hz, cost + own)
    }
  }
  walk(0, 0, 0)
  return best
}

const anyKit = fc
  .array(
    fc.record({
      low: fc.double({ min: 80, max: 200, noNaN: true }),
      width: fc.double({ min: 200, max: 900, noNaN: true }),
      part: fc.double({ min: 0, max: 1, noNaN: true }),
      ceiling: fc.option(fc.double({ min: 100, max: 400, noNaN: true })),
    }),
    { minLength: 2, maxLength: 3 },
  )
  .map((list) =>
    list.map(({ low, width, part, ceiling }, i): PlanDrum =>
      tom(`t${i}`, 16 - 2 * i, {
        lowestHz: low * 1.2 ** i,
        favouriteHz: shiftByCents(low * 1.2 ** i, part * width),
        highestHz: shiftByCents(low * 1.2 ** i, width),
        ...(ceiling === null ? {} : { ceilingHz: ceiling * 1.2 ** i }),
      }),
    ),
  )

test('an independent brute force finds no better plan on small kits', () => {
  fc.assert(
    fc.property(
      anyKit,
      fc.constantFrom('fourths' as const, 'thirds' as const),
      fc.boolean(),
      (drums, scheme, avoid) => {
        const avoidHz = avoid ? [shiftByCents(drums[0].favouriteHz!, 20)] : []
        const { plans } = planKit({
          drums,
          scheme: { kind: scheme },
          headRelation: { resonantAboveCents: 400 },
          avoidHz,
        })
        const found = bruteForce(drums, scheme, midiToHz(69), avoidHz)
        if (plans.length === 0) expect(found).toBe(Infinity)
        // Off the grid it may be better, never worse.
        else expect(plans[0].cost).toBeLessThan(found + 1e-6)
      },
    ),
    { numRuns: times(4, 12) },
  )
})

test('no plan moves a fixed drum, breaks a ceiling or takes an avoided pitch, whatever is asked', () => {
  const drum = fc.record({
    kind: fc.constantFrom('tom' as const, 'floor-tom' as const, 'kick' as const, 'snare' as const),
    diameterInches: fc.integer({ min: 8, max: 24 }),
    now: fc.option(
      fc.record({
        batterHz: fc.double({ min: 60, max: 300, noNaN: true }),
        resonantHz: fc.double({ min: 60, max: 400, noNaN: true }),
      }),
    ),
    fixed: fc.boolean(),
    ceilingHz: fc.option(fc.double({ min: 80, max: 400, noNaN: true }), { nil: undefined }),
    resonantCeilingHz: fc.option(fc.double({ min: 120, max: 450, noNaN: true }), { nil: undefined }),
  })
  const request = fc.record({
    list: fc.array(drum, { minLength: 1, maxLength: 6 }),
    kind: fc.constantFrom('fourths' as const, 'thirds' as const, 'major-triad' as const, 'free' as const),
    above: fc.integer({ min: -300, max: 700 }),
    avoidHz: fc.array(fc.double({ min: 40, max: 300, noNaN: true }), { maxLength: 3 }),
    leastWork: fc.double({ min: 0, max: 1, noNaN: true }),
  })
  fc.assert(
    fc.property(request, ({ list, kind, above, avoidHz, leastWork }) => {
      const drums = list.map(({ fixed: _, ...each }, i) => ({ ...each, id: `d${i}`, name: `d${i}` }))
      const fixed = list.flatMap((each, i) => (each.fixed && each.now ? [`d${i}`] : []))
      const asked: PlanRequest = {
        ...{ drums, fixed, avoidHz, leastWork, scheme: { kind } },
        headRelation: { resonantAboveCents: above },
      }
      for (const plan of planKit(asked).plans) {
        for (const { id, batterHz, resonantHz } of plan.drums) {
          const own = drums.find((each) => each.id === id)!
          if (fixed.includes(id)) {
            expect([batterHz, resonantHz]).toEqual([
              expect.closeTo(own.now!.batterHz, 6),
              own.now!.resonantHz,
            ])
          } else {
            expect(batterHz).toBeLessThanOrEqual((own.ceilingHz ?? Infinity) + 1e-6)
            expect(resonantHz).toBeLessThanOrEqual((own.resonantCeilingHz ?? Infinity) + 1e-6)
          }
          const centre = avoidHz.length ? centreHz(pairOfPlan(own), { batterHz, resonantHz }, USUAL_PARTS) : 0
          for (const hz of avoidHz) {
            expect(Math.abs(centsBetween(hz, batterHz))).toBeGreaterThan(50 - 1e-6)
            expect(Math.abs(centsBetween(hz, centre))).toBeGreaterThan(50)
          }
        }
      }
    }),
    { numRuns: times(6, 20) },
  )
})

test('a range: from the size alone, narrowed by marks and by what was kept', () => {
  const size = { kind: 'tom' as const, diameterInches: 12 }
  const usual = drumRange(size, [], [])
  // 0.4 to 1.5 turns above slack of 48 100 Hz^2 (common practice, no source; two plies as the turn law has them).
  expect(usual.lowestHz).toBeGreaterThan(110)
  expect(usual.highestHz).toBeLessThan(300)
  const marked = drumRange(
    size,
    [
      { mark: 'growls', hz: 150 },
      { mark: 'best', hz: 180 },
      { mark: 'chokes', hz: 230 },
    ],
    [],
  )
  expect(marked.lowestHz).toBeGreaterThanOrEqual(150)
  expect(Math.abs(centsBetween(180, marked.favouriteHz))).toBeLessThan(30)
  expect(marked.highestHz).toBeLessThanOrEqual(230)
  expect(marked.errorCents.favourite).toBeLessThan(usual.errorCents.favourite)
  const kept = drumRange(size, [], [140, 142])
  expect(kept.favouriteHz).toBeLessThan(usual.favouriteHz)
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          mark: fc.constantFrom('growls' as const, 'best' as const, 'chokes' as const),
          hz: fc.double({ min: 60, max: 500, noNaN: true }),
        }),
        { maxLength: 6 },
      ),
      (marks) => {
        const { lowestHz, favouriteHz, highestHz } = drumRange(size, marks, [])
        expect(lowestHz).toBeLessThanOrEqual(favouriteHz)
        expect(favouriteHz).toBeLessThanOrEqual(highestHz)
      },
    ),
  )
})

const willing = (id: string, inches: number, more: Partial<PlanDrum> = {}) =>
  tom(id, inches, { lowestHz: 70, favouriteHz: 130, highestHz: 320, ...more })

test('another scheme that fits better is offered by its name, never the same plan a little aside', () => {
  // The smallest will not go high, the largest not low: fourths give up what thirds do not.
  const drums = [
    tom('16', 16, { kind: 'floor-tom', lowestHz: 95, favouriteHz: 105, highestHz: 130 }),
    tom('12', 12, { lowestHz: 120, favouriteHz: 135, highestHz: 160 }),
    tom('10', 10, { lowestHz: 150, favouriteHz: 168, highestHz: 185 }),
  ]
  const { plans } = planKit({ drums, scheme: { kind: 'fourths' }, avoidHz: [100] })
  expect(plans[0].what).toEqual({ kind: 'best' })
  const other = plans.find(({ what }) => what.kind === 'scheme')!
  expect(other.scheme.kind).toMatch(/thirds|triad/)
  expect(other.score).toBeGreaterThan(plans[0].score)
  expect(other.gives.length).toBeLessThan(plans[0].gives.length)
})

test('plans differ in kind: no two within 15 cents of each other, none a shift by the width of what is avoided', () => {
  const kit = fc.record({
    favourites: fc.array(fc.double({ min: 90, max: 220, noNaN: true }), { minLength: 2, maxLength: 4 }),
    avoid: fc.option(fc.double({ min: 80, max: 220, noNaN: true })),
    within: fc.integer({ min: 20, max: 120 }),
    read: fc.boolean(),
  })
  fc.assert(
    fc.property(kit, ({ favourites, avoid, within, read }) => {
      const drums = favourites.map((favouriteHz, i) =>
        tom(`t${i}`, 16 - 2 * i, {
          ...{ lowestHz: 0.7 * favouriteHz, favouriteHz, highestHz: 1.5 * favouriteHz },
          ...(read ? { now: { batterHz: 0.95 * favouriteHz, resonantHz: 1.2 * favouriteHz } } : {}),
        }),
      )
      const { plans } = planKit({
        ...{ drums, scheme: { kind: 'fourths' as const } },
        ...(avoid === null ? {} : { avoidHz: [avoid], avoidWithinCents: within }),
      })
      const kinds = plans.map(({ what }) => what.kind)
      expect(new Set(kinds).size).toBe(kinds.length)
      plans.forEach((plan, i) =>
        plans.slice(i + 1).forEach((other) => {
          const moved = plan.drums.flatMap((drum, d) => [
            Math.abs(centsBetween(drum.batterHz, other.drums[d].batterHz)),
            Math.abs(centsBetween(drum.resonantHz, other.drums[d].resonantHz)),
          ])
          expect(Math.max(...moved)).toBeGreaterThan(15)
        }),
      )
      for (const { what, rootHz } of plans)
        if (what.kind === 'lowest' || what.kind === 'highest')
          expect(Math.abs(centsBetween(plans[0].rootHz, rootHz))).toBeGreaterThan(
            avoid === null ? 149 : Math.max(149, 2 * within),
          )
    }),
    { numRuns: times(3, 8) },
  )
})

test('with a drum that stays there are other plans too, and in all of them it stays', () => {
  const drums = [
    willing('16', 16, { kind: 'floor-tom', now: { batterHz: 92, resonantHz: 115 } }),
    willing('12', 12, { now: { batterHz: 140, resonantHz: 150 } }),
    willing('10', 10, { now: { batterHz: 171, resonantHz: 240 } }),
  ]
  const { plans } = planKit({ drums, scheme: { kind: 'fourths' }, fixed: ['12'] })
  const kinds = plans.map(({ what }) => what.kind)
  expect(kinds).toContain('scheme')
  for (const plan of plans) expect(at(plan, '12')).toBeCloseTo(140, 9)
  // Heads stand mixed and no relation was asked: one for all is worth showing.
  expect(kinds).toContain('relation')
})

test('kick and snare stay unless they are asked to move, or stand on what is to be avoided', () => {
  const snare = tom('s', 14, { kind: 'snare', now: { batterHz: 150, resonantHz: 300 } })
  const kick = tom('k', 22, { kind: 'kick', now: { batterHz: 74, resonantHz: 90 } })
  const toms = [willing('12', 12), willing('16', 16, { kind: 'floor-tom', favouriteHz: 100 })]
  const request: PlanRequest = { drums: [kick, snare, ...toms], scheme: { kind: 'fourths' } }
  const [left] = planKit(request).plans
  expect([at(left, 's'), at(left, 'k')]).toEqual([expect.closeTo(150, 9), expect.closeTo(74, 9)])
  // What stays where it stood gives up nothing for the plan.
  expect(
    left.gives.filter(({ drum, what }) => what === 'favourite' && (drum === 's' || drum === 'k')),
  ).toEqual([])
  const moved = planKit({ ...request, move: ['s', 'k'] }).plans[0]
  expect(at(moved, 's')).not.toBeCloseTo(150, 0)
  expect(moved.cost).toBeLessThan(left.cost + 1e-9)
  const away = planKit({ ...request, avoidHz: [74] }).plans[0]
  expect(Math.abs(centsBetween(at(away, 'k'), 74))).toBeGreaterThan(50)
  expect(at(away, 's')).toBeCloseTo(150, 9)
})

test('a snare that may move is set together with the toms: none of its places with any of theirs is cheaper', () => {
  const range = { lowestHz: 120, favouriteHz: 150, highestHz: 260 }
  const drums = [
    tom('12', 12, range),
    tom('s', 14, { kind: 'snare', ...range, now: { batterHz: 152, resonantHz: 300 } }),
  ]
  const request: PlanRequest = { drums, scheme: { kind: 'free' }, move: ['s'] }
  const best = planKit(request).plans[0]
  for (let snareHz = 125; snareHz < 240; snareHz += 14)
    for (let tomHz = 125; tomHz < 240; tomHz += 14) {
      const [other] = planKit({ ...request, pinned: { s: snareHz, '12': tomHz } }).plans
      expect(best.cost).toBeLessThan(other.cost + 0.026)
    }
})

test('no root and equal cost: concert pitch; with what stands nearly there, what stands', () => {
  const flat = (id: string, inches: number, more = {}) =>
    tom(id, inches, { lowestHz: 60, favouriteHz: 131, highestHz: 400, ...more })
  const { plans } = planKit({ drums: [flat('12', 12)], scheme: { kind: 'free' }, a4Hz: 442 })
  const note = nearestNote(at(plans[0], '12'), 442)
  expect(Math.abs(note.cents)).toBeLessThan(0.01)
  const standing = flat('12', 12, { now: { batterHz: 131, resonantHz: 160 } })
  expect(at(planKit({ drums: [standing], scheme: { kind: 'free' } }).plans[0], '12')).toBeCloseTo(131, 6)
})

test('exact at limits and edges: a ceiling, and either side of what is avoided, not to a step of a grid', () => {
  const high = willing('12', 12, { favouriteHz: 200, ceilingHz: 171.37 })
  expect(at(planKit({ drums: [high], scheme: { kind: 'free' } }).plans[0], '12')).toBeCloseTo(171.37, 6)
  const beside = willing('12', 12, { favouriteHz: 150 })
  const [plan] = planKit({
    drums: [beside],
    scheme: { kind: 'free' },
    avoidHz: [151],
    avoidWithinCents: 37,
  }).plans
  expect(Math.abs(centsBetween(at(plan, '12'), 151))).toBeGreaterThan(37)
  expect(Math.abs(centsBetween(at(plan, '12'), 151))).toBeLessThan(37.01)
  // A window of three cents between two avoided pitches is found.
  const narrow = willing('12', 12, { lowestHz: 149, favouriteHz: 150, highestHz: 151, ceilingHz: 152 })
  const window = planKit({
    drums: [narrow],
    scheme: { kind: 'free' },
    avoidHz: [shiftByCents(150, -301.5), shiftByCents(150, 301.5)],
    avoidWithinCents: 300,
  })
  expect(Math.abs(centsBetween(at(window.plans[0], '12'), 150))).toBeLessThan(1.5)
})

test('a key that cannot be had is said to be given up, drum by drum', () => {
  const stays = willing('12', 12, { now: { batterHz: 138.59, resonantHz: 170 } })
  const { plans } = planKit({
    ...{ drums: [stays], scheme: { kind: 'free' }, fixed: ['12'] },
    favourHz: [220, 261.63, 329.63],
  })
  expect(plans[0].gives).toContainEqual(expect.objectContaining({ what: 'favour', drum: '12' }))
})

test('another drum that stays is another plan: everything else goes by it', () => {
  const drums = [
    willing('16', 16, { kind: 'floor-tom', favouriteHz: 100, now: { batterHz: 108, resonantHz: 135 } }),
    willing('12', 12, { favouriteHz: 133, now: { batterHz: 128, resonantHz: 160 } }),
  ]
  const other = planKit({ drums, scheme: { kind: 'fourths' } }).plans.find(
    ({ what }) => what.kind === 'stays',
  )!
  const { drum } = other.what as { drum: string }
  expect(at(other, drum)).toBeCloseTo(drums.find(({ id }) => id === drum)!.now!.batterHz, 9)
  expect(gap(other, '16', '12')).toBeCloseTo(500, 3)
})
