import { rootBetween } from './root'

test.each([
  [(x: number) => x ** 3 - 2, 0, 2, 2 ** (1 / 3)],
  [(x: number) => Math.cos(x) - x, 0, 1, 0.7390851332151607],
  [(x: number) => Math.exp(x) - 1e-3, -20, 5, Math.log(1e-3)],
])('a root between two signs, to a hair', (at, low, high, root) => {
  expect(rootBetween(at, [low, high], [at(low), at(high)])).toBeCloseTo(root, 6)
})

test('where both ends have one sign the nearer end is answered', () => {
  expect(rootBetween((x) => x + 1, [0, 5], [1, 6])).toBe(0)
})
