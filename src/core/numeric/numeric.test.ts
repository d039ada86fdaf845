import fc from 'fast-check'
import { filterAndDecimate, lowPassTaps } from './filters'
import { cholesky, choleskySolve, invertSymmetric } from './linear'
import { logNormalDensity, normalCdf } from './normal'
import { seededRandom } from './random'

/** Source: Abramowitz & Stegun, table 26.1. */
test.each([
  [0, 0.5],
  [1, 0.8413447461],
  [1.96, 0.9750021049],
  [-2, 0.0227501319],
])('normal distribution at %f', (x, p) => {
  expect(normalCdf(x)).toBeCloseTo(p, 6)
})

test('the density is the slope of the distribution', () => {
  const h = 1e-3
  const slope = (normalCdf(0.7 + h) - normalCdf(0.7 - h)) / (2 * h)
  expect(Math.exp(logNormalDensity(0.7, 1))).toBeCloseTo(slope, 3)
})

test('a symmetric system solves back to its right side', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 16, maxLength: 16 }),
      (entries) => {
        const n = 4
        const a = new Float64Array(n * n)
        for (let i = 0; i < n; i++) {
          for (let j = 0; j < n; j++) {
            for (let k = 0; k < n; k++) a[i * n + j] += entries[i * n + k] * entries[j * n + k]
          }
          a[i * n + i] += 1
        }
        const b = [1, -2, 3, 0.5]
        const x = choleskySolve(cholesky(a, n)!, b, n)
        const inverse = invertSymmetric(a, n)!
        for (let i = 0; i < n; i++) {
          let back = 0
          let byInverse = 0
          for (let j = 0; j < n; j++) {
            back += a[i * n + j] * x[j]
            byInverse += inverse[i * n + j] * b[j]
          }
          expect(back).toBeCloseTo(b[i], 8)
          expect(byInverse).toBeCloseTo(x[i], 8)
        }
      },
    ),
  )
  expect(cholesky(Float64Array.of(1, 2, 2, 1), 2)).toBeNull()
})

test('the low-pass passes what it should, stops what it should, and adds no delay', () => {
  const rate = 48_000
  const taps = lowPassTaps(rate, 760, 1240, 80)
  const gain = (hz: number) => {
    const wave = Float64Array.from({ length: 8000 }, (_, i) => Math.sin((2 * Math.PI * hz * i) / rate))
    const out = filterAndDecimate(wave, taps, 24)
    let worst = 0
    let top = 0
    for (let k = 60; k < out.length - 60; k++) {
      worst = Math.max(worst, Math.abs(out[k] - wave[k * 24]))
      top = Math.max(top, Math.abs(out[k]))
    }
    return { worst, top }
  }
  for (const hz of [40, 234, 700]) expect(gain(hz).worst).toBeLessThan(2e-3)
  for (const hz of [1300, 3000, 9000]) expect(gain(hz).top).toBeLessThan(3e-4)
})

test('random numbers are seeded, and normal as they claim', () => {
  const draw = (seed: number) =>
    Array.from(
      { length: 4000 },
      (
        (random) => () =>
          random.normal()
      )(seededRandom(seed)),
    )
  const a = draw(5)
  expect(draw(5)).toEqual(a)
  expect(draw(6)).not.toEqual(a)
  const mean = a.reduce((sum, x) => sum + x, 0) / a.length
  const sd = Math.sqrt(a.reduce((sum, x) => sum + (x - mean) ** 2, 0) / a.length)
  expect(Math.abs(mean)).toBeLessThan(0.06)
  expect(Math.abs(sd - 1)).toBeLessThan(0.05)
})
