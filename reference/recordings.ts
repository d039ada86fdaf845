import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { once } from '@/core/numeric/once'
import { decodeWav, toMono } from '@/core/sound/wav'
import { readSoundFont, type FontSample } from './soundFont'

/**
 * Recorded drums of two Debian packages, installed by `make test`: `avldrums.lv2-soundfont` (two sound fonts, struck at the centre
 * and near the rim in five layers, soft to hard; samples go by font and number) and `sonic-pi-samples`.
 */
export interface Sound {
  samples: Float32Array
  rateHz: number
}

const readers = ['Black_Pearl_4_LV2', 'Red_Zeppelin_4_LV2'].map((name) =>
  once((): readonly FontSample[] => readSoundFont(readFileSync(`/usr/share/sounds/sf2/${name}.sf2`))),
)
/** All samples of the first or second font (0 or 1), read when first asked for: a second of processor each. */
export const fontOf = (which: number): readonly FontSample[] => readers[which]()

export const sonicPath = (name: string) => `/usr/share/sonic-pi/samples/${name}.flac`

/** A recording of sonic-pi-samples, by the reference decoder of FLAC. */
export function sonic(name: string): Sound {
  const wav = decodeWav(execFileSync('flac', ['-dcs', sonicPath(name)], { maxBuffer: 1e9 }))
  if (!wav.ok) throw new Error(wav.why)
  return { samples: toMono(wav.sound), rateHz: wav.sound.rateHz }
}

export const db = (level: number) => 10 ** (level / 20)
export const peakOf = (samples: Float32Array) => samples.reduce((top, x) => Math.max(top, Math.abs(x)), 0)

/** Mixes a sound into another from a sample on; what lies outside is left out. */
export function put(into: Float32Array, what: ArrayLike<number>, at: number, gain: number): void {
  for (let i = Math.max(0, -at); i < what.length && at + i < into.length; i++) into[at + i] += gain * what[i]
}
