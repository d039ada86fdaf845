import { toMono, type Sound } from '@/core/sound/wav'
import { decodeSound, kindOf } from './decodeSound'

export type SoundFile = { ok: true; samples: Float32Array; rateHz: number } | { ok: false; why: string }

/** Largest recording that is taken in: some minutes at any common rate. */
const LARGEST_BYTES = 200 * 1024 * 1024

/** A recording from the file picker: WAV and AIFF by Humbra's own readers, what else a phone records by the browser's. */
export async function readSoundFile(file: File): Promise<SoundFile> {
  if (file.size > LARGEST_BYTES)
    return { ok: false, why: 'The recording is larger than 200 MB. Cut it and try again.' }
  const bytes = new Uint8Array(await file.arrayBuffer())
  const kind = kindOf(bytes)
  if (kind === 'wav' || kind === 'aiff') {
    const read = await decodeSound(bytes)
    return read.ok ? asMono(read.sound) : read
  }
  try {
    const context = new OfflineAudioContext(1, 1, 48_000)
    const decoded = await context.decodeAudioData(bytes.buffer)
    return asMono({
      rateHz: decoded.sampleRate,
      channels: Array.from({ length: decoded.numberOfChannels }, (_, i) => decoded.getChannelData(i)),
    })
  } catch {
    return { ok: false, why: `${file.name} ${unreadable(file)}` }
  }
}

function asMono(sound: Sound): SoundFile {
  return { ok: true, samples: toMono(sound).slice(), rateHz: sound.rateHz }
}

function unreadable(file: File): string {
  return /^(image|text|video|application\/pdf)/.test(file.type)
    ? 'is no recording. Choose a sound file: WAV, FLAC, OGG, MP3, AIFF or M4A.'
    : 'cannot be read as a recording here. Save it as WAV and choose it again.'
}
