import fc from 'fast-check'
import { radiationPerSecond } from '../membrane/radiation'
import { aboveBy, pairState, USUAL_PARTS } from './model'
import { foretellRing, learnRing, type RingStroke } from './ring'
import type { PairDrum } from './types'

const head = (pliesMils: number[]) => ({ pliesMils, hoop: 'triple-flanged' as const })
const TOM: PairDrum = {
  ...{ kind: 'tom', diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: 1.058, port: null },
  ...{ batter: head([10]), resonant: head([10]) },
}
const BARE = { layers: [], hung: null }
const at = (batterHz: number, cents: number) => ({ batterHz, resonantHz: aboveBy(batterHz, cents), ...BARE })

test('a small source radiates as the textbook says: one moving piston of the mode’s own volume', () => {
  // Kinsler & Frey, Fundamentals of Acoustics, chapter 7: P = rho c k^2 Q^2 / (8 pi), by hand for 12 x 8 at 110 Hz.
  const plies = { batter: [10], resonant: [10] }
  const alone = radiationPerSecond(12, 8, 110, plies, { batter: 1, resonant: 0 })
  const area = Math.PI * 0.1524 ** 2
  const k = (2 * Math.PI * 110) / 343
  const volume = area * ((2 * 0.519147) / 2.404826)
  const power = (1.2 * 343 * k ** 2 * volume ** 2) / (8 * Math.PI)
  // Film 0.353 kg/m^2 and outside air 0.746 rho a.
  const energy = 0.5 * (0.353 + 0.746 * 1.2 * 0.1524) * area * 0.519147 ** 2
  const pairOfSources = 1 + (k * 0.2032) ** 2 / 12
  expect(alone / ((power / (2 * energy)) * pairOfSources)).toBeCloseTo(1, 1)
})

test('both alike ring longest, as one school says (common practice, no source); the model says why', () => {
  const learned = learnRing(TOM, [], USUAL_PARTS)
  const ring = (cents: number) => foretellRing(TOM, at(170, cents), learned, USUAL_PARTS)
  expect(ring(0).decaySeconds).toBeGreaterThan(ring(400).decaySeconds)
  expect(ring(400).decaySeconds).toBeGreaterThan(ring(700).decaySeconds)
  expect(ring(0).radiated).toBeLessThan(ring(700).radiated)
})

test('a drum’s own strokes teach its ring, its layers and its places, and make it surer', () => {
  const truth = (stroke: Omit<RingStroke, 'decaySeconds' | 'glideCents'>): RingStroke => {
    const { together: low } = pairState(TOM, { batterHz: stroke.batterHz, resonantHz: stroke.resonantHz })
    const leaves = radiationPerSecond(12, 8, low.hz, { batter: [10], resonant: [10] }, low)
    const own = 6 * (low.hz / 100) ** 0.7 + leaves
    const extra = (stroke.layers.length ? 4 : 0) + (stroke.hung ? 2.5 : 0)
    return { ...stroke, decaySeconds: 1 / (own + extra), glideCents: -30 }
  }
  const strokes = [
    truth(at(170, 0)),
    truth(at(170, 400)),
    truth({ ...at(170, 400), layers: ['padOne'] }),
    truth({ ...at(170, 400), hung: 'on the post' }),
  ]
  const before = foretellRing(TOM, at(185, 300), learnRing(TOM, [], USUAL_PARTS), USUAL_PARTS)
  const learned = learnRing(TOM, strokes, USUAL_PARTS)
  const after = foretellRing(TOM, at(185, 300), learned, USUAL_PARTS)
  const really = truth(at(185, 300)).decaySeconds
  expect(Math.abs(Math.log(after.decaySeconds / really))).toBeLessThan(0.12)
  expect(Math.abs(Math.log(before.decaySeconds / really))).toBeGreaterThan(0.2)
  expect(after.factor).toBeLessThan(before.factor)
  const muffled = foretellRing(TOM, { ...at(185, 300), layers: ['padOne'] }, learned, USUAL_PARTS)
  const real = truth({ ...at(185, 300), layers: ['padOne'] }).decaySeconds
  expect(Math.abs(Math.log(muffled.decaySeconds / real))).toBeLessThan(0.2)
  // The bend goes the way that this drum's strokes went near this relation.
  expect(after.bendCents).toBeLessThan(0)
  expect(foretellRing(TOM, at(185, 1100), learned, USUAL_PARTS).bendCents).toBeGreaterThan(0)
})

test('whatever was logged, a forecast is a time and a doubt', () => {
  const stroke = fc.record({
    batterHz: fc.double({ min: 60, max: 400, noNaN: true }),
    resonantHz: fc.double({ min: 60, max: 400, noNaN: true }),
    decaySeconds: fc.double({ min: 0.01, max: 3, noNaN: true }),
    glideCents: fc.option(fc.double({ min: -200, max: 300, noNaN: true })),
    layers: fc.subarray(['padOne', 'ring'] as const),
    hung: fc.option(fc.constantFrom('post', 'clamp')),
  })
  fc.assert(
    fc.property(fc.array(stroke, { maxLength: 6 }), (strokes) => {
      const ring = foretellRing(TOM, at(170, 200), learnRing(TOM, strokes, USUAL_PARTS), USUAL_PARTS)
      expect(ring.decaySeconds).toBeGreaterThan(0)
      expect(Number.isFinite(ring.factor) && ring.factor >= 1).toBe(true)
    }),
    { numRuns: 25 },
  )
})
