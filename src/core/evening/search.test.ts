import fc from 'fast-check'
import { startingBelief } from '../head/belief'
import { COSINE, MEAN, SINE, TURN_LAW } from '../head/kalman'
import { passCost, workCost, type Lean, type TargetPattern } from './cost'
import { searchTurns, type SearchLimits } from './search'

const LUGS = 6
const Q = 1 / 32

/** A belief of a 12 inch head near 180 Hz, with some unevenness, sure of it. */
function belief(offCents: number, cosineCents: number, sineCents: number) {
  const head = {
    ...{ side: 'batter' as const, diameterInches: 12, lugs: LUGS, hoop: 'triple-flanged' as const },
    ...{ threadPitchMm: 1.058, pliesMils: [10] },
  }
  const mean = (180 * 2 ** (offCents / 1200)) ** 2
  const start = startingBelief(head, undefined, mean, 0.01)
  start.x[COSINE] = (2 * mean * cosineCents) / 1731.2
  start.x[SINE] = (2 * mean * sineCents) / 1731.2
  for (const at of [MEAN, COSINE, SINE]) start.p[at * 6] = (0.002 * mean) ** 2
  return start
}

/** Every way to turn three pairs in whole steps, one rod of a pair alone included. */
function bruteForce(cost: (turns: readonly number[]) => number, most: number): number {
  let best = Infinity
  const steps = Math.round(most / Q)
  const options: Array<[number, number]> = []
  for (let a = -steps; a <= steps; a++) options.push([a * Q, a * Q])
  options.push([Q, 0], [0, Q], [-Q, 0], [0, -Q])
  for (const x of options)
    for (const y of options)
      for (const z of options) {
        const turns = [x[0], y[0], z[0], x[1], y[1], z[1]]
        best = Math.min(best, cost(turns))
      }
  return best
}

/** What a pass costs by the head and by the hand. */
function wholeCost(state: ReturnType<typeof belief>, lean: Lean, target: TargetPattern, tolerance: number) {
  const { cost } = passCost(state, target, LUGS, lean, 0.38)
  const work = workCost(state, target, LUGS, tolerance, 0.38)
  return (turns: readonly number[]) => cost(turns) + work(turns)
}

test('the search finds what a brute force finds, on heads of any unevenness', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -25, max: 25, noNaN: true }),
      fc.double({ min: -30, max: 30, noNaN: true }),
      fc.double({ min: -30, max: 30, noNaN: true }),
      (off, cosine, sine) => {
        const state = belief(off, cosine, sine)
        const none = new Array<number>(LUGS).fill(0)
        const lean = { turns: none, wanted: false }
        const target = { mean: 180 ** 2, cosine: 0, sine: 0 }
        const cost = wholeCost(state, lean, target, 8)
        const most = 4 * Q
        const limits: SearchLimits = {
          lowest: none.map(() => -most),
          highest: none.map(() => most),
          ...{ quantumTurns: Q, singles: true, turnedSoFar: none },
        }
        const found = cost(searchTurns(LUGS, cost, limits))
        const best = bruteForce(cost, most)
        expect(found).toBeLessThanOrEqual(best * 1.02 + 0.2)
      },
    ),
    { numRuns: 25, seed: 8 },
  )
})

test('the cost: off pitch and uneven cost, a rod turned costs a hand and time, loosening a little more', () => {
  const lean = { turns: new Array<number>(LUGS).fill(0), wanted: false }
  const target = { mean: 180 ** 2, cosine: 0, sine: 0 }
  const costOf = (state: ReturnType<typeof belief>, tolerance = 8) =>
    wholeCost(state, lean, target, tolerance)
  const none = new Array<number>(LUGS).fill(0)
  // 20 cents off is 400 squared cents; a wave of 20 costs three times that.
  expect(costOf(belief(20, 0, 0))(none) / 400).toBeCloseTo(1, 1)
  expect(costOf(belief(0, 20, 0))(none) / costOf(belief(20, 0, 0))(none)).toBeCloseTo(2.95, 1)
  const still = costOf(belief(0, 0, 0))
  const up = [Q, 0, 0, 0, 0, 0]
  const down = up.map((turn) => -turn)
  expect(still(up)).toBeGreaterThan(still(none))
  expect(still(down) - still(up)).toBeGreaterThan(0)
  expect(still(down) - still(up)).toBeLessThan(still(up) - still(none))
  // A tolerance that is coarser than a hand makes a rod no dearer.
  expect(costOf(belief(0, 0, 0), 15)(up)).toBeCloseTo(costOf(belief(0, 0, 0), 6)(up), 6)
  expect(costOf(belief(0, 0, 0), 3)(up)).toBeLessThan(costOf(belief(0, 0, 0), 6)(up))
})

test('an answer to uneven turns that seems far too small is not believed: turns would be too large', () => {
  const lean = { turns: new Array<number>(LUGS).fill(0), wanted: false }
  const shy = belief(0, 15, 0)
  shy.x[4] = 0.05 * shy.x[TURN_LAW]
  const { predict } = passCost(shy, { mean: 180 ** 2, cosine: 0, sine: 0 }, LUGS, lean, 0.38)
  const turns = [Q, 0, 0, Q, 0, 0]
  const answered = predict(turns).cosine - predict(new Array<number>(LUGS).fill(0)).cosine
  // At least 0.6 of the usual 0.38.
  expect(answered / ((shy.x[TURN_LAW] * 2 * 2 * Q) / LUGS)).toBeCloseTo(0.6 * 0.38, 6)
})
