import { cholesky, choleskySolve, invertSymmetric } from '../numeric/linear'
import { Accumulator, evaluate, GLIDE_SD, PER_MODE, ROWS_AT_ONCE, type Problem, type State } from './model'
import type { Pole } from './subspace'

/**
 * Nonlinear least squares on a sum of damped sinusoids with a common glide (see `model.ts`), by Levenberg-Marquardt
 * with analytic derivatives (Nocedal & Wright, *Numerical Optimization*, section 10.3). The covariance is that of the
 * linearised fit (Kay, *Fundamentals of Statistical Signal Processing: Estimation Theory*, chapters 3 and 8).
 */
export interface FittedMode extends Pole {
  /** Amplitude at the start of the fitted stretch, and its cosine and sine parts. */
  amplitude: number
  cosine: number
  sine: number
}

export interface Glide {
  /** Relative pitch above the settled one at the start of the stretch. */
  relative: number
  /** Time in which the glide falls by a factor e. */
  seconds: number
}

export interface Fit {
  modes: FittedMode[]
  glide: Glide
  /** Sum of squared residuals. */
  residual: number
  residuals: Float64Array
  /**
   * Covariance of the parameters for noise of unit variance, row-major; per mode frequency (Hz), damping (1/s),
   * cosine, sine, then the glide and the log of its time. Null where the fit is degenerate.
   */
  readonly covariance: Float64Array | null
  /** The parameters themselves, in that order. */
  theta: Float64Array
  parameters: number
}

const FASTEST_DECAY_SECONDS = 0.008
const SLOWEST_DECAY_SECONDS = 20
const LARGEST_GLIDE = 0.2
const MOST_ITERATIONS = 14
/** Relative gain of the cost below which a fit has arrived, and above which its curvature is out of date. */
const ARRIVED = 1e-5
/** A step that promises less than this part of that is not taken. */
const PROMISE = 0.3
const FAR_FROM_GOAL = 0.2
const STEPS_A_CURVATURE = 3

/**
 * Refines `poles` on evenly sampled `samples`.
 * @param noisePower variance of a sample's noise, which sets the strength of the glide's prior
 * @param glide where the glide's search starts, or null for none
 * @param arrived relative gain of the cost below which it stops
 * @param paired the first two poles are a pair: their decays agree
 * @param steady the last so many poles ring on from before the stroke and do not bend
 */
export function refineModes(
  samples: Float64Array,
  rateHz: number,
  poles: readonly Pole[],
  noisePower: number,
  glide: Glide | null,
  { iterations = MOST_ITERATIONS, glideSd = GLIDE_SD, steady = 0, paired = false, arrived = ARRIVED } = {},
): Fit {
  const problem: Problem = {
    samples,
    rateHz,
    steady,
    paired,
    noisePower: Math.max(noisePower, 1e-16),
    glidePrior: glide && { seconds: glide.seconds, sd: glideSd, noisePower: Math.max(noisePower, 1e-16) },
  }
  const n = poles.length * PER_MODE + 2
  let theta = startingPoint(problem, poles, glide)
  let state = evaluate(problem, theta, 'curvature')
  let curvature = state.normal!
  // The curvature hardly changes near the goal and costs most: it is kept for a few steps (a chord iteration).
  let age = 0
  let damping = 1e-3
  for (let iteration = 0; iteration < iterations; iteration++) {
    const step = solveStep(curvature, state.gradient!, damping, n)
    if (!step) break
    // What the step promises by the linearised model: too little to be worth another look.
    const promised = step.reduce((sum, by, i) => sum + by * state.gradient![i], 0)
    if (promised < PROMISE * arrived * state.cost) break
    const candidate = theta.map((value, i) => value + step[i])
    limit(candidate, poles.length)
    const next = evaluate(problem, candidate, age < STEPS_A_CURVATURE ? 'slope' : 'curvature')
    if (next.cost < state.cost) {
      const gain = (state.cost - next.cost) / state.cost
      theta = candidate
      state = next
      damping = Math.max(damping / 8, 1e-12)
      age = next.normal ? 0 : age + 1
      if (gain < arrived) break
      if (gain > FAR_FROM_GOAL && !next.normal) {
        state = evaluate(problem, theta, 'curvature')
        age = 0
      }
      curvature = state.normal ?? curvature
    } else if (age > 0) {
      state = evaluate(problem, theta, 'curvature')
      curvature = state.normal!
      age = 0
    } else {
      damping *= 8
      if (damping > 1e6) break
    }
  }
  return describe(problem, theta, state, poles.length, glide?.seconds ?? 1)
}

/** Amplitudes of `poles` on `samples` by linear least squares, no glide: cosine and sine parts in turn. */
export function fitAmplitudes(samples: Float64Array, rateHz: number, poles: readonly Pole[]): Float64Array {
  const m = 2 * poles.length
  const sums = new Accumulator(m)
  // Each pole goes from sample to sample by one complex factor.
  const steps = poles.map(({ hz, decaySeconds }) => {
    const shrink = Math.exp(-1 / (decaySeconds * rateHz))
    const angle = (2 * Math.PI * hz) / rateHz
    return [shrink * Math.cos(angle), shrink * Math.sin(angle)]
  })
  const re = new Float64Array(poles.length).fill(1)
  const im = new Float64Array(poles.length)
  for (let i = 0; i < samples.length; i++) {
    for (let k = 0; k < poles.length; k++) {
      sums.rows[2 * k * ROWS_AT_ONCE + sums.slot] = re[k]
      sums.rows[(2 * k + 1) * ROWS_AT_ONCE + sums.slot] = im[k]
      const [a, b] = steps[k]
      const next = a * re[k] - b * im[k]
      im[k] = a * im[k] + b * re[k]
      re[k] = next
    }
    sums.add(samples[i])
  }
  sums.finish()
  for (let i = 0; i < m; i++) sums.normal[i * m + i] *= 1 + 1e-9
  const factor = cholesky(sums.normal, m)
  return factor ? choleskySolve(factor, sums.gradient, m) : new Float64Array(m)
}

function startingPoint(problem: Problem, poles: readonly Pole[], glide: Glide | null): Float64Array {
  const theta = new Float64Array(poles.length * PER_MODE + 2)
  const amplitudes = fitAmplitudes(problem.samples, problem.rateHz, poles)
  poles.forEach((pole, k) => {
    theta.set([pole.hz, 1 / pole.decaySeconds, amplitudes[2 * k], amplitudes[2 * k + 1]], k * PER_MODE)
  })
  theta[theta.length - 2] = glide?.relative ?? 0
  return theta
}

function solveStep(curvature: Float64Array, gradient: Float64Array, damping: number, n: number) {
  const damped = Float64Array.from(curvature)
  for (let i = 0; i < n; i++) damped[i * n + i] += damping * damped[i * n + i] + 1e-30
  const factor = cholesky(damped, n)
  return factor && choleskySolve(factor, gradient, n)
}

/** Keeps every pole where a drum's can be, so that one bad step cannot run away. */
function limit(theta: Float64Array, count: number) {
  const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
  for (let k = 0; k < count; k++) {
    const at = k * PER_MODE
    theta[at] = Math.max(5, theta[at])
    theta[at + 1] = clamp(theta[at + 1], 1 / SLOWEST_DECAY_SECONDS, 1 / FASTEST_DECAY_SECONDS)
  }
  theta[theta.length - 2] = clamp(theta[theta.length - 2], -LARGEST_GLIDE, LARGEST_GLIDE)
  theta[theta.length - 1] = clamp(theta[theta.length - 1], -2, 2)
}

function describe(
  problem: Problem,
  theta: Float64Array,
  state: State,
  count: number,
  glideSeconds: number,
): Fit {
  const n = theta.length
  const modes = Array.from({ length: count }, (_, k) => {
    const [hz, damping, cosine, sine] = theta.subarray(k * PER_MODE, (k + 1) * PER_MODE)
    return { hz, decaySeconds: 1 / damping, cosine, sine, amplitude: Math.hypot(cosine, sine) }
  })
  let covariance: Float64Array | null | undefined
  return {
    modes,
    glide: { relative: theta[n - 2], seconds: glideSeconds * Math.exp(theta[n - 1]) },
    residual: state.residuals.reduce((sum, r) => sum + r * r, 0),
    residuals: state.residuals,
    // Most fits are only compared: the covariance is worked out when it is asked for.
    get covariance() {
      covariance ??= invertSymmetric(state.normal ?? evaluate(problem, theta, 'curvature').normal!, n)
      return covariance
    },
    theta,
    parameters: n,
  }
}
