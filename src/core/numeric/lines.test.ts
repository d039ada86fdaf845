import fc from 'fast-check'
import FFT from 'fft.js'
import { powerAt } from './lines'

test('at the bins of a transform it is that transform (fft.js)', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 64, maxLength: 64 }),
      fc.integer({ min: 0, max: 32 }),
      (values, bin) => {
        const fft = new FFT(64)
        const out = fft.createComplexArray() as number[]
        fft.realTransform(out, values)
        const power = out[2 * bin] ** 2 + out[2 * bin + 1] ** 2
        expect(powerAt(Float64Array.from(values), 640, 10 * bin)).toBeCloseTo(power, 8)
      },
    ),
  )
})

test('a sinusoid between the bins has the power of its own amplitude', () => {
  const samples = Float64Array.from(
    { length: 2000 },
    (_, i) => 0.3 * Math.cos((2 * Math.PI * 131.7 * i) / 2000),
  )
  expect((2 * Math.sqrt(powerAt(samples, 2000, 131.7))) / samples.length).toBeCloseTo(0.3, 3)
  expect(powerAt(samples, 2000, 300)).toBeLessThan(1e-3 * powerAt(samples, 2000, 131.7))
})
