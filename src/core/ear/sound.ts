import { playTap } from '../practice/tap'
import type { Trial } from './trial'

/** Root mean square of a tap over its length at full level, of full scale 1. */
const LOUD_RMS = 0.1
const SECONDS = 1.3
const LEAD_SECONDS = 0.02
const FADE_SECONDS = 0.03
/** Nothing may clip: where a peak would, all taps of the trial come down alike. */
const HIGHEST_PEAK = 0.95

/** The taps of a trial as sound, one after another in a list, all at one level. Deterministic. */
export function soundsOf({ taps, levelDb }: Pick<Trial, 'taps' | 'levelDb'>, rateHz: number): Float32Array[] {
  const raw = taps.map(({ head, lug, seed, fromHoopMetres, lossPerSecond }) => {
    const { samples } = playTap(head, {
      lug,
      seed,
      rateHz,
      noiseDb: null,
      finger: lug !== 'centre',
      fromHoopMetres,
      lossPerSecond,
      seconds: SECONDS,
      leadSeconds: LEAD_SECONDS,
    })
    return faded(samples, rateHz)
  })
  const gains = raw.map((samples) => (LOUD_RMS * 10 ** (levelDb / 20)) / rmsOf(samples))
  const peak = Math.max(...raw.map((samples, i) => gains[i] * peakOf(samples)))
  const less = Math.min(1, HIGHEST_PEAK / peak)
  return raw.map((samples, i) => samples.map((x) => x * gains[i] * less))
}

/** Root mean square of samples. */
export const rmsOf = (samples: Float32Array) =>
  Math.sqrt(samples.reduce((sum, x) => sum + x * x, 0) / samples.length)

const peakOf = (samples: Float32Array) => samples.reduce((most, x) => Math.max(most, Math.abs(x)), 0)

/** A sound that is cut off clicks. */
function faded(samples: Float32Array, rateHz: number): Float32Array {
  const fade = Math.round(FADE_SECONDS * rateHz)
  return samples.map((x, i) => x * Math.min(1, (samples.length - 1 - i) / fade))
}
