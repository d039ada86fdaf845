import fc from 'fast-check'
import { orderSteps, stepsLeft } from './order'
import { shareWithinPairs } from './share'

const limits = {
  lowest: new Array<number>(8).fill(-0.5),
  highest: new Array<number>(8).fill(0.5),
  ...{ quantumTurns: 1 / 32, singles: true, turnedSoFar: new Array<number>(8).fill(0) },
}

test('what a pair turns together stays; the looser rod takes more, and nothing comes down on the way up', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 4, maxLength: 4 }),
      fc.array(fc.double({ min: -0.3, max: 0.3, noNaN: true }), { minLength: 8, maxLength: 8 }),
      (steps, lean) => {
        const turns = [...steps, ...steps].map((step) => step / 32)
        const shared = shareWithinPairs(turns, { turns: lean, wanted: false }, limits)
        for (let a = 0; a < 4; a++) {
          expect(shared[a] + shared[a + 4]).toBeCloseTo(turns[a] + turns[a + 4], 9)
          if (turns[a] > 0) expect(Math.min(shared[a], shared[a + 4])).toBeGreaterThanOrEqual(-1e-9)
          expect(Math.max(shared[a], shared[a + 4])).toBeLessThanOrEqual(0.5 + 1e-9)
          if (Math.abs(lean[a] - lean[a + 4]) > 0.06 && turns[a] > 0) {
            expect((shared[a] - shared[a + 4]) * (lean[a] - lean[a + 4])).toBeLessThanOrEqual(1e-9)
          }
        }
      },
    ),
  )
})

test('an odd number of rods has no pairs to share in', () => {
  const five = { ...limits, lowest: limits.lowest.slice(0, 5), highest: limits.highest.slice(0, 5) }
  const turns = [0.1, 0, 0, 0.1, 0]
  expect(shareWithinPairs(turns, { turns: [0.3, 0, 0, 0, 0], wanted: false }, five)).toEqual(turns)
})

test('moves keep their order within a pass; a turn of the user’s own orders the rest anew', () => {
  const turns = [0.25, 0.0625, 0.125, 0, 0.25, 0.0625, 0.125, 0]
  const all = orderSteps(turns, 2)
  expect(stepsLeft(turns, null, 2)).toEqual(all)
  const made = new Array<number>(8).fill(0)
  all[0].rods.forEach((rod, i) => (made[rod - 1] = all[0].turns[i]))
  expect(stepsLeft(turns, made, 2)).toEqual(all.slice(1))
  const own = [...made]
  own[3] = 0.03125
  const left = stepsLeft(turns, own, 2)
  const total = new Array<number>(8).fill(0)
  left.forEach((step) => step.rods.forEach((rod, i) => (total[rod - 1] += step.turns[i])))
  total.forEach((turn, i) => expect(turn + own[i]).toBeCloseTo(turns[i], 9))
})
