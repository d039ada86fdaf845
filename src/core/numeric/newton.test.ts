import fc from 'fast-check'
import { newtonDescend } from './newton'

test('a quadratic bowl is found in its place, with the inverse of its curvature', () => {
  const place = fc.double({ min: -50, max: 50, noNaN: true })
  fc.assert(
    fc.property(place, place, place, (a, b, c) => {
      const bowl = (x: readonly number[]) =>
        0.5 * ((x[0] - a) ** 2 + 4 * (x[1] - b) ** 2 + 2 * (x[2] - c) ** 2 + (x[0] - a) * (x[2] - c))
      const { x, p } = newtonDescend(bowl, [0, 0, 0], 0.3)
      ;[a, b, c].forEach((wanted, i) => expect(Math.abs(x[i] - wanted)).toBeLessThan(0.05))
      // Hessian [[1, 0, 1/2], [0, 4, 0], [1/2, 0, 2]].
      expect(p![4]).toBeCloseTo(1 / 4, 4)
      expect(p![0]).toBeCloseTo(2 / 1.75, 3)
      expect(p![2]).toBeCloseTo(-0.5 / 1.75, 3)
    }),
    { numRuns: 40 },
  )
})

test('a bent valley goes down, and a ridge has no error', () => {
  const valley = (x: readonly number[]) => (1 - x[0]) ** 2 + 20 * (x[1] - x[0] ** 2) ** 2 + x[2] ** 2
  const { value } = newtonDescend(valley, [-0.5, 1, 1], 0.02)
  expect(value).toBeLessThan(0.5 * valley([-0.5, 1, 1]))
  const ridge = (x: readonly number[]) => -(x[0] ** 2) + x[1] ** 2 + x[2] ** 2
  expect(newtonDescend(ridge, [0, 0, 0], 0.1).p).toBeNull()
})
