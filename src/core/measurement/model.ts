/**
 * The model of a tail, its residuals and derivatives.
 *
 *   x(t) = sum_k e^(-t d_k) (a_k cos phi_k(t) + b_k sin phi_k(t)),
 *   phi_k(t) = 2 pi f_k (t + g s (1 - e^(-t / s)))
 *
 * so that the frequency of every mode is f_k (1 + g e^(-t / s)): the settled pitch f_k, reached from above as the
 * tension that the stroke added dies away. Parameters: f, d, a, b of each mode, then g and ln(s / s0).
 */
export const PER_MODE = 4

/** The glide is at most some tens of cents when the tail begins: one standard deviation, relative. */
export const GLIDE_SD = 0.02
/** ... and its time is known to within a factor of two or so. */
const GLIDE_TIME_LOG_SD = 0.5

export interface Problem {
  samples: Float64Array
  rateHz: number
  /** Null holds the glide at zero. */
  glidePrior: { seconds: number; sd: number; noisePower: number } | null
}

export interface State {
  /** Squared residuals plus the priors of the glide in the same units. */
  cost: number
  residuals: Float64Array
  /** Half the curvature and the downhill slope; null where not asked for. */
  normal: Float64Array | null
  gradient: Float64Array | null
}

/** Adds row^T row (upper triangle) and row^T value. */
export function accumulate(normal: Float64Array, right: Float64Array, row: Float64Array, value: number, n: number) {
  for (let i = 0; i < n; i++) {
    const r = row[i]
    right[i] += r * value
    for (let j = i, at = i * n + i; j < n; j++, at++) normal[at] += r * row[j]
  }
}

/** Fills the lower triangle from the upper one. */
export function mirror(normal: Float64Array, n: number) {
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) normal[i * n + j] = normal[j * n + i]
}

export function evaluate(problem: Problem, theta: Float64Array, withDerivatives: boolean): State {
  const { samples, rateHz, glidePrior } = problem
  const n = theta.length
  const count = (n - 2) / PER_MODE
  const g = theta[n - 2]
  const s = (glidePrior?.seconds ?? 1) * Math.exp(theta[n - 1])
  const residuals = new Float64Array(samples.length)
  const normal = withDerivatives ? new Float64Array(n * n) : null
  const gradient = withDerivatives ? new Float64Array(n) : null
  const row = new Float64Array(n)
  let cost = 0
  for (let i = 0; i < samples.length; i++) {
    const t = i / rateHz
    const fade = glidePrior ? Math.exp(-t / s) : 0
    const bend = s * (1 - fade)
    const stretched = glidePrior ? t + g * bend : t
    let model = 0
    let byTime = 0
    for (let k = 0; k < count; k++) {
      const at = k * PER_MODE
      const envelope = Math.exp(-t * theta[at + 1])
      const omega = 2 * Math.PI * theta[at]
      const c = envelope * Math.cos(omega * stretched)
      const d = envelope * Math.sin(omega * stretched)
      const value = theta[at + 2] * c + theta[at + 3] * d
      model += value
      if (!normal) continue
      const byPhase = theta[at + 3] * c - theta[at + 2] * d
      row[at] = byPhase * 2 * Math.PI * stretched
      row[at + 1] = -t * value
      row[at + 2] = c
      row[at + 3] = d
      byTime += byPhase * omega
    }
    const residual = samples[i] - model
    residuals[i] = residual
    cost += residual * residual
    if (normal && gradient) {
      row[n - 2] = glidePrior ? byTime * bend : 0
      row[n - 1] = glidePrior ? byTime * g * (bend - t * fade) : 0
      accumulate(normal, gradient, row, residual, n)
    }
  }
  const priors = glidePrior
    ? [glidePrior.noisePower / glidePrior.sd ** 2, glidePrior.noisePower / GLIDE_TIME_LOG_SD ** 2]
    : [1, 1]
  priors.forEach((weight, i) => {
    const at = n - 2 + i
    cost += weight * theta[at] ** 2
    if (normal && gradient) {
      normal[at * n + at] += weight
      gradient[at] -= weight * theta[at]
    }
  })
  if (normal) mirror(normal, n)
  return { cost, residuals, normal, gradient }
}
