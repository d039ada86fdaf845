import fc from 'fast-check'
import { Matrix, inverse } from 'ml-matrix'
import { observed, varianceOf, type Gaussian } from './gaussian'

const SIZE = 3
const numbers = (length: number) =>
  fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: length, maxLength: length })

/** A belief with a covariance that is one: A A^T and a little more. */
const believed = fc.tuple(numbers(SIZE), numbers(SIZE * SIZE)).map(([x, a]): Gaussian => {
  const root = Matrix.from1DArray(SIZE, SIZE, a)
  const p = root.mmul(root.transpose()).add(Matrix.eye(SIZE, SIZE, 0.3))
  return { x: Float64Array.from(x), p: Float64Array.from(p.to1DArray()) }
})

test('one observation is what the information form says: the inverse covariances add up', () => {
  fc.assert(
    fc.property(
      believed,
      numbers(SIZE),
      fc.double({ min: 0.1, max: 4, noNaN: true }),
      (before, row, variance) => {
        const value = 1.7
        const after = observed(before, row, value, variance)
        const prior = inverse(Matrix.from1DArray(SIZE, SIZE, [...before.p]))
        const seen = Matrix.columnVector(row)
        const information = Matrix.add(prior, seen.mmul(seen.transpose()).div(variance))
        const p = inverse(information)
        const mean = p.mmul(
          Matrix.add(prior.mmul(Matrix.columnVector([...before.x])), Matrix.mul(seen, value / variance)),
        )
        mean.to1DArray().forEach((x, i) => expect(after.x[i]).toBeCloseTo(x, 6))
        p.to1DArray().forEach((each, i) => expect(after.p[i]).toBeCloseTo(each, 6))
        expect(varianceOf(after, row)).toBeLessThanOrEqual(varianceOf(before, row) + 1e-9)
      },
    ),
  )
})
