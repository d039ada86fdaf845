import fc from 'fast-check'
import { helmholtzHz, portFactor } from '../membrane/air'
import { coupledMode, coupledModes } from '../membrane/coupled'
import { HeadModes, type Film } from '../membrane/headModes'
import { MODE_SHAPES, tensionFromLugHz } from '../membrane/modes'
import { FILM_POISSON, filmStiffness } from '../membrane/planeStress'
import { ritzBasis } from '../membrane/ritz'
import { inchesToMetres, milsToMetres } from '../units/length'
import { centsBetween } from '../units/pitch'
import { pairState, TEXTBOOK_PARTS } from './model'
import type { PairDrum } from './types'

const head = (pliesMils: number[]) => ({ pliesMils, hoop: 'wood' as const })
const kick = (portInches: number | null): PairDrum => ({
  ...{ kind: 'kick', diameterInches: 22, depthInches: 18, lugs: 10, threadPitchMm: 1.058 },
  ...{ batter: head([7, 7]), resonant: head([10]) },
  port: portInches === null ? null : { diameterInches: portInches },
})
const AT = { batterHz: 80, resonantHz: 95 }
const centre = (portInches: number | null) => pairState(kick(portInches), AT).centreHz

/**
 * Rayleigh, *Theory of Sound*, section 306: a round hole in a thin wall conducts as its diameter; section 303: pitch
 * (c / 2 pi) sqrt(conductivity / volume). By hand for 5 inches in 22 by 18: 0.127 m, 0.11213 m^3, 343 m/s.
 */
test('the air in a port has Helmholtz’s pitch', () => {
  expect(helmholtzHz(5, 22, 18)).toBeCloseTo((343 / (2 * Math.PI)) * Math.sqrt(0.127 / 0.112127), 1)
  // Kinsler & Frey's flanged neck, 8 / 3 pi of its radius at either end: 4% lower, as their piston estimate must be.
  const radius = 0.0635
  const neck =
    (343 / (2 * Math.PI)) * Math.sqrt((Math.PI * radius ** 2) / (0.112127 * (16 / (3 * Math.PI)) * radius))
  expect(neck / helmholtzHz(5, 22, 18)).toBeGreaterThan(0.94)
  expect(neck).toBeLessThan(helmholtzHz(5, 22, 18))
})

test('far above its pitch a port is shut, far below it the spring is the mass of its air', () => {
  expect(portFactor(56, 5000)).toBeCloseTo(1, 3)
  expect(portFactor(56, 1) * -(56 ** 2)).toBeCloseTo(1, 2)
})

test('a kick with a port speaks where both heads move the same way, near what it spoke without', () => {
  for (const inches of [2, 5]) {
    const { together, centreHz } = pairState(kick(inches), AT)
    expect(together.batter * together.resonant).toBeGreaterThan(0)
    expect(centreHz).toBeGreaterThan(45)
    expect(centreHz).toBeLessThan(50)
  }
})

test('the port closing to none is the drum without; as wide as the head, both heads go as if no air were shut in', () => {
  expect(centsBetween(centre(null), centre(0.02))).toBeCloseTo(0, 1)
  const sizes = [0.02, 0.5, 1, 2, 3, 4, 5, 6, 8, 12, 22].map(centre)
  // Without a jump on the way, also where the port's own pitch crosses the centre.
  for (let i = 1; i < sizes.length; i++) {
    expect(centsBetween(sizes[i - 1], sizes[i])).toBeGreaterThanOrEqual(-0.01)
    expect(centsBetween(sizes[i - 1], sizes[i])).toBeLessThan(20)
  }
  // With the spring and the mass in the hole both strong, the heads go as one: the squares' mean by their masses.
  expect(sizes.at(-1)! - sizes[0]).toBeLessThan(2)
})

test('whatever the port, the heads’ own way against each other lies above the port’s pitch and above the centre', () => {
  fc.assert(
    fc.property(
      fc.record({
        port: fc.double({ min: 0.5, max: 20, noNaN: true }),
        batterHz: fc.double({ min: 45, max: 110, noNaN: true }),
        above: fc.double({ min: -500, max: 1200, noNaN: true }),
        depthInches: fc.double({ min: 12, max: 22, noNaN: true }),
      }),
      ({ port, batterHz, above, depthInches }) => {
        const at = { batterHz, resonantHz: batterHz * 2 ** (above / 1200) }
        const { together, apart } = pairState({ ...kick(port), depthInches }, at)
        expect(together.batter * together.resonant).toBeGreaterThan(0)
        expect(apart!.batter * apart!.resonant).toBeLessThan(0)
        expect(apart!.hz).toBeGreaterThan(Math.max(together.hz, helmholtzHz(port, 22, depthInches)))
      },
    ),
  )
})

/** All shapes together, by inverse iteration: another solver than the one for one shape. */
test('all mode shapes together say the same within a few cents, port or none', () => {
  const tension = (pliesMils: number[], hz: number) =>
    tensionFromLugHz({ diameterInches: 22, pliesMils, space: { depthInches: 18 } }, hz)
  for (const portInches of [0, 3, 5, 8]) {
    const batter = { pliesMils: [7, 7], tension: tension([7, 7], 80) }
    const resonant = { pliesMils: [10], tension: tension([10], 95) }
    const one = coupledMode(
      'together',
      { diameterInches: 22, depthInches: 18, portInches },
      MODE_SHAPES[0],
      batter,
      resonant,
    )
    const thickness = milsToMetres(14)
    const edge = (batter.tension * (1 - FILM_POISSON)) / filmStiffness(thickness, inchesToMetres(22) / 2)
    const film: Film = {
      ...{ diameterInches: 22, depthInches: 18, pliesMils: [7, 7], portInches },
      edge: { cosine: [edge], sine: [] },
    }
    const all = new HeadModes(ritzBasis(0, 3), film, resonant).near(MODE_SHAPES[0], one.hz, [
      one.batter,
      one.resonant,
    ])[0]
    expect(Math.abs(centsBetween(one.hz, all.hz))).toBeLessThan(12)
  }
})

test('a port leaves the edge modes alone: they push no air through it', () => {
  const without = pairState(kick(null), AT).edge
  pairState(kick(5), AT).edge.forEach((mode, i) => expect(mode.hz).toBeCloseTo(without[i].hz, 6))
})

/**
 * A drum of one head: its air against a membrane's own ratio. With no air outside and a shell of no depth the (0,1) lies under
 * the (1,1) by j11 / j01 (Abramowitz & Stegun table 9.5); air loads the (0,1) more.
 */
test('one head alone: the centre lies further under the lug than in vacuum, and a longer shell weighs more', () => {
  const open = (depthInches: number) =>
    pairState({ ...kick(null), depthInches, resonant: null }, { batterHz: 80, resonantHz: null })
  expect(open(2).ratio).toBeGreaterThan(3.831706 / 2.404826)
  expect(open(18).ratio).toBeGreaterThan(open(2).ratio)
  expect(open(18).apart).toBeNull()
  const airless = pairState(
    { ...kick(null), depthInches: 0.01, resonant: null, batter: head([40, 40, 40, 40]) },
    { batterHz: 80, resonantHz: null },
    { ...TEXTBOOK_PARTS, outside: -20, batterMass: 9 },
  )
  expect(airless.ratio).toBeCloseTo(1.5933, 3)
})

test('the two modes of a shape are orthogonal in their masses, lower first', () => {
  const shell = { diameterInches: 12, depthInches: 8 }
  const headAt = (pliesMils: number[], hz: number) => ({
    pliesMils,
    tension: tensionFromLugHz({ diameterInches: 12, pliesMils, space: { depthInches: 8 } }, hz),
  })
  const [low, high] = coupledModes(shell, MODE_SHAPES[0], headAt([10], 180), headAt([10], 180))
  expect(low.hz).toBeLessThan(high.hz)
  // Like films: the heads move alike, or just against each other.
  expect(low.batter).toBeCloseTo(low.resonant, 6)
  expect(high.batter).toBeCloseTo(-high.resonant, 6)
})
