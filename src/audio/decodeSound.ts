import {
  decodeWav,
  MOST_CHANNELS,
  MOST_CHUNKS,
  MOST_SAMPLES,
  readableRate,
  TOO_LONG,
  type WavResult,
} from '@/core/sound/wav'

/**
 * A sound file by its first bytes, whatever it is called: WAV by Humbra's own reader, AIFF and FLAC by
 * packages that come along only where they are wanted. A file that cannot be used comes back as a plain sentence.
 */
export async function decodeSound(bytes: Uint8Array, mostSamples = MOST_SAMPLES): Promise<WavResult> {
  const kind = kindOf(bytes)
  if (kind === 'wav') return decodeWav(bytes, mostSamples)
  if (kind === null) return fail('This is no recording that can be read: WAV, FLAC and AIFF files are.')
  const name = kind === 'flac' ? 'FLAC' : 'AIFF'
  try {
    const { channelData, sampleRate } = await (kind === 'flac' ? decodedFlac : decodedAiff)(
      bytes,
      mostSamples,
    )
    if (!channelData[0]?.length)
      return fail(`The ${name} file holds no samples: it was cut short. Copy or record it again.`)
    if (!readableRate(sampleRate))
      return fail(`The ${name} file runs at ${sampleRate} Hz; 8,000 to 192,000 Hz can be read.`)
    return { ok: true, sound: { rateHz: sampleRate, channels: channelData } }
  } catch (error) {
    if (error instanceof TooLong) return fail(TOO_LONG)
    return fail(
      `This ${name} file cannot be read: it is damaged, or its samples are compressed. Save it as WAV.`,
    )
  }
}

interface Decoded {
  channelData: Float32Array[]
  sampleRate: number
}

class TooLong extends Error {}

/** So many bytes of a FLAC file at a time: whatever its frames claim, one piece of them fits the memory. */
const FLAC_PIECE = 512

/** A FLAC file piece by piece, as long as it does not become longer than it may be: a few bytes can stand for hours. */
async function decodedFlac(bytes: Uint8Array, mostSamples: number): Promise<Decoded> {
  const decoder = await (await import('@audio/decode-flac')).decoder()
  try {
    const pieces: Decoded[] = []
    let samples = 0
    const take = (piece: Decoded) => {
      if (!piece.channelData[0]?.length) return
      pieces.push(piece)
      samples += piece.channelData.length * piece.channelData[0].length
      if (samples > mostSamples) throw new TooLong()
    }
    for (let at = 0; at < bytes.length; at += FLAC_PIECE)
      take(decoder.decode(bytes.subarray(at, at + FLAC_PIECE)))
    take(decoder.flush())
    const channels = Math.min(...pieces.map(({ channelData }) => channelData.length))
    return {
      channelData: Array.from({ length: pieces.length ? channels : 0 }, (_, c) =>
        joined(pieces.map(({ channelData }) => channelData[c])),
      ),
      sampleRate: pieces[0]?.sampleRate ?? 0,
    }
  } finally {
    decoder.free()
  }
}

function joined(pieces: readonly Float32Array[]): Float32Array {
  const whole = new Float32Array(pieces.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const piece of pieces) {
    whole.set(piece, at)
    at += piece.length
  }
  return whole
}

/** An AIFF file, which holds its samples as they are: no more than it has bytes for, where it says how wide they are. */
async function decodedAiff(bytes: Uint8Array, mostSamples: number): Promise<Decoded> {
  const at = commAt(bytes)
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const bits = at === null ? 0 : view.getUint16(at + 14)
  const channels = at === null ? 0 : view.getUint16(at + 8)
  if (bits < 1 || channels < 1 || channels > MOST_CHANNELS) throw new Error('no samples that can be read')
  if (bytes.length / Math.ceil(bits / 8) > mostSamples) throw new TooLong()
  return (await import('@audio/decode-aiff')).default(bytes)
}

/** Where the chunk stands that says what the samples are; null for nowhere among the first chunks. */
function commAt(bytes: Uint8Array): number | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let at = 12
  for (let i = 0; i < MOST_CHUNKS && at + 26 <= bytes.length; i++) {
    if (String.fromCharCode(...bytes.subarray(at, at + 4)) === 'COMM') return at
    const size = view.getUint32(at + 4)
    at += 8 + size + (size % 2)
  }
  return null
}

/** What a file is by its marks: RIFF/WAVE, FORM/AIFF or AIFC, fLaC. */
export function kindOf(bytes: Uint8Array): 'wav' | 'aiff' | 'flac' | null {
  const text = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))
  if (text(0) === 'RIFF' && text(8) === 'WAVE') return 'wav'
  if (text(0) === 'FORM' && /^AIF[FC]$/.test(text(8))) return 'aiff'
  return text(0) === 'fLaC' ? 'flac' : null
}

function fail(why: string): WavResult {
  return { ok: false, why }
}
