import fc from 'fast-check'
import { fisherDescend } from './fisher'
import { choleskySolve, cholesky, invertSymmetric } from './linear'

const three = (most: number) =>
  fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -most, max: most, noNaN: true })))

/** Half the squares of A x - b, whose lowest point is that of the normal equations whatever else is done. */
function linear(rows: number[][], b: number[]) {
  const misses = (x: ArrayLike<number>) => rows.map((row, i) => row.reduce((s, a, j) => s + a * x[j], -b[i]))
  const information = new Float64Array(9)
  for (const row of rows) row.forEach((a, i) => row.forEach((c, j) => (information[3 * i + j] += a * c)))
  const right = [0, 1, 2].map((j) => rows.reduce((sum, row, i) => sum + row[j] * b[i], 0))
  const value = (x: ArrayLike<number>) => misses(x).reduce((sum, m) => sum + (m * m) / 2, 0)
  return { value, information, right }
}

test('on a linear problem the descent ends where the normal equations do, with their covariance', () => {
  fc.assert(
    fc.property(
      fc.array(three(3), { minLength: 6, maxLength: 8 }),
      three(5),
      three(4),
      (rows, truth, start) => {
        // Well posed: each of the three is seen by a row of its own as well.
        const all = [...rows, [4, 0, 0], [0, 4, 0], [0, 0, 4]]
        const b = all.map((row, i) => row.reduce((sum, a, j) => sum + a * truth[j], 0.1 * Math.sin(i)))
        const { value, information, right } = linear(all, b)
        const found = fisherDescend(value, (x) => ({ value: value(x), information }), start, 1e-6)!
        const wanted = choleskySolve(cholesky(information, 3)!, right, 3)
        expect(found.value - value(wanted)).toBeLessThan(1e-3)
        expect([...found.p]).toEqual([...invertSymmetric(information, 3)!])
      },
    ),
  )
})

test('from the lowest point it does not go away, and a problem that says nothing of one number is no answer', () => {
  const { value, information, right } = linear([[2, 0, 0], [0, 1, 1], [0, 1, -1]], [1, 2, 3]) // prettier-ignore
  const lowest = choleskySolve(cholesky(information, 3)!, right, 3)
  const found = fisherDescend(value, (x) => ({ value: value(x), information }), lowest, 1e-6)!
  found.x.forEach((x, i) => expect(x).toBeCloseTo(lowest[i], 4))
  const blind = linear([[1, 0, 0], [0, 1, 0]], [1, 1]) // prettier-ignore
  const scored = (x: ArrayLike<number>) => ({ value: blind.value(x), information: blind.information })
  expect(fisherDescend(blind.value, scored, [5, 5, 5], 1e-6)).toBeNull()
})
