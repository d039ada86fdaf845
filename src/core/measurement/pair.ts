import { evaluate, GLIDE_SD, PER_MODE } from './model'
import { powerAt } from '../numeric/lines'
import { refineModes, type Fit, type FittedMode, type Glide } from './refine'
import type { Pole } from './subspace'

/**
 * Is one mode really two? First a guess: the tail less all other modes is brought down to 40 Hz, where some hundred
 * samples hold all that is known of it, and fitted as two poles from several starts. The guess is judged elsewhere, by
 * the fit of the whole tail.
 */
const CENTRE_HZ = 40
const REACH_HZ = 28
/** Smallest distance that is ever claimed. */
const CLOSEST_HZ = 0.15
/** Starting distances, in widths of the pole. */
const OFFSETS = [0.5, 1.5]
const ITERATIONS = 20
const ROUGHLY = 1e-3
/** Twice the log likelihood that the low band must gain before the whole tail is asked. */
const WORTH_ASKING = 8
/** One stroke starts both poles: their phases at that moment agree within this, as a sine. */
const PHASE_SINE = 0.7
/** Poles of opposite sign closer than this part of their width are a trick of the fit, not two tones. */
const CLOSEST_OPPOSED_WIDTHS = 0.35
/** More than this against what they add up to is a trick as well. */
const MOST_CANCELLED = 20

/** What two poles of one mode may be to each other. */
export interface PairRule {
  /** See {@link MeasureOptions.mic}: only a standing microphone hears them with opposite signs. */
  mic?: 'with-tap' | 'standing'
  /** Time from the stroke to the first sample. */
  fromSeconds: number
}

/** @returns two poles to start from; null when no believable pair is worth a fit of the whole tail. */
export function guessPairs(
  samples: Float64Array,
  rateHz: number,
  fit: Fit,
  mode: FittedMode,
  glideSeconds: number,
): [Pole, Pole] | null {
  const alone = aloneOf(rateHz, fit, mode)
  const { band, bandRateHz } = toLowBand(alone, rateHz, mode.hz)
  if (band.length < 16) return null
  // In the low band the same bend in Hz is a larger part of the pitch.
  const options = { iterations: ITERATIONS, arrived: ROUGHLY, glideSd: (GLIDE_SD * mode.hz) / CENTRE_HZ }
  const noise = fit.residual / samples.length / 10
  const search = (poles: Pole[], glide: Glide | null) =>
    refineModes(band, bandRateHz, poles, noise, glide, options)
  // Without a glide a single pole settles in the middle of a pair; with it, it may run off to one side.
  const single = search([{ hz: CENTRE_HZ, decaySeconds: mode.decaySeconds }], null)
  const middle = single.modes[0]
  const width = 1 / (2 * Math.PI * middle.decaySeconds)
  const at = (hz: number) => ({ hz, decaySeconds: middle.decaySeconds })
  const starts = OFFSETS.map((offset) => [at(middle.hz - offset * width), at(middle.hz + offset * width)])
  starts.push([middle, at(loudestLine(single.residuals, bandRateHz))])
  let best: Fit | null = null
  for (const start of starts) {
    const two = search(start, { relative: 0, seconds: glideSeconds })
    if (apart(two.modes[0], two.modes[1]) && (!best || two.residual < best.residual)) best = two
  }
  if (!best) return null
  const bent = search([middle], { relative: 0, seconds: glideSeconds })
  const one = Math.min(single.residual, bent.residual)
  if (band.length * Math.log(one / best.residual) < WORTH_ASKING) return null
  // The band is short and the glide bends it: two very different decays may be one film's.
  const [a, b] = best.modes
  const alike = Math.max(a.decaySeconds / b.decaySeconds, b.decaySeconds / a.decaySeconds) < 1.4
  return [a, b].map((pole) => ({
    hz: pole.hz + mode.hz - CENTRE_HZ,
    decaySeconds: alike ? pole.decaySeconds : mode.decaySeconds,
  })) as [Pole, Pole]
}

/** Frequency of the strongest line in what one pole leaves over. */
function loudestLine(residuals: Float64Array, rateHz: number): number {
  let best = CENTRE_HZ
  let top = 0
  for (let hz = CENTRE_HZ - REACH_HZ; hz <= CENTRE_HZ + REACH_HZ; hz += 0.5) {
    const power = powerAt(residuals, rateHz, hz)
    if (power > top) {
      top = power
      best = hz
    }
  }
  return best
}

/** Both poles ring alike, lie apart, and started together. */
export function plausiblePair(a: FittedMode, b: FittedMode, rule: PairRule): boolean {
  const ratio = a.decaySeconds / b.decaySeconds
  return ratio > 0.5 && ratio < 2 && apart(a, b) && startedTogether(a, b, rule)
}

function apart(a: FittedMode, b: FittedMode): boolean {
  const total = Math.hypot(a.cosine + b.cosine, a.sine + b.sine)
  const distance = Math.abs(a.hz - b.hz)
  return a.amplitude + b.amplitude < MOST_CANCELLED * total && distance > CLOSEST_HZ && distance < REACH_HZ
}

/** Carried back to the stroke, the two phases agree, or are opposite where a standing microphone may hear it so. */
function startedTogether(a: FittedMode, b: FittedMode, rule: PairRule): boolean {
  const phase = (pole: FittedMode) =>
    Math.atan2(pole.sine, pole.cosine) + 2 * Math.PI * pole.hz * rule.fromSeconds
  const between = phase(a) - phase(b)
  if (Math.abs(Math.sin(between)) > PHASE_SINE) return false
  if (Math.cos(between) > 0) return true
  const width = 1 / (Math.PI * Math.max(a.decaySeconds, b.decaySeconds))
  return rule.mic !== 'with-tap' && Math.abs(a.hz - b.hz) > CLOSEST_OPPOSED_WIDTHS * width
}

/** The tail less every mode but this one. */
function aloneOf(rateHz: number, fit: Fit, mode: FittedMode): Float64Array {
  const theta = new Float64Array(PER_MODE + 2)
  theta.set([mode.hz, 1 / mode.decaySeconds, mode.cosine, mode.sine, fit.glide.relative, 0])
  const problem = {
    samples: fit.residuals,
    rateHz,
    glidePrior: { seconds: fit.glide.seconds, sd: 1, noisePower: 0 },
  }
  // residuals - model, turned round: residuals + model.
  const minus = evaluate(problem, theta, 'cost').residuals
  return fit.residuals.map((r, i) => 2 * r - minus[i])
}

/** Shifts `hz` down to 40 Hz and decimates: two real multiplications and a smooth moving mean. */
function toLowBand(samples: Float64Array, rateHz: number, hz: number) {
  const factor = Math.max(1, Math.floor(rateHz / 200))
  const half = Math.round(1.6 * factor)
  const shift = (2 * Math.PI * hz) / rateHz
  const count = Math.max(0, Math.floor((samples.length - 2 * half) / factor))
  const band = new Float64Array(count)
  const window = Float64Array.from(
    { length: 2 * half + 1 },
    (_, i) => 0.5 + 0.5 * Math.cos((Math.PI * (i - half)) / (half + 1)),
  )
  const sum = window.reduce((a, b) => a + b, 0)
  for (let k = 0; k < count; k++) {
    const centre = half + k * factor
    let re = 0
    let im = 0
    for (let i = -half; i <= half; i++) {
      const w = (window[i + half] * samples[centre + i]) / sum
      re += w * Math.cos(shift * (centre + i))
      im -= w * Math.sin(shift * (centre + i))
    }
    const up = (2 * Math.PI * CENTRE_HZ * centre) / rateHz
    band[k] = 2 * (re * Math.cos(up) - im * Math.sin(up))
  }
  return { band, bandRateHz: rateHz / factor }
}
