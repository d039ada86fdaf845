import { evaluate, GLIDE_SD, PER_MODE } from './model'
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
const MOST_CANCELLED = 2.5
/** Starting distances, in widths of the pole. */
const OFFSETS = [0.5, 1.5]
const ITERATIONS = 25

/** @returns pairs of poles to start from; none when no believable pair can be found. */
export function guessPairs(
  samples: Float64Array,
  rateHz: number,
  fit: Fit,
  mode: FittedMode,
  glideSeconds: number,
): Pole[][] {
  const alone = aloneOf(rateHz, fit, mode)
  const { band, bandRateHz } = toLowBand(alone, rateHz, mode.hz)
  if (band.length < 16) return []
  // In the low band the same bend in Hz is a larger part of the pitch.
  const options = { iterations: ITERATIONS, glideSd: (GLIDE_SD * mode.hz) / CENTRE_HZ }
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
    if (apartAndReal(two.modes[0], two.modes[1]) && (!best || two.residual < best.residual)) best = two
  }
  if (!best) return []
  const poles = best.modes.map((pole) => ({
    hz: pole.hz + mode.hz - CENTRE_HZ,
    decaySeconds: pole.decaySeconds,
  }))
  // The band is short and the glide bends it, so two very different decays may be one film's: try it both ways.
  const alike = poles.map(({ hz }) => ({ hz, decaySeconds: mode.decaySeconds }))
  return [poles, alike]
}

/** Frequency of the strongest line in what one pole leaves over. */
function loudestLine(residuals: Float64Array, rateHz: number): number {
  let best = CENTRE_HZ
  let top = 0
  for (let hz = CENTRE_HZ - REACH_HZ; hz <= CENTRE_HZ + REACH_HZ; hz += 0.5) {
    let re = 0
    let im = 0
    for (let i = 0; i < residuals.length; i++) {
      re += residuals[i] * Math.cos((2 * Math.PI * hz * i) / rateHz)
      im += residuals[i] * Math.sin((2 * Math.PI * hz * i) / rateHz)
    }
    const power = re * re + im * im
    if (power > top) {
      top = power
      best = hz
    }
  }
  return best
}

/** Both poles ring alike, and are {@link apartAndReal}. */
export function plausiblePair(a: FittedMode, b: FittedMode): boolean {
  const ratio = a.decaySeconds / b.decaySeconds
  return ratio > 0.5 && ratio < 2 && apartAndReal(a, b)
}

/**
 * One stroke starts both poles together, so when the tail begins they still add up; poles that cancel each other are a
 * trick of the fit. And they are apart.
 */
function apartAndReal(a: FittedMode, b: FittedMode): boolean {
  const total = Math.hypot(a.cosine + b.cosine, a.sine + b.sine)
  const apart = Math.abs(a.hz - b.hz)
  return a.amplitude + b.amplitude < MOST_CANCELLED * total && apart > CLOSEST_HZ && apart < REACH_HZ
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
  const minus = evaluate(problem, theta, false).residuals
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
