import fc from 'fast-check'
import { quantise, STANDARD_THREAD_MM, threadPitchMm, travelMm, turnFraction } from './turns'

/** Source: ASME B1.1, unified inch threads: 12-24 has 24 threads to the inch of 25.4 mm. */
test('a turn of a 12-24 rod moves the hoop 1.058 mm', () => {
  expect(STANDARD_THREAD_MM).toBeCloseTo(1.0583, 4)
  expect(threadPitchMm(24)).toBe(STANDARD_THREAD_MM)
  expect(travelMm(0.5)).toBeCloseTo(0.529, 3)
})

test.each([
  [0.125, { whole: 0, numerator: 1, denominator: 8 }],
  [-0.375, { whole: 0, numerator: 3, denominator: 8 }],
  [1.25, { whole: 1, numerator: 1, denominator: 4 }],
  [1, { whole: 1, numerator: 0, denominator: 1 }],
  [1 / 32, { whole: 0, numerator: 1, denominator: 32 }],
])('%f of a turn as a fraction', (turns, fraction) => {
  expect(turnFraction(turns)).toEqual(fraction)
})

test('a quantised turn is whole in its steps, and its fraction says the same size', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -2, max: 2, noNaN: true }),
      fc.constantFrom(1 / 8, 1 / 16, 1 / 32),
      (turns, step) => {
        const rounded = quantise(turns, step)
        expect(Math.abs(rounded - turns)).toBeLessThanOrEqual(step / 2 + 1e-12)
        const { whole, numerator, denominator } = turnFraction(rounded)
        expect(whole + numerator / denominator).toBeCloseTo(Math.abs(rounded), 12)
      },
    ),
  )
})
