import { combineReadings } from './combine'

// Worked by hand from the rule as its docstring says it: errors of 1 cent beside the finger's 1 cent, and so on.
const at = (cents: number, errorCents: number) => {
  const hz = 200 * 2 ** (cents / 1200)
  return { hz, standardErrorHz: (hz * errorCents) / 1731.2 }
}

test.each([
  ['sure readings part at 4 cents, however sure', 3.8, 0, 4.2],
  // 1.96 sqrt(2 (3^2 + 1^2)) = 8.77 cents
  ['readings known to 3 cents part at 8.77', 8.6, 3, 8.9],
])('%s', (_name, near, errorCents, far) => {
  expect(combineReadings([at(near, errorCents), at(0, errorCents)])!.leftOut).toEqual([])
  expect(combineReadings([at(far, errorCents), at(0, errorCents)])!.leftOut).toEqual([0])
})

test('perfect readings of one lug are known to what finger and stroke leave: a cent over the square root of their number', () => {
  const four = combineReadings([at(0, 0), at(0, 0), at(0, 0), at(0, 0)])!
  expect((1731.2 * four.standardErrorHz) / four.hz).toBeCloseTo(0.5, 6)
})
