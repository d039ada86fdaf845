import fc from 'fast-check'
import { descend, type Point } from './descend'

const number = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const BOX = { low: [-1, -1] as Point, high: [1, 1] as Point }

test('two misses that can both be made nothing are, or the nearest place within the box is taken', () => {
  fc.assert(
    fc.property(number(1), number(1), number(2), number(2), number(0.9), number(0.9), (a, b, x, y, s, t) => {
      // Slopes far from parallel, as the two wishes of a drum are; what is wanted may lie outside the box.
      const misses = ([u, v]: Point): Point => [
        2 * (u - x) + 0.5 * a * (v - y),
        0.5 * b * (u - x) + 2 * (v - y),
      ]
      const at = descend([s, t], misses, BOX)
      const size = (place: Point) => Math.hypot(...misses(place))
      for (const each of at) expect(Math.abs(each)).toBeLessThanOrEqual(1)
      if (Math.abs(x) < 1 && Math.abs(y) < 1) expect(size(at)).toBeLessThan(1e-3)
      // A plain search over the whole box finds nothing better.
      let least = Infinity
      for (let i = -50; i <= 50; i++)
        for (let k = -50; k <= 50; k++) least = Math.min(least, size([i / 50, k / 50]))
      expect(size(at)).toBeLessThanOrEqual(least + 1e-3)
    }),
    { numRuns: 40 },
  )
})

test('it ends where nothing helps, and from a start outside the box it comes back into it', () => {
  expect(descend([0.3, 0.4], () => [1, 1], BOX)).toEqual([0.3, 0.4])
  expect(descend([7, -7], ([u, v]) => [u - 0.5, v + 0.5], BOX)).toEqual([
    expect.closeTo(0.5, 3),
    expect.closeTo(-0.5, 3),
  ])
})
