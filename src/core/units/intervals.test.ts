import fc from 'fast-check'
import { INTERVALS, intervalText, nearestInterval, parseInterval } from './intervals'

test.each([
  ['fourth', 500],
  ['a fourth above', 500],
  ['maj third', 400],
  ['major third', 400],
  ['third', 400],
  ['a minor third below', -300],
  ['min. third down', -300],
  ['octave', 1200],
  ['an octave below', -1200],
  ['alike', 0],
  ['fourth -12 c', 488],
  ['fifth + 2', 702],
  ['-300', -300],
  ['498 c', 498],
  ['386,31 cents', 386.31],
  ['200 below', -200],
  ['whole step', 200],
])('a relation as people write it: %s', (text, cents) => {
  expect(parseInterval(text)).toBeCloseTo(cents, 9)
})

test.each(['', 'fort', 'a nice one', '3000', 'third and a half'])('no relation: "%s"', (text) => {
  expect(parseInterval(text)).toBeNull()
})

test('what is shown of an interval is read as that interval again', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1149 }), (cents) => {
      expect(parseInterval(intervalText(cents, 'name'))).toBe(cents)
      const { interval, off } = nearestInterval(cents)
      expect(interval.cents + off).toBe(cents)
      expect(Math.abs(off)).toBeLessThanOrEqual(50)
    }),
  )
  expect(INTERVALS.map(({ cents }) => cents)).toEqual(INTERVALS.map((_, i) => 100 * i))
})
