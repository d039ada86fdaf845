import fc from 'fast-check'
import { seededRandom } from '@/core/numeric/random'
import { codePart, fromCodes, toCodes } from './codes'

const PAGE = 'https://192.168.1.20:3443/share'
const partsOf = (codes: string[]) => codes.map((code) => codePart(new URL(code).hash)!)

test('a text goes through a chain of codes, whatever order they are read in', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 6000 }), fc.integer(), (text, seed) => {
      const parts = partsOf(toCodes(`x${text}`, PAGE, 'abc'))
      const mixed = [...parts].sort((a, b) => ((a.at * seed) % 7) - ((b.at * seed) % 7))
      expect(fromCodes(mixed)).toBe(`x${text}`)
    }),
    { numRuns: 30 },
  )
})

test('a chain with a part missing, or damaged, is none; an address without a part neither', () => {
  // Nothing that repeats, so that it does not become short.
  const random = seededRandom(3)
  const long = Array.from({ length: 3000 }, () =>
    String.fromCharCode(33 + Math.floor(90 * random.uniform())),
  ).join('')
  const codes = toCodes(long, PAGE, 'abc')
  expect(codes.length).toBeGreaterThan(2)
  expect(fromCodes(partsOf(codes.slice(1)))).toBeNull()
  expect(fromCodes([{ chain: 'abc', at: 1, of: 1, data: '____' }])).toBeNull()
  expect(fromCodes([])).toBeNull()
  for (const hash of ['', '#c=', '#c=a.1.x.y', '#other']) expect(codePart(hash)).toBeNull()
})
