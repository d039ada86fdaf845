import fc from 'fast-check'
import { fromBase64, toBase64 } from './base64'

test('any bytes come back as they were, and the text is plain base64', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 400 }), (bytes) => {
      const text = toBase64(bytes)
      expect(text).toBe(Buffer.from(bytes).toString('base64'))
      expect(fromBase64(text)).toEqual(bytes)
    }),
  )
  const long = Uint8Array.from({ length: 100_000 }, (_, i) => i % 251)
  expect(fromBase64(toBase64(long))).toEqual(long)
})
