/** Sounds that are sums of tones dying away: made again from what was measured of them, and made comparable. */
export interface RingingTone {
  hz: number
  /** Time in which the amplitude falls by a factor e. */
  decaySeconds: number
  /** Level at the start, against the loudest. */
  levelDb: number
}

export interface RingingOptions {
  rateHz: number
  seconds: number
  /** The stroke begins so many cents above the settled pitch, and comes down within this time (factor e). */
  glideCents?: number
  glideSeconds?: number
}

const GLIDE_SECONDS = 0.08
/** An attack this long keeps the onset from clicking. */
const ATTACK_SECONDS = 0.002
const PEAK = 0.8

/** Tones to samples at a peak of 0.8; silence where there are none. */
export function renderRinging(tones: readonly RingingTone[], options: RingingOptions): Float32Array {
  const { rateHz, seconds, glideCents = 0, glideSeconds = GLIDE_SECONDS } = options
  const out = new Float32Array(Math.max(1, Math.round(seconds * rateHz)))
  const sharp = 2 ** (glideCents / 1200) - 1
  for (const { hz, decaySeconds, levelDb } of tones) {
    if (hz > 0.45 * rateHz) continue
    const amplitude = 10 ** (levelDb / 20)
    for (let i = 0; i < out.length; i++) {
      const t = i / rateHz
      const phase = 2 * Math.PI * hz * (t + sharp * glideSeconds * (1 - Math.exp(-t / glideSeconds)))
      out[i] += amplitude * Math.min(1, t / ATTACK_SECONDS) * Math.exp(-t / decaySeconds) * Math.sin(phase)
    }
  }
  return scaled(out, PEAK / Math.max(1e-9, peakOf(out)))
}

/** Loudness is compared over this much of the start. */
const COMPARED_SECONDS = 0.4

export interface Samples {
  samples: Float32Array
  rateHz: number
}

/** Sounds with the same power over their first 0.4 s, none above a peak of 0.8: the louder is not the better. */
export function levelsMatched(sounds: readonly Samples[]): Samples[] {
  const heard = sounds.map((sound) => ({ ...sound, power: powerOf(sound), peak: peakOf(sound.samples) }))
  // The largest common level at which all stay below the peak.
  const level = Math.min(...heard.map(({ power, peak }) => (PEAK * power) / Math.max(peak, 1e-9)))
  return heard.map(({ samples, rateHz, power }) => ({
    samples: scaled(samples, level / Math.max(power, 1e-9)),
    rateHz,
  }))
}

function powerOf({ samples, rateHz }: Samples): number {
  const count = Math.min(samples.length, Math.round(COMPARED_SECONDS * rateHz))
  let sum = 0
  for (let i = 0; i < count; i++) sum += samples[i] ** 2
  return Math.sqrt(sum / Math.max(1, count))
}

const peakOf = (samples: Float32Array) => samples.reduce((peak, x) => Math.max(peak, Math.abs(x)), 0)
const scaled = (samples: Float32Array, factor: number) => samples.map((x) => x * factor)

/** Level of the sum over time, in dB against its start, tones taken as unrelated; `steps` points up to `seconds`. */
export function decayCurve(tones: readonly RingingTone[], seconds: number, steps: number): number[] {
  const power = (t: number) =>
    tones.reduce(
      (sum, { decaySeconds, levelDb }) => sum + 10 ** (levelDb / 10) * Math.exp((-2 * t) / decaySeconds),
      0,
    )
  const start = power(0)
  return Array.from({ length: steps }, (_, i) =>
    start > 0 ? 10 * Math.log10(Math.max(power((i / (steps - 1)) * seconds) / start, 1e-12)) : 0,
  )
}
