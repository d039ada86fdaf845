import { lastRailed } from './overdriven'

/**
 * WAV files in and out: RIFF/WAVE as in the Microsoft/IBM "Multimedia Programming Interface and Data
 * Specifications 1.0" (1991), with the extensible format tag. PCM of 8 to 32 bits and IEEE floats of 32 and 64.
 */
export interface Sound {
  rateHz: number
  /** One array a channel, full scale +-1. */
  channels: Float32Array[]
}

export type WavResult = { ok: true; sound: Sound } | { ok: false; why: string }

const LOWEST_RATE_HZ = 8000
const HIGHEST_RATE_HZ = 192_000
const PCM = 1
const FLOAT = 3
const EXTENSIBLE = 0xfffe

interface Format {
  tag: number
  channels: number
  rateHz: number
  bits: number
  frameBytes: number
}

/** Of all channels together: twenty minutes of stereo at the usual rate, half a gigabyte. */
export const MOST_SAMPLES = 120_000_000
/** A recording has a handful of them. */
export const MOST_CHUNKS = 1000
export const MOST_CHANNELS = 32
export const TOO_LONG = 'The recording is longer than can be read at once. Cut it to the taps and try again.'

/**
 * Decodes a WAV file. A file that cannot be used comes back as a plain sentence, never as an exception.
 * @param mostSamples of all channels together: what holds more is refused before it is read
 */
export function decodeWav(bytes: Uint8Array, mostSamples = MOST_SAMPLES): WavResult {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const text = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))
  if (bytes.length < 12 || text(0) !== 'RIFF' || text(8) !== 'WAVE') {
    return fail('This is not a WAV file. Record or export it as WAV and try again.')
  }
  let format: Format | null = null
  for (let at = 12, chunks = 0; at + 8 <= bytes.length; chunks++) {
    if (chunks === MOST_CHUNKS)
      return fail('The WAV file is damaged: it is cut into more parts than a recording has. Export it again.')
    const id = text(at)
    const size = view.getUint32(at + 4, true)
    const body = at + 8
    if (id === 'fmt ' && body + 16 <= bytes.length) format = readFormat(view, body, size)
    if (id === 'data') {
      if (!format)
        return fail('The WAV file does not say what its samples are. Export it again as plain PCM.')
      return readSamples(view, body, Math.min(size, bytes.length - body), format, mostSamples)
    }
    at = body + size + (size % 2)
  }
  return fail('The WAV file holds no samples: it was cut short. Copy or record it again.')
}

/** Whether a recording of this rate can be measured. */
export function readableRate(rateHz: number): boolean {
  return rateHz >= LOWEST_RATE_HZ && rateHz <= HIGHEST_RATE_HZ
}

function fail(why: string): WavResult {
  return { ok: false, why }
}

function readFormat(view: DataView, at: number, size: number): Format {
  const tag = view.getUint16(at, true)
  const inner = tag === EXTENSIBLE && size >= 26 && at + 26 <= view.byteLength
  return {
    tag: inner ? view.getUint16(at + 24, true) : tag,
    channels: view.getUint16(at + 2, true),
    rateHz: view.getUint32(at + 4, true),
    frameBytes: view.getUint16(at + 12, true),
    bits: view.getUint16(at + 14, true),
  }
}

function readSamples(
  view: DataView,
  at: number,
  size: number,
  format: Format,
  mostSamples: number,
): WavResult {
  const { tag, channels, rateHz, bits } = format
  const bytesEach = Math.ceil(bits / 8)
  if ((tag !== PCM && tag !== FLOAT) || (tag === FLOAT && bits !== 32 && bits !== 64)) {
    return fail('The samples in this WAV file are compressed. Export it again as plain PCM.')
  }
  if (tag === PCM && (bits < 8 || bits > 32)) {
    return fail(
      `The WAV file has ${bits}-bit samples; 8 to 32 bits can be read. Export it again as 16-bit PCM.`,
    )
  }
  if (!readableRate(rateHz)) {
    return fail(`The WAV file runs at ${rateHz} Hz; 8,000 to 192,000 Hz can be read.`)
  }
  if (channels < 1 || channels > MOST_CHANNELS) {
    return fail(`The WAV file names ${channels} channels. Export it again as mono or stereo.`)
  }
  const frame = bytesEach * channels
  const frames = Math.floor(size / frame)
  if (frames === 0) return fail('The WAV file holds no samples: it was cut short. Copy or record it again.')
  if (frames * channels > mostSamples) return fail(TOO_LONG)
  const read = sampleReader(view, tag, bytesEach)
  const out = Array.from({ length: channels }, () => new Float32Array(frames))
  for (let i = 0; i < frames; i++) {
    for (let c = 0; c < channels; c++) out[c][i] = read(at + i * frame + c * bytesEach)
  }
  return { ok: true, sound: { rateHz, channels: out } }
}

function sampleReader(view: DataView, tag: number, bytesEach: number): (at: number) => number {
  if (tag === FLOAT) {
    const read =
      bytesEach === 4 ? (at: number) => view.getFloat32(at, true) : (at: number) => view.getFloat64(at, true)
    return (at) => {
      const value = read(at)
      return Number.isFinite(value) ? value : 0
    }
  }
  // 8-bit PCM is unsigned with its middle at 128; wider PCM is signed.
  if (bytesEach === 1) return (at) => (view.getUint8(at) - 128) / 128
  if (bytesEach === 2) return (at) => view.getInt16(at, true) / 32768
  if (bytesEach === 3) {
    return (at) => ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / 8388608
  }
  return (at) => view.getInt32(at, true) / 2147483648
}

/** Encodes one channel as 16-bit PCM; what is beyond full scale is clipped. */
export function encodeWav(samples: ArrayLike<number>, rateHz: number): Uint8Array {
  const bytes = new Uint8Array(44 + samples.length * 2)
  const view = new DataView(bytes.buffer)
  const text = (at: number, word: string) =>
    [...word].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)))
  text(0, 'RIFF')
  view.setUint32(4, 36 + samples.length * 2, true)
  text(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, PCM, true)
  view.setUint16(22, 1, true)
  view.setUint32(24, rateHz, true)
  view.setUint32(28, rateHz * 2, true)
  view.setUint16(32, 2, true)
  view.setUint16(34, 16, true)
  text(36, 'data')
  view.setUint32(40, samples.length * 2, true)
  for (let i = 0; i < samples.length; i++) {
    view.setInt16(44 + 2 * i, Math.max(-32768, Math.min(32767, Math.round(samples[i] * 32767))), true)
  }
  return bytes
}

/** Blocks by which channels are compared, and what a channel that is overdriven is worth against one that is not. */
const BLOCK_SECONDS = 0.02
const OVERDRIVEN_WORTH = 0.1
/** Quieter than this, full scale 1, is silence. */
const SILENCE = 1e-5

/**
 * All channels as one: the one that stands furthest out of its own quiet, overdriven ones last. One is taken rather than the
 * mean, since two microphones at different distances cancel each other at some pitches.
 */
export function toMono({ channels, rateHz }: Sound): Float32Array {
  if (channels.length === 1) return channels[0]
  const worths = channels.map((channel) => worthOf(channel, rateHz))
  return channels[worths.indexOf(Math.max(...worths))]
}

function worthOf(channel: Float32Array, rateHz: number): number {
  const block = Math.max(1, Math.round(BLOCK_SECONDS * rateHz))
  const levels = Array.from({ length: Math.max(1, Math.floor(channel.length / block)) }, (_, k) => {
    let sum = 0
    for (let i = k * block; i < Math.min(channel.length, (k + 1) * block); i++) sum += channel[i] ** 2
    return Math.sqrt(sum / block)
  }).sort((a, b) => a - b)
  const worth = levels.at(-1)! / (levels[Math.floor(0.2 * levels.length)] + SILENCE)
  return lastRailed(channel) !== null ? OVERDRIVEN_WORTH * worth : worth
}
