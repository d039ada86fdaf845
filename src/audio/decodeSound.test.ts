import fc from 'fast-check'
import { sonic, sonicPath } from '@ref/recordings'
import { readFileSync } from 'node:fs'
import { measureSound } from '@/core/measurement/measure'
import { toMono } from '@/core/sound/wav'
import { decodeSound } from './decodeSound'

// A tap at 180 Hz of the practice drum, encoded by FFmpeg 5.1; the AIFF was brought to 11,025 Hz by it.
const recording = (name: string) => new Uint8Array(readFileSync(`e2e/recordings/${name}`))

test('FLAC: sample for sample what the format’s own reference decoder gives', async () => {
  const reference = sonic('drum_tom_hi_soft')
  const own = await decodeSound(new Uint8Array(readFileSync(sonicPath('drum_tom_hi_soft'))))
  if (!own.ok) throw new Error(own.why)
  expect(own.sound.rateHz).toBe(reference.rateHz)
  const [a, b] = [toMono(own.sound), reference.samples]
  expect(a.length).toBe(b.length)
  // 24 bits by one path, 32 by the other: full scale may differ by one part in 2^15.
  expect(Math.max(...a.map((x, i) => Math.abs(x - b[i])))).toBeLessThan(2 ** -14)
})

/** An AIFF file written by hand after Apple's "Audio Interchange File Format 1.3" (1989): one channel of 16 bits. */
function aiff(samples: number[], rateHz: number): Uint8Array {
  const bytes = new Uint8Array(54 + 2 * samples.length)
  const view = new DataView(bytes.buffer)
  const text = (at: number, word: string) => bytes.set(new TextEncoder().encode(word), at)
  text(0, 'FORM')
  view.setUint32(4, bytes.length - 8)
  text(8, 'AIFFCOMM')
  view.setUint32(16, 18)
  view.setUint16(20, 1)
  view.setUint32(22, samples.length)
  view.setUint16(26, 16)
  // The rate as an extended float of 80 bits: an exponent biased by 16383, then the mantissa with its leading one.
  const exponent = Math.floor(Math.log2(rateHz))
  view.setUint16(28, 16383 + exponent)
  view.setUint32(30, rateHz * 2 ** (31 - exponent))
  text(38, 'SSND')
  view.setUint32(42, 8 + 2 * samples.length)
  samples.forEach((x, i) => view.setInt16(54 + 2 * i, x))
  return bytes
}

test('AIFF: the samples as they were written', async () => {
  const read = await decodeSound(aiff([0, 16384, -32768, 1], 44_100))
  expect(read).toEqual({
    ok: true,
    sound: { rateHz: 44_100, channels: [new Float32Array([0, 0.5, -1, 1 / 32768])] },
  })
  expect(await decodeSound(aiff([1, 2], 4000))).toMatchObject({
    why: expect.stringMatching(/4000 Hz; 8,000/),
  })
})

test.each(['tap.flac', 'tap.aiff'])('%s holds one tap at 180 Hz, whatever its rate', async (name) => {
  const read = await decodeSound(recording(name))
  if (!read.ok) throw new Error(read.why)
  const taps = measureSound(toMono(read.sound), read.sound.rateHz)
  expect(taps.map(({ verdict }) => verdict)).toEqual(['ok'])
  expect(Math.abs(taps[0].hz! - 180)).toBeLessThan(0.1)
})

test('what cannot be read is said in a sentence, and no bytes whatever make it throw', async () => {
  const why = async (bytes: Uint8Array) => {
    const read = await decodeSound(bytes)
    return read.ok ? '' : read.why
  }
  expect(await why(recording('tap.mp3'))).toMatch(/WAV, FLAC and AIFF/)
  expect(await why(recording('tap.flac').subarray(0, 30))).toMatch(/FLAC file .*\.$/)
  expect(await why(recording('tap.aiff').subarray(0, 40))).toMatch(/AIFF file holds no samples/)
  const marks = [...'FORM\0\0\0\u0010AIFFCOMM'].map((c) => c.charCodeAt(0))
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(
        [],
        marks,
        [...'fLaC'].map((c) => c.charCodeAt(0)),
      ),
      fc.uint8Array({ maxLength: 60 }),
      async (head, rest) => {
        await decodeSound(new Uint8Array([...head, ...rest]))
      },
    ),
    { numRuns: 60 },
  )
})
