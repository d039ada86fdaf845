import { decodeWav, readableRate, type WavResult } from '@/core/sound/wav'

/**
 * A sound file by its first bytes, whatever it is called: WAV by Humbra's own reader, AIFF and FLAC by
 * packages that come along only where they are wanted. A file that cannot be used comes back as a plain sentence.
 */
export async function decodeSound(bytes: Uint8Array): Promise<WavResult> {
  const kind = kindOf(bytes)
  if (kind === 'wav') return decodeWav(bytes)
  if (kind === null) return fail('This is no recording that can be read: WAV, FLAC and AIFF files are.')
  const name = kind === 'flac' ? 'FLAC' : 'AIFF'
  try {
    const { default: decode } = await (kind === 'flac'
      ? import('@audio/decode-flac')
      : import('@audio/decode-aiff'))
    const { channelData, sampleRate } = await decode(bytes)
    if (!channelData[0]?.length)
      return fail(`The ${name} file holds no samples: it was cut short. Copy or record it again.`)
    if (!readableRate(sampleRate))
      return fail(`The ${name} file runs at ${sampleRate} Hz; 8,000 to 192,000 Hz can be read.`)
    return { ok: true, sound: { rateHz: sampleRate, channels: channelData } }
  } catch {
    return fail(
      `This ${name} file cannot be read: it is damaged, or its samples are compressed. Save it as WAV.`,
    )
  }
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
