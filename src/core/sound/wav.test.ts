import fc from 'fast-check'
import { decodeWav, encodeWav, toMono, type Sound } from './wav'

const ok = (bytes: Uint8Array): Sound => {
  const result = decodeWav(bytes)
  if (!result.ok) throw new Error(result.why)
  return result.sound
}
const why = (bytes: Uint8Array): string => {
  const result = decodeWav(bytes)
  return result.ok ? '' : result.why
}

/** A WAV file written by hand after the format's 1991 description, for every kind of sample. */
function wav(
  tag: number,
  bits: number,
  rateHz: number,
  frames: number[][],
  extra: { extensible?: boolean } = {},
): Uint8Array {
  const channels = frames[0].length
  const bytesEach = bits / 8
  const formatSize = extra.extensible ? 40 : 16
  const dataSize = frames.length * channels * bytesEach
  const bytes = new Uint8Array(28 + formatSize + dataSize)
  const view = new DataView(bytes.buffer)
  const text = (at: number, word: string) =>
    [...word].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)))
  text(0, 'RIFF')
  view.setUint32(4, bytes.length - 8, true)
  text(8, 'WAVEfmt ')
  view.setUint32(16, formatSize, true)
  view.setUint16(20, extra.extensible ? 0xfffe : tag, true)
  view.setUint16(22, channels, true)
  view.setUint32(24, rateHz, true)
  view.setUint32(28, rateHz * channels * bytesEach, true)
  view.setUint16(32, channels * bytesEach, true)
  view.setUint16(34, bits, true)
  if (extra.extensible) view.setUint16(44, tag, true)
  text(20 + formatSize, 'data')
  view.setUint32(24 + formatSize, dataSize, true)
  let at = 28 + formatSize
  for (const frame of frames) {
    for (const x of frame) {
      if (tag === 3 && bits === 32) view.setFloat32(at, x, true)
      else if (tag === 3) view.setFloat64(at, x, true)
      else if (bits === 8) view.setUint8(at, Math.round(x * 127) + 128)
      else if (bits === 16) view.setInt16(at, Math.round(x * 32767), true)
      else if (bits === 24) {
        const value = Math.round(x * 8388607)
        view.setUint16(at, value & 0xffff, true)
        view.setInt8(at + 2, value >> 16)
      } else view.setInt32(at, Math.round(x * 2147483647), true)
      at += bytesEach
    }
  }
  return bytes
}

const FRAMES = [
  [0.5, -0.25],
  [-0.75, 0.125],
  [0.9, -1],
]

test.each([
  [1, 8, 8000, 1 / 100],
  [1, 16, 44_100, 1e-4],
  [1, 24, 96_000, 1e-6],
  [1, 32, 48_000, 1e-7],
  [3, 32, 192_000, 1e-7],
  [3, 64, 48_000, 1e-7],
])('reads tag %i, %i bits at %i Hz', (tag, bits, rateHz, tolerance) => {
  for (const extensible of [false, true]) {
    const sound = ok(wav(tag, bits, rateHz, FRAMES, { extensible }))
    expect(sound.rateHz).toBe(rateHz)
    FRAMES.forEach((frame, i) =>
      frame.forEach((x, c) => expect(Math.abs(sound.channels[c][i] - x)).toBeLessThanOrEqual(tolerance)),
    )
  }
})

test('a file that was written is read back to within 16 bits', () => {
  fc.assert(
    fc.property(
      fc.array(fc.float({ min: -1, max: 1, noNaN: true }), { minLength: 1, maxLength: 200 }),
      (samples) => {
        const [channel] = ok(encodeWav(samples, 48_000)).channels
        expect(channel.length).toBe(samples.length)
        samples.forEach((x, i) => expect(Math.abs(channel[i] - x)).toBeLessThan(6.2e-5))
      },
    ),
  )
})

test('what cannot be used is said in a sentence', () => {
  expect(why(new TextEncoder().encode('To whom it may concern, this is a letter'))).toMatch(/not a WAV file/)
  expect(why(new Uint8Array())).toMatch(/not a WAV file/)
  expect(why(encodeWav([0.1, 0.2], 48_000).slice(0, 44))).toMatch(/cut short/)
  expect(why(encodeWav([0.1, 0.2], 48_000).slice(0, 30))).toMatch(/cut short/)
  expect(why(wav(1, 16, 4000, FRAMES))).toMatch(/4000 Hz/)
  expect(why(wav(7, 8, 8000, FRAMES))).toMatch(/compressed/)
})

test('a file cut off in its samples gives what is there', () => {
  const bytes = encodeWav([0.1, 0.2, 0.3, 0.4], 48_000)
  expect(ok(bytes.slice(0, bytes.length - 4)).channels[0].length).toBe(2)
})

test('no bytes whatever make the reader throw', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 120 }), fc.uint8Array({ maxLength: 60 }), (head, body) => {
      decodeWav(head)
      const file = encodeWav([0, 0.5], 8000)
      file.set(body.slice(0, file.length - 12), 12)
      decodeWav(file)
    }),
  )
})

test('of two channels the one that stands further out of its quiet is taken, and none that is overdriven', () => {
  const tap = (gain: number, noise: number) =>
    Float32Array.from({ length: 8000 }, (_, i) => {
      const ring = i < 4000 ? 0 : gain * Math.exp(-(i - 4000) / 800) * Math.sin(i / 5)
      return Math.max(-1, Math.min(1, ring + noise * Math.sin(i * 1.7)))
    })
  const [near, far, hot] = [tap(0.3, 0.001), tap(0.6, 0.05), tap(4, 0.001)]
  expect(toMono({ rateHz: 8000, channels: [far, near] })).toBe(near)
  expect(toMono({ rateHz: 8000, channels: [hot, near] })).toBe(near)
})

test('of two channels the louder is taken', () => {
  const quiet = Float32Array.of(0.1, -0.1)
  const loud = Float32Array.of(0.5, 0.4)
  expect(toMono({ rateHz: 8000, channels: [quiet, loud] })).toBe(loud)
})
