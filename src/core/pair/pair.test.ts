import { times } from '@ref/long'
import fc from 'fast-check'
import { HeadModes, type Film } from '../membrane/headModes'
import { MODE_SHAPES, tensionFromLugHz } from '../membrane/modes'
import { FILM_POISSON, filmStiffness } from '../membrane/planeStress'
import { ritzBasis } from '../membrane/ritz'
import { inchesToMetres, milsToMetres } from '../units/length'
import { centsBetween } from '../units/pitch'
import { learnPair, predictCentre } from './learn'
import { aboveBy, centreHz, pairState, USUAL_PARTS } from './model'
import { solvePair, type PairRequest } from './solve'
import type { PairDrum, PairReading, PairWant } from './types'

const drum = (
  diameterInches: number,
  depthInches: number,
  batter: number[],
  resonant: number[],
): PairDrum => ({
  ...{ kind: 'tom', diameterInches, depthInches, lugs: 6, threadPitchMm: 1.058, port: null },
  batter: { pliesMils: batter, hoop: 'triple-flanged' },
  resonant: { pliesMils: resonant, hoop: 'triple-flanged' },
})
const TOM = drum(12, 8, [7, 7], [10])
const SNARE: PairDrum = { ...drum(14, 6.5, [10], [3]), kind: 'snare', lugs: 10 }
const FLOOR = drum(16, 14, [7, 7], [10])

/** Edge to centre by a prototype of the two-film column model, resonant head so many cents above. */
test.each([
  [TOM, 180, [1.723, 1.555, 1.509, 1.431]],
  [SNARE, 265, [1.717, 1.569, 1.526, 1.451]],
  [FLOOR, 120, [1.797, 1.618, 1.568, 1.481]],
] as const)(
  'edge to centre of drum %#: alike, a third, a fourth and a fifth above',
  (own, batterHz, ratios) => {
    ;[0, 386, 498, 702].forEach((cents, i) => {
      expect(
        Math.abs(
          pairState(own, { batterHz: batterHz, resonantHz: aboveBy(batterHz, cents) }).ratio - ratios[i],
        ),
      ).toBeLessThan(0.005)
    })
  },
)

test('the range of ratios that is liked, 1.5 to 1.6, is a resonant head a third to a fourth above (common practice, no source)', () => {
  for (const cents of [386, 498]) {
    const { ratio } = pairState(TOM, { batterHz: 180, resonantHz: aboveBy(180, cents) })
    expect(ratio).toBeGreaterThan(1.5)
    expect(ratio).toBeLessThan(1.6)
  }
})

/**
 * Rossing, Bork, Zhao & Fystrom, "Acoustics of snare drums", JASA 92 (1992) 84-94, values from memory: each head alone 227
 * and 299 Hz, coupled (0,1) 182 and 330 Hz, (1,1) 278 and 341 Hz. Films of 10 and 3 mil are a guess.
 */
test('a published snare drum: (0,1) and the lower (1,1) within 5%, the upper (1,1) within 8%', () => {
  const basis = ritzBasis(3, 5)
  const film = (pliesMils: number[], tension: number): Film => {
    const thickness = pliesMils.reduce((sum, mils) => sum + milsToMetres(mils), 0)
    const edge = (tension * (1 - FILM_POISSON)) / filmStiffness(thickness, inchesToMetres(14) / 2)
    return { diameterInches: 14, depthInches: 6.5, pliesMils, edge: { cosine: [edge], sine: [] } }
  }
  /** Tension at which a head alone, the other still, has this pitch: all shapes together. */
  const tensionAt = (pliesMils: number[], hz: number): number => {
    let tension = tensionFromLugHz(
      { diameterInches: 14, pliesMils, space: { depthInches: 6.5 } },
      hz,
      MODE_SHAPES[0],
    )
    for (let i = 0; i < 6; i++) {
      const alone = new HeadModes(basis, film(pliesMils, tension), null).near(MODE_SHAPES[0], hz)[0].hz
      tension *= (hz / alone) ** 2
    }
    return tension
  }
  const both = new HeadModes(basis, film([10], tensionAt([10], 227)), {
    pliesMils: [3],
    tension: tensionAt([3], 299),
  })
  for (const [shape, parts, published, within] of [
    [0, [0.75, 0.65], 182, 0.05],
    [0, [0.6, -0.8], 330, 0.05],
    [1, [0.9, 0.3], 278, 0.05],
    [1, [0.3, -0.9], 341, 0.08],
    // Reported beside: (2,1) comes out 4% low and 8% high.
    [2, [1, 0], 403, 0.06],
    [2, [0, 1], 512, 0.1],
  ] as Array<[number, [number, number], number, number]>) {
    const { hz } = both.near(MODE_SHAPES[shape], published, parts)[0]
    expect(Math.abs(hz / published - 1)).toBeLessThan(within)
  }
})

test('heads alike: both edge notes are heard apart, and beat on a tom (computed for 180 Hz: 177.9 and 182.1)', () => {
  const { edge, warbleHz } = pairState(TOM, { batterHz: 180, resonantHz: 180 })
  expect(Math.abs(edge[0].hz - 177.9)).toBeLessThan(0.3)
  expect(Math.abs(edge[1].hz - 182.1)).toBeLessThan(0.3)
  expect(warbleHz).toBeCloseTo(edge[1].hz - edge[0].hz, 9)
  expect(pairState(TOM, { batterHz: 180, resonantHz: aboveBy(180, 498) }).warbleHz).toBe(0)
})

/**
 * Worked example of the trade (common practice, no source): centre 192 Hz under a lug of 294 Hz is 1.53; loosening the
 * batter and tightening the resonant made it 1.49 with the centre about where it was.
 */
test('to lower the ratio and keep the centre the batter goes down and the resonant up', () => {
  const now = solveHeads({ centreHz: 192, batterHz: 294 })
  expect(now.ratio).toBeCloseTo(1.531, 2)
  const next = solvePair({
    ...{ drum: SNARE, now: { batterHz: now.batterHz, resonantHz: now.resonantHz, centreHz: 192 } },
    want: { ratio: 1.49, centreHz: 192 },
  })
  expect(next.reachable).toBe(true)
  expect(next.turns.batter).toBeLessThan(0)
  expect(next.turns.resonant).toBeGreaterThan(0)
  expect(Math.abs(centsBetween(192, next.centreHz))).toBeLessThan(2)
})

function solveHeads(want: PairWant) {
  return solvePair({ drum: SNARE, now: { batterHz: 280, resonantHz: 380, centreHz: null }, want })
}

test('from a major third to a fourth is one half step on the resonant head, just or tempered', () => {
  const at = (resonantAboveCents: number) =>
    solvePair({
      ...{ drum: TOM, now: { batterHz: 180, resonantHz: 200, centreHz: null } },
      want: { batterHz: 180, resonantAboveCents },
    }).resonantHz!
  expect(centsBetween(at(386.31), at(498.04))).toBeCloseTo(111.73, 1)
  expect(centsBetween(at(400), at(500))).toBeCloseTo(100, 1)
})

test('a resonant head 100 cents up raises the centre by about 46 and lowers the ratio by 0.04 (computed for 12 by 8, near a third)', () => {
  const before = pairState(TOM, { batterHz: 180, resonantHz: aboveBy(180, 386) })
  const after = pairState(TOM, { batterHz: 180, resonantHz: aboveBy(180, 486) })
  expect(Math.abs(centsBetween(before.centreHz, after.centreHz) - 46)).toBeLessThan(5)
  expect(Math.abs(before.ratio - after.ratio - 0.04)).toBeLessThan(0.01)
})

const anyPair = fc.record({
  own: fc.constantFrom(TOM, SNARE, FLOOR),
  turns: fc.double({ min: 0.45, max: 1.5, noNaN: true }),
  above: fc.double({ min: -350, max: 720, noNaN: true }),
})

test('there and back: what a state has, asked for by any two, gives that state again', () => {
  fc.assert(
    fc.property(anyPair, fc.nat(7), ({ own, turns, above }, choice) => {
      const batterHz = Math.sqrt(turns * 31_700 * (14 / own.diameterInches) ** 2.7)
      const resonantHz = aboveBy(batterHz, above)
      const { centreHz, ratio } = pairState(own, { batterHz: batterHz, resonantHz: resonantHz })
      const wants: PairWant[] = [
        { batterHz, resonantHz },
        { batterHz, centreHz },
        { batterHz, ratio },
        { batterHz, resonantAboveCents: above },
        { resonantHz, centreHz },
        { resonantHz, resonantAboveCents: above },
        { centreHz, resonantAboveCents: above },
        { centreHz, ratio },
      ]
      const now = { batterHz: batterHz * 0.93, resonantHz: resonantHz * 1.05, centreHz: null }
      const answer = solvePair({ drum: own, now, want: wants[choice] })
      if (!answer.reachable) return
      const met = (want: number | undefined, got: number, within: number) =>
        want === undefined || expect(Math.abs(got - want)).toBeLessThan(within)
      const want = wants[choice]
      met(want.batterHz, answer.batterHz, 0.2)
      met(want.resonantHz, answer.resonantHz!, 0.3)
      met(want.centreHz, answer.centreHz, 0.2)
      met(want.ratio, answer.ratio, 0.002)
      met(want.resonantAboveCents, answer.resonantAboveCents!, 1)
    }),
    { numRuns: 60 },
  )
})

test('usual wants are reachable; a limit stops short of the impossible, and says which', () => {
  const now = { batterHz: 180, resonantHz: 190, centreHz: null }
  const ask = (want: PairWant, change: Partial<PairDrum> = {}) =>
    solvePair({ drum: { ...TOM, ...change }, now, want })
  expect(ask({ batterHz: 200, resonantAboveCents: 498 })).toMatchObject({ reachable: true, limitedBy: null })
  expect(ask({ batterHz: 200, resonantAboveCents: 498 }).resonantHz).toBeCloseTo(266.7, 0)
  const held = ask(
    { batterHz: 200, resonantAboveCents: 498 },
    { resonant: { ...TOM.resonant!, ceilingHz: 240 } },
  )
  expect(held).toMatchObject({ reachable: false, limitedBy: 'resonant-ceiling' })
  expect(held.resonantHz).toBeLessThanOrEqual(240.01)
  // What the size alone says is a warning, never a limit.
  expect(ask({ batterHz: 40, resonantHz: 190 })).toMatchObject({
    reachable: true,
    warnings: ['batter-slack'],
  })
  expect(ask({ batterHz: 180, resonantHz: 600 })).toMatchObject({
    reachable: true,
    warnings: ['resonant-high'],
  })
  expect(ask({ batterHz: 200, centreHz: 198 }).reachable).toBe(false)
})

/** A drum whose films, depth and whole differ from what its sizes say. */
const HIDDEN = { batterMass: 0.11, resonantMass: -0.09, depth: 0.08, outside: Math.log(0.65), centre: -0.004 }
const SETTINGS: PairReading[] = [
  [170, 180],
  [200, 255],
  [150, 210],
  [230, 240],
].map(([batterHz, resonantHz]) => ({
  ...{ batterHz, resonantHz },
  centreHz: pairState(TOM, { batterHz: batterHz, resonantHz: resonantHz }, HIDDEN).centreHz,
}))

test('three centre readings teach a drum’s own parts: elsewhere within a few cents, surer with each', () => {
  const errors = [0, 1, 2, 3].map((count) => {
    const learned = learnPair(TOM, SETTINGS.slice(0, count))
    const misses = [
      [160, 240],
      [190, 195],
      [215, 300],
    ].map(([b, r]) => {
      const { hz, errorCents } = predictCentre(TOM, { batterHz: b, resonantHz: r }, learned)
      const miss = Math.abs(centsBetween(pairState(TOM, { batterHz: b, resonantHz: r }, HIDDEN).centreHz, hz))
      expect(miss).toBeLessThan(2.5 * errorCents)
      return { miss, errorCents }
    })
    return {
      miss: Math.max(...misses.map(({ miss }) => miss)),
      errorCents: Math.max(...misses.map(({ errorCents }) => errorCents)),
    }
  })
  expect(errors[0].miss).toBeGreaterThan(15)
  expect(errors[3].miss).toBeLessThan(8)
  for (let i = 1; i < errors.length; i++) expect(errors[i].errorCents).toBeLessThan(errors[i - 1].errorCents)
})

test('without a centre reading nothing is learned, and the same request has the same answer', () => {
  expect(learnPair(TOM, [{ batterHz: 180, resonantHz: 200, centreHz: null }]).parts).toEqual(USUAL_PARTS)
  const request: PairRequest = {
    ...{ drum: TOM, now: SETTINGS[0], seen: SETTINGS, want: { centreHz: 120, resonantAboveCents: 498 } },
  }
  expect(solvePair(request)).toEqual(solvePair(request))
})

test('the higher the resonant head, the higher the centre: no step of 50 cents over two octaves takes another mode', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(10, 12, 13, 14, 16),
      fc.double({ min: 5, max: 9, noNaN: true }),
      fc.double({ min: 120, max: 330, noNaN: true }),
      fc.constantFrom([3], [10], [7, 7]),
      (diameterInches, depthInches, batterHz, pliesMils) => {
        const drum: PairDrum = {
          ...{ kind: 'snare', diameterInches, depthInches, lugs: 8, threadPitchMm: 1.058, port: null },
          batter: { pliesMils: [10], hoop: 'triple-flanged' },
          resonant: { pliesMils: [...pliesMils], hoop: 'triple-flanged' },
        }
        const at = (cents: number) =>
          centreHz(drum, { batterHz, resonantHz: aboveBy(batterHz, cents) }, USUAL_PARTS)
        const rising = Array.from({ length: 49 }, (_, i) => at(50 * i))
        for (const [i, hz] of rising.slice(1).entries()) expect(hz).toBeGreaterThan(0.999 * rising[i])
      },
    ),
    { numRuns: times(10, 60) },
  )
})
