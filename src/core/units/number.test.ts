import fc from 'fast-check'
import { parseNumber } from './number'
import { parsePitch } from './pitch'

test.each([
  ['219.8', 219.8],
  ['219,8', 219.8],
  [' 219.8 ', 219.8],
  ['２１９．８', 219.8],
  ['٢١٩٫٨', 219.8],
  ['۲۱۹٫۸', 219.8],
  ['२१९.८', 219.8],
  ['-3', -3],
  ['−3', -3],
  ['.5', 0.5],
  ['5.', 5],
])('%s is a number', (text, value) => expect(parseNumber(text)).toBe(value))

test.each(['0x64', '1e3', '', ' ', '-', '.', '1.2.3', '12 34', 'Infinity', 'NaN', '1_000', '½', '²', 'A3'])(
  '"%s" is none',
  (text) => expect(parseNumber(text)).toBeNull(),
)

test('any number that prints plainly is read back, in any script', () => {
  const zeros = [0x30, 0x660, 0x6f0, 0x966, 0x9e6, 0xff10]
  fc.assert(
    fc.property(fc.integer({ min: -99_999, max: 99_999 }), fc.constantFrom(...zeros), (tenths, zero) => {
      const text = (tenths / 10).toFixed(1).replace(/\d/g, (d) => String.fromCodePoint(zero + Number(d)))
      expect(parseNumber(text)).toBeCloseTo(tenths / 10, 9)
    }),
  )
})

test('a pitch is read the same way', () => {
  expect(parsePitch('219,8')).toBe(219.8)
  expect(parsePitch('２１９．８ Hz')).toBe(219.8)
  expect(parsePitch('٢١٩٫٨')).toBe(219.8)
  expect(parsePitch('0x64')).toBeNull()
})
