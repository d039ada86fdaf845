import { BESSEL_PRIME_ZEROS, BESSEL_ZEROS } from '@ref/bessel-zeros'
import { besselJ, besselJPrime, besselPrimeZeros, besselZeros } from './bessel'

/** Source: Abramowitz & Stegun, table 9.5. */
test.each(BESSEL_ZEROS)('zero j_$m$n', ({ m, n, zero }) => {
  const digits = zero.toString().split('.')[1].length
  expect(besselZeros(m, n)[n - 1]).toBeCloseTo(zero, Math.min(9, digits))
})

test.each(BESSEL_PRIME_ZEROS)("zero j'_$m$n", ({ m, n, zero }) => {
  expect(besselPrimeZeros(m, n)[n - 1]).toBeCloseTo(zero, 4)
})

/** Recurrences: Abramowitz & Stegun 9.1.27. */
test('the recurrences hold', () => {
  for (const x of [0.3, 2, 7.5, 20, 45]) {
    for (const m of [1, 2, 3]) {
      expect(besselJ(m - 1, x) + besselJ(m + 1, x)).toBeCloseTo(((2 * m) / x) * besselJ(m, x), 12)
    }
    const h = 1e-5
    expect(besselJPrime(2, x)).toBeCloseTo((besselJ(2, x + h) - besselJ(2, x - h)) / (2 * h), 8)
  }
})
