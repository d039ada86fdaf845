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

/** Rows that an {@link Accumulator} takes at once. */
export const ROWS_AT_ONCE = 8
const BLOCK = ROWS_AT_ONCE

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

/**
 * Gathers rows of a least-squares problem and adds row^T row (upper triangle) and row^T value, eight rows at a time:
 * this sum is where a fit spends its time, and eight products a store are four times as fast as one.
 */
export class Accumulator {
  readonly normal: Float64Array
  readonly gradient: Float64Array
  /** Fill these, then call `add`: entry j of the row at `rows[8 j + slot]`. */
  readonly rows: Float64Array
  slot = 0
  private readonly values = new Float64Array(BLOCK)

  constructor(private readonly n: number) {
    this.normal = new Float64Array(n * n)
    this.gradient = new Float64Array(n)
    this.rows = new Float64Array(n * BLOCK)
  }

  add(value: number): void {
    this.values[this.slot++] = value
    if (this.slot === BLOCK) this.flush()
  }

  /** Takes in what is left and fills the lower triangle. */
  finish(): void {
    if (this.slot > 0) {
      for (let j = 0; j < this.n; j++) this.rows.fill(0, j * BLOCK + this.slot, (j + 1) * BLOCK)
      this.values.fill(0, this.slot)
      this.flush()
    }
    const { normal, n } = this
    for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) normal[i * n + j] = normal[j * n + i]
  }

  private flush(): void {
    const { rows, values, normal, gradient, n } = this
    for (let i = 0; i < n; i++) {
      const p = i * BLOCK
      const r0 = rows[p]
      const r1 = rows[p + 1]
      const r2 = rows[p + 2]
      const r3 = rows[p + 3]
      const r4 = rows[p + 4]
      const r5 = rows[p + 5]
      const r6 = rows[p + 6]
      const r7 = rows[p + 7]
      gradient[i] +=
        r0 * values[0] +
        r1 * values[1] +
        r2 * values[2] +
        r3 * values[3] +
        r4 * values[4] +
        r5 * values[5] +
        r6 * values[6] +
        r7 * values[7]
      for (let j = i, q = p, at = i * n + i; j < n; j++, q += BLOCK, at++) {
        normal[at] +=
          r0 * rows[q] +
          r1 * rows[q + 1] +
          r2 * rows[q + 2] +
          r3 * rows[q + 3] +
          r4 * rows[q + 4] +
          r5 * rows[q + 5] +
          r6 * rows[q + 6] +
          r7 * rows[q + 7]
      }
    }
    this.slot = 0
  }
}

/**
 * Residuals of the model at `theta`, with curvature and slope where asked for.
 *
 * Every mode is carried from sample to sample by one complex factor; the glide turns it a little further each time, by
 * an angle below 0.05 rad, whose sine and cosine are taken from four terms of their series (error under 3e-9 a sample).
 */
export function evaluate(problem: Problem, theta: Float64Array, withDerivatives: boolean): State {
  const { samples, rateHz, glidePrior } = problem
  const n = theta.length
  const count = (n - 2) / PER_MODE
  const g = glidePrior ? theta[n - 2] : 0
  const s = (glidePrior?.seconds ?? 1) * Math.exp(theta[n - 1])
  const residuals = new Float64Array(samples.length)
  const sums = withDerivatives ? new Accumulator(n) : null
  const rows = sums?.rows ?? new Float64Array(0)
  const re = new Float64Array(count).fill(1)
  const im = new Float64Array(count)
  const stepRe = new Float64Array(count)
  const stepIm = new Float64Array(count)
  for (let k = 0; k < count; k++) {
    const shrink = Math.exp(-theta[k * PER_MODE + 1] / rateHz)
    const angle = (2 * Math.PI * theta[k * PER_MODE]) / rateHz
    stepRe[k] = shrink * Math.cos(angle)
    stepIm[k] = shrink * Math.sin(angle)
  }
  const fadeStep = glidePrior ? Math.exp(-1 / (rateHz * s)) : 0
  let fade = glidePrior ? 1 : 0
  let cost = 0
  for (let i = 0; i < samples.length; i++) {
    const t = i / rateHz
    const bend = glidePrior ? s * (1 - fade) : 0
    const stretched = t + g * bend
    let model = 0
    let byTime = 0
    const slot = sums?.slot ?? 0
    for (let k = 0, at = 0; k < count; k++, at += PER_MODE) {
      const c = re[k]
      const d = im[k]
      const value = theta[at + 2] * c + theta[at + 3] * d
      model += value
      if (!withDerivatives) continue
      const byPhase = 2 * Math.PI * (theta[at + 3] * c - theta[at + 2] * d)
      const into = at * BLOCK + slot
      rows[into] = byPhase * stretched
      rows[into + BLOCK] = -t * value
      rows[into + 2 * BLOCK] = c
      rows[into + 3 * BLOCK] = d
      byTime += byPhase * theta[at]
    }
    const residual = samples[i] - model
    residuals[i] = residual
    cost += residual * residual
    if (sums) {
      rows[(n - 2) * BLOCK + slot] = glidePrior ? byTime * bend : 0
      rows[(n - 1) * BLOCK + slot] = glidePrior ? byTime * g * (bend - t * fade) : 0
      sums.add(residual)
    }
    const further = g * s * fade * (1 - fadeStep)
    fade *= fadeStep
    for (let k = 0; k < count; k++) {
      const a = stepRe[k] * re[k] - stepIm[k] * im[k]
      const b = stepRe[k] * im[k] + stepIm[k] * re[k]
      if (further === 0) {
        re[k] = a
        im[k] = b
      } else {
        const x = 2 * Math.PI * theta[k * PER_MODE] * further
        const xx = x * x
        const cos = 1 - xx / 2 + (xx * xx) / 24
        const sin = x * (1 - xx / 6 + (xx * xx) / 120)
        re[k] = a * cos - b * sin
        im[k] = a * sin + b * cos
      }
    }
  }
  const priors = glidePrior
    ? [glidePrior.noisePower / glidePrior.sd ** 2, glidePrior.noisePower / GLIDE_TIME_LOG_SD ** 2]
    : [1, 1]
  sums?.finish()
  priors.forEach((weight, i) => {
    const at = n - 2 + i
    cost += weight * theta[at] ** 2
    if (sums) {
      sums.normal[at * n + at] += weight
      sums.gradient[at] -= weight * theta[at]
    }
  })
  return { cost, residuals, normal: sums?.normal ?? null, gradient: sums?.gradient ?? null }
}
