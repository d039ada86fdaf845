import fc from 'fast-check'
import { USUAL_RELATION_CENTS, usualLugHz } from '../kit/usual'
import { centsBetween } from '../units/pitch'
import { believePair } from './belief'
import { learnPair } from './learn'
import { centreHz, USUAL_PARTS } from './model'
import type { PairDrum, PairReading } from './types'
import { waysTo, WISH_IDS, wished } from './ways'

const head = (pliesMils: number[]) => ({ pliesMils, hoop: 'triple-flanged' as const })
const TOM: PairDrum = {
  ...{ kind: 'tom', diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: 1.058, port: null },
  ...{ batter: head([7, 7]), resonant: head([10]) },
}
const believe = (read: Partial<PairReading>, drum = TOM) => {
  const all = { batterHz: null, resonantHz: null, centreHz: null, ...read }
  return believePair(drum, all, learnPair(drum, [all]))
}

test('nothing read: the usual pitch and relation, in wide doubt; the centre binds both heads and is asked for first', () => {
  const usual = usualLugHz({ ...TOM, batterMils: [7, 7] }, 'batter')
  const belief = believe({})
  expect(centsBetween(usual, belief.batterHz)).toBeCloseTo(0, 1)
  expect(centsBetween(belief.batterHz, belief.resonantHz!)).toBeCloseTo(USUAL_RELATION_CENTS.tom, 1)
  expect(belief.errorCents.batter).toBeCloseTo(250, 0)
  expect(belief.errorCents.resonant).toBeCloseTo(Math.hypot(250, 300), 0)
  expect(belief.readNext).toBe('centre')
})

test('edge and centre alone tell where the other head stands; the other head is then asked for', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 140, max: 230, noNaN: true }),
      fc.double({ min: -300, max: 700, noNaN: true }),
      (batterHz, above) => {
        const resonantHz = batterHz * 2 ** (above / 1200)
        const centre = centreHz(TOM, { batterHz, resonantHz }, USUAL_PARTS)
        const belief = believe({ batterHz, centreHz: centre })
        const off = Math.abs(centsBetween(resonantHz, belief.resonantHz!))
        // The prior draws a little towards what is usual.
        expect(off).toBeLessThan(0.25 * belief.errorCents.resonant + 0.1 * Math.abs(above - 400))
        expect(belief.errorCents.resonant).toBeLessThan(120)
        expect(belief.readNext).toBe('resonant')
      },
    ),
  )
})

test('more read is surer, and with all read nothing more is asked for', () => {
  const one = believe({ batterHz: 180 }).errorCents
  const two = believe({ batterHz: 180, centreHz: 118 }).errorCents
  const three = believe({ batterHz: 180, centreHz: 118, resonantHz: 235 })
  expect(two.resonant).toBeLessThan(one.resonant / 3)
  expect(three.errorCents.resonant).toBeLessThan(4)
  expect(three.readNext).toBeNull()
  // Both edges read: the centre is what would tell most now.
  expect(believe({ batterHz: 180, resonantHz: 235 }).readNext).toBe('centre')
})

test('a drum of one head: its lug follows from its centre and back', () => {
  const single = { ...TOM, resonant: null }
  const centre = centreHz(single, { batterHz: 180, resonantHz: null }, USUAL_PARTS)
  const belief = believe({ centreHz: centre }, single)
  expect(centsBetween(180, belief.batterHz)).toBeCloseTo(0, 1)
  expect(belief.resonantHz).toBeNull()
  expect(believe({ batterHz: 180 }, single)).toMatchObject({ batterHz: 180, readNext: 'centre' })
})

test('three ways to a fourth: one head moves, the other, or each half; all end there', () => {
  const now = { batterHz: 180, resonantHz: 220, centreHz: null }
  const [resonant, batter, half] = waysTo({ drum: TOM, now }, 500)
  for (const { batterHz, resonantHz } of [resonant, batter, half])
    expect(centsBetween(batterHz, resonantHz)).toBeCloseTo(500, 6)
  expect([resonant.turns.batter, batter.turns.resonant]).toEqual([expect.closeTo(0, 3), expect.closeTo(0, 3)])
  expect(resonant.turns.resonant).toBeGreaterThan(0)
  expect(batter.turns.batter).toBeLessThan(0)
  expect(centsBetween(180, half.batterHz)).toBeCloseTo(-centsBetween(220, half.resonantHz), 1)
  // Resonant up lifts the centre, batter down drops it, half each leaves it about put (common practice, no source).
  expect(resonant.centreMovesCents).toBeGreaterThan(20)
  expect(batter.centreMovesCents).toBeLessThan(-20)
  expect(Math.abs(half.centreMovesCents)).toBeLessThan(20)
  expect(waysTo({ drum: { ...TOM, resonant: null }, now: { ...now, resonantHz: null } }, 500)).toEqual([])
})

test('wishes lead where the schools say: longer towards alike, shorter away, warmer lower, attack by the batter', () => {
  const at = { batterHz: 180, resonantHz: 250 }
  const above = (place: typeof at) => centsBetween(place.batterHz, place.resonantHz)
  const to = Object.fromEntries(WISH_IDS.map((wish) => [wish, wished(wish, at)]))
  expect(Math.abs(above(to.longer))).toBeLessThan(Math.abs(above(at)) - 50)
  expect(above(to.shorter)).toBeCloseTo(above(at) + 100, 6)
  expect(to.warmer.batterHz).toBeLessThan(at.batterHz)
  expect(Math.abs(above(to.warmer) - 400)).toBeLessThan(Math.abs(above(at) - 400))
  expect(to.attack).toEqual({ batterHz: expect.closeTo(180 * 2 ** (1 / 12), 6) as number, resonantHz: 250 })
  // What is alike already is not moved past it.
  expect(above(wished('longer', { batterHz: 180, resonantHz: 185 }))).toBeCloseTo(0, 6)
})
