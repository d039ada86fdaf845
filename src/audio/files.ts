import { decodeWav, toMono } from '@/core/sound/wav'

export type SoundFile = { ok: true; samples: Float32Array; rateHz: number } | { ok: false; why: string }

/** Largest recording that is taken in: some minutes at any common rate. */
const LARGEST_BYTES = 200 * 1024 * 1024

/** A recording from the file picker: WAV by Humbra's own reader, what else a phone records by the browser's. */
export async function readSoundFile(file: File): Promise<SoundFile> {
  if (file.size > LARGEST_BYTES)
    return { ok: false, why: 'The recording is larger than 200 MB. Cut it and try again.' }
  if (/^(image|text|application\/pdf)/.test(file.type) && !/\.wav$/i.test(file.name))
    return {
      ok: false,
      why: `${file.name} is no recording. Choose a sound file: WAV, FLAC, OGG, MP3, AIFF or M4A.`,
    }
  const bytes = new Uint8Array(await file.arrayBuffer())
  const wav = decodeWav(bytes)
  if (wav.ok) return { ok: true, samples: toMono(wav.sound).slice(), rateHz: wav.sound.rateHz }
  if (/\.wav$/i.test(file.name)) return { ok: false, why: wav.why }
  try {
    const context = new OfflineAudioContext(1, 1, 48_000)
    const decoded = await context.decodeAudioData(bytes.buffer)
    const channels = Array.from({ length: decoded.numberOfChannels }, (_, i) => decoded.getChannelData(i))
    return {
      ok: true,
      samples: toMono({ rateHz: decoded.sampleRate, channels }).slice(),
      rateHz: decoded.sampleRate,
    }
  } catch {
    return { ok: false, why: 'This recording cannot be read here. Save it as WAV and choose it again.' }
  }
}
