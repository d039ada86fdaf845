import fc from 'fast-check'
import { sonic, sonicPath } from '@ref/recordings'
import { readFileSync } from 'node:fs'
import { measureSound } from '@/core/measurement/measure'
import { encodeWav, toMono } from '@/core/sound/wav'
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

/** CRC of a polynomial (RFC 9639, 9.1.8 and 9.3), highest bit first. */
function crc(bytes: readonly number[], bits: 8 | 16, polynomial: number): number {
  const top = 1 << (bits - 1)
  return bytes.reduce((sum, byte) => {
    let crc = sum ^ (byte << (bits - 8))
    for (let i = 0; i < 8; i++) crc = crc & top ? ((crc << 1) ^ polynomial) & (2 * top - 1) : crc << 1
    return crc
  }, 0)
}

/** A FLAC file (RFC 9639) of eight silent channels: every frame says in some thirty bytes what stands for 65,535 samples each. */
function silentFlac(frames: number): Uint8Array {
  const info = [0xff, 0xff, 0xff, 0xff, 0, 0, 0, 0, 0, 0]
  // 48,000 Hz, eight channels, 8 bits, a number of samples that is not said.
  info.push(0x0b, 0xb8, 0x0e, 0x70, 0, 0, 0, 0, ...new Array<number>(16).fill(0))
  const file = [...new TextEncoder().encode('fLaC'), 0x80, 0, 0, info.length, ...info]
  for (let number = 0; number < frames; number++) {
    const coded = number < 128 ? [number] : [0xc0 | (number >> 6), 0x80 | (number & 63)]
    const head = [0xff, 0xf8, 0x7a, 0x72, ...coded, 0xff, 0xfe]
    head.push(crc(head, 8, 0x07))
    const body = Array.from({ length: 8 }, () => [0, 0]).flat()
    const frame = [...head, ...body]
    const check = crc(frame, 16, 0x8005)
    file.push(...frame, check >> 8, check & 255)
  }
  return Uint8Array.from(file)
}

test('a file that becomes far longer than it looks is refused while it is read', async () => {
  const short = await decodeSound(silentFlac(3))
  if (!short.ok) throw new Error(short.why)
  expect([short.sound.channels.length, short.sound.channels[0].length]).toEqual([8, 3 * 65_535])
  // 10 KB that stand for 190 million samples.
  const bomb = silentFlac(370)
  expect(bomb.length).toBeLessThan(11_000)
  const before = process.memoryUsage().arrayBuffers
  expect(await decodeSound(bomb, 10_000_000)).toEqual({
    ok: false,
    why: 'The recording is longer than can be read at once. Cut it to the taps and try again.',
  })
  expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(200e6)
  const long = aiff(new Array<number>(5000).fill(1), 44_100)
  expect(await decodeSound(long, 4000)).toMatchObject({ ok: false, why: expect.stringMatching(/longer/) })
  // Samples of no width would be four thousand million.
  const none = aiff([1, 2], 44_100)
  none.set([0, 0], 26)
  none.set([255, 255, 255, 255], 22)
  expect(await decodeSound(none)).toMatchObject({ ok: false, why: expect.stringMatching(/cannot be read/) })
})

test('a WAV file of a million parts, or longer than may be, is refused at once', async () => {
  const parts = new Uint8Array(12 + 8e6)
  parts.set(new TextEncoder().encode('RIFF\0\0\0\0WAVE'))
  expect(await decodeSound(parts)).toMatchObject({ ok: false, why: expect.stringMatching(/more parts/) })
  const wav = encodeWav(new Float32Array(5000), 48_000)
  expect(await decodeSound(wav, 4999)).toMatchObject({ ok: false, why: expect.stringMatching(/longer/) })
  expect((await decodeSound(wav, 5000)).ok).toBe(true)
})
