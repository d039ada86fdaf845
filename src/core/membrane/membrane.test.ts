import { gaussLegendre } from './ritz'
import { centsBetween } from '../units/pitch'
import { outsideAirFactor } from './air'
import { coupledModes } from './coupled'
import { filmMassPerArea } from './film'
import { idealModeHz, loadPerRod, LUG_MODE, MODE_SHAPES, modeHz, tensionFromLugHz } from './modes'
import { lugHzAfterTurns, secondAnswerPrior, turnLawFrom, turnLawPrior, turnsBetween } from './turnLaw'

/** Source: ratios of the ideal membrane, Rayleigh, *The Theory of Sound*, section 206; Fletcher & Rossing, table 3.1. */
test('mode ratios of the ideal membrane', () => {
  const ratios = MODE_SHAPES.map(
    (shape) => idealModeHz(shape, 1000, 0.4, 14) / idealModeHz(MODE_SHAPES[0], 1000, 0.4, 14),
  )
  const known = [1, 1.5933, 2.1355, 2.2954, 2.6531, 2.9173, 3.1555]
  known.forEach((ratio, i) => expect(ratios[i]).toBeCloseTo(ratio, 3))
})

/** Film density times thickness (film data sheets, from memory): 10 mil 0.353, 7 + 7 mil 0.494, 3 mil 0.106 kg/m^2. */
test.each([
  [[10], 0.353],
  [[7, 7], 0.494],
  [[3], 0.106],
])('mass of %p mil', (plies, mass) => {
  expect(filmMassPerArea(plies)).toBeCloseTo(mass, 3)
})

/** Baffled-piston loads computed apart from this code with another quadrature. */
test.each([
  [0, 1, 0.746],
  [0, 2, 0.262],
  [1, 1, 0.33],
  [1, 2, 0.17],
  [2, 1, 0.226],
  [3, 1, 0.175],
])('outside air of the (%i,%i) mode', (m, n, chi) => {
  expect(outsideAirFactor(m, n)).toBeCloseTo(chi, 3)
})

/** Computed apart from this code by a finer model (several radial shapes a mode): N/m with air, other head still. */
test.each([
  [12, 8, [7, 7], 180, 1284],
  [14, 6.5, [10], 265, 3176],
  [16, 14, [7, 7], 120, 1087],
  [22, 16, [10], 80, 818],
])('tension of a %f x %f at %p mil, %f Hz', (diameterInches, depthInches, pliesMils, hz, tension) => {
  const head = { diameterInches, pliesMils, space: { depthInches } }
  const found = tensionFromLugHz(head, hz)
  expect(Math.abs(found / tension - 1)).toBeLessThan(0.003)
  expect(modeHz(head, LUG_MODE, found)).toBeCloseTo(hz, 4)
  expect(loadPerRod(found, diameterInches, 8)).toBeCloseTo((found * Math.PI * diameterInches * 0.0254) / 8, 9)
})

function pairOf(
  diameterInches: number,
  depthInches: number,
  films: [number[], number[]],
  batterHz: number,
  aboveCents: number,
) {
  const space = { depthInches }
  const head = (pliesMils: number[], hz: number) => ({
    pliesMils,
    tension: tensionFromLugHz({ diameterInches, pliesMils, space }, hz),
  })
  const batter = head(films[0], batterHz)
  const resonant = head(films[1], batterHz * 2 ** (aboveCents / 1200))
  const modes = (i: number) => coupledModes({ diameterInches, depthInches }, MODE_SHAPES[i], batter, resonant)
  return { ratio: batterHz / modes(0)[0].hz, edge: modes(1).map((mode) => mode.hz) }
}

/** Edge-to-centre ratios by the finer model, batter lug over the drum's lowest pitch. */
test.each([
  ['12x8', 12, 8, [7, 7], [10], 180, [1.723, 1.555, 1.509, 1.431]],
  ['14x6.5', 14, 6.5, [10], [3], 265, [1.717, 1.569, 1.526, 1.451]],
])(
  'edge to centre of a %s, resonant alike, a third, a fourth, a fifth above',
  (_, d, h, batter, resonant, hz, ratios) => {
    ;[0, 386, 498, 702].forEach((cents, i) => {
      expect(Math.abs(pairOf(d, h, [batter, resonant], hz, cents).ratio - ratios[i])).toBeLessThan(0.006)
    })
  },
)

/** The two heads' edge modes push each other apart when alike, and hardly when a third apart; same finer model. */
test('edge modes of two free heads', () => {
  const alike = pairOf(12, 8, [[7, 7], [10]], 180, 0).edge
  expect(alike[0]).toBeCloseTo(177.9, 0)
  expect(alike[1]).toBeCloseTo(182.1, 0)
  const snare = pairOf(14, 6.5, [[10], [3]], 265, 0).edge
  expect(snare[0]).toBeCloseTo(252.8, -0.3)
  expect(Math.abs(centsBetween(180, pairOf(12, 8, [[7, 7], [10]], 180, 386).edge[0]))).toBeLessThan(3)
})

/** Common practice, no source: one turn of every rod, 353 to 396 Hz and 144 to 228 Hz on two 14 inch heads. */
test('the turn law and its two measured cases', () => {
  const thin = turnLawFrom(353, 396, 1)
  const thick = turnLawFrom(144, 228, 1)
  expect(thin).toBeCloseTo(32_207, 0)
  expect(thick).toBeCloseTo(31_248, 0)
  const { mean } = turnLawPrior(14)
  expect(Math.abs(mean - (thin + thick) / 2)).toBeLessThan(200)
  expect(lugHzAfterTurns(353, 1, mean)).toBeCloseTo(396, -0.5)
  expect(lugHzAfterTurns(144, 1, mean)).toBeCloseTo(228, -0.5)
  expect(turnsBetween(144, 228, thick)).toBeCloseTo(1, 9)
})

/** Common practice, no source: three quarters of a turn from slack on a 22 near 84 Hz, one turn on a 24 near 86 Hz. */
test('kicks from slack', () => {
  expect(lugHzAfterTurns(0, 0.75, turnLawPrior(22).mean)).toBeCloseTo(84, 0)
  expect(lugHzAfterTurns(0, 1, turnLawPrior(24).mean)).toBeCloseTo(86, 0)
})

test('stiff hoops answer a pattern less, and so do five lugs', () => {
  expect(secondAnswerPrior('die-cast', 8).mean).toBeLessThan(secondAnswerPrior('triple-flanged', 8).mean)
  expect(secondAnswerPrior('wood', 5).mean).toBeCloseTo(0.9 * secondAnswerPrior('wood', 6).mean, 12)
})

/** Abramowitz & Stegun, table 25.4, five points, from memory; and exact for polynomials up to degree 2 n - 1. */
test('points and weights of the integral over the radius are those of the table', () => {
  const points = gaussLegendre(5)
  expect(points.map(({ x }) => x)).toEqual(
    [0.906179845938664, 0.538469310105683, 0, -0.538469310105683, -0.906179845938664].map((x) =>
      expect.closeTo(x, 12),
    ),
  )
  expect(points.map(({ w }) => w)).toEqual(
    [0.236926885056189, 0.478628670499366, 0.568888888888889, 0.478628670499366, 0.236926885056189].map((w) =>
      expect.closeTo(w, 12),
    ),
  )
  for (let degree = 0; degree < 10; degree++) {
    const sum = points.reduce((all, { x, w }) => all + w * x ** degree, 0)
    expect(sum).toBeCloseTo(degree % 2 ? 0 : 2 / (degree + 1), 12)
  }
})
