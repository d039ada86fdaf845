import fc from 'fast-check'
import { filterAndDecimate, highPass } from './filters'

const anySamples = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 1, maxLength: 60 })
const anyTaps = fc
  .array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 1, maxLength: 12 })
  .map((half) => Float64Array.from([...half, ...half.slice(0, -1).reverse()]))

/** The sum as Oppenheim & Schafer, *Discrete-Time Signal Processing*, section 2.3, write it, term by term. */
test('filtering and decimating is the convolution sum, kept at every so-manieth sample', () => {
  fc.assert(
    fc.property(anySamples, anyTaps, fc.integer({ min: 1, max: 7 }), (samples, taps, factor) => {
      const half = (taps.length - 1) / 2
      const out = filterAndDecimate(samples, taps, factor)
      expect(out.length).toBe(Math.ceil(samples.length / factor))
      out.forEach((value, k) => {
        const sum = taps.reduce((all, tap, i) => all + tap * (samples[k * factor + i - half] ?? 0), 0)
        expect(value).toBeCloseTo(sum, 12)
      })
    }),
  )
})

/** Fourth-order Butterworth by the bilinear transform: |H|^2 = 1 / (1 + (tan wc / tan w)^8) (section 7.2). */
test.each([20, 60, 100, 200, 400, 2000])(
  'the high pass at 100 Hz lets through of %d Hz what it should',
  (hz) => {
    const rateHz = 16_000
    const seconds = 1.5
    const wave = Float64Array.from({ length: seconds * rateHz }, (_, i) =>
      Math.sin((2 * Math.PI * hz * i) / rateHz),
    )
    const out = highPass(wave, rateHz, 100)
    // Whole periods, once the filter has settled.
    const from = 0.5 * rateHz
    const power = (all: Float64Array) => all.subarray(from).reduce((sum, x) => sum + x * x, 0)
    const warped = (f: number) => Math.tan((Math.PI * f) / rateHz)
    const wanted = 1 / (1 + (warped(100) / warped(hz)) ** 8)
    expect(Math.abs(power(out) / power(wave) / wanted - 1)).toBeLessThan(0.01)
  },
)
