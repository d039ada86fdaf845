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
/** Decays of the two poles of a pair differ by about this part. */
const PAIRED_DECAY_SD = 0.05

export interface Problem {
  samples: Float64Array
  rateHz: number
  /** The last so many modes ring on from before the stroke, another drum's or a hum: they do not bend. */
  steady?: number
  /** The first two modes are one motion of one film: their decays agree, and the fit is told so. */
  paired?: boolean
  /** Noise variance that {@link PAIRED_DECAY_SD} is weighed against. */
  noisePower?: number
  /** Null holds the glide at zero. */
  glidePrior: { seconds: number; sd: number; noisePower: number } | null
}

/** How much of a state is worked out: the curvature costs several times what the slope does. */
export type Depth = 'cost' | 'slope' | 'curvature'

export interface State {
  /** Squared residuals plus the priors of the glide in the same units. */
  cost: number
  residuals: Float64Array
  /** Half the curvature; null where not asked for. */
  normal: Float64Array | null
  /** The downhill slope; null where not asked for. */
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
export function evaluate(problem: Problem, theta: Float64Array, depth: Depth): State {
  const { samples, rateHz, glidePrior } = problem
  const n = theta.length
  const count = (n - 2) / PER_MODE
  const bending = count - (problem.steady ?? 0)
  const g = glidePrior ? theta[n - 2] : 0
  const s = (glidePrior?.seconds ?? 1) * Math.exp(theta[n - 1])
  const residuals = new Float64Array(samples.length)
  const sums = depth === 'curvature' ? new Accumulator(n) : null
  const slope = depth === 'slope' ? new Float64Array(n) : null
  const rows = sums?.rows ?? new Float64Array(n)
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
    // One row at a time, or eight side by side for the accumulator.
    const stride = sums ? BLOCK : 1
    const slot = sums?.slot ?? 0
    for (let k = 0, at = 0; k < count; k++, at += PER_MODE) {
      const c = re[k]
      const d = im[k]
      const value = theta[at + 2] * c + theta[at + 3] * d
      model += value
      if (depth === 'cost') continue
      const byPhase = 2 * Math.PI * (theta[at + 3] * c - theta[at + 2] * d)
      const into = at * stride + slot
      rows[into] = byPhase * (k < bending ? stretched : t)
      rows[into + stride] = -t * value
      rows[into + 2 * stride] = c
      rows[into + 3 * stride] = d
      if (k < bending) byTime += byPhase * theta[at]
    }
    const residual = samples[i] - model
    residuals[i] = residual
    cost += residual * residual
    if (depth !== 'cost') {
      rows[(n - 2) * stride + slot] = glidePrior ? byTime * bend : 0
      rows[(n - 1) * stride + slot] = glidePrior ? byTime * g * (bend - t * fade) : 0
      if (sums) sums.add(residual)
      else for (let j = 0; j < n; j++) slope![j] += rows[j] * residual
    }
    const further = g * s * fade * (1 - fadeStep)
    fade *= fadeStep
    for (let k = 0; k < count; k++) {
      const a = stepRe[k] * re[k] - stepIm[k] * im[k]
      const b = stepRe[k] * im[k] + stepIm[k] * re[k]
      if (further === 0 || k >= bending) {
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
  const gradient = sums?.gradient ?? slope
  priors.forEach((weight, i) => {
    const at = n - 2 + i
    cost += weight * theta[at] ** 2
    if (sums) sums.normal[at * n + at] += weight
    if (gradient) gradient[at] -= weight * theta[at]
  })
  if (problem.paired) {
    const between = theta[1] - theta[PER_MODE + 1]
    const typical = (theta[1] + theta[PER_MODE + 1]) / 2
    const weight = (problem.noisePower ?? 0) / (PAIRED_DECAY_SD * typical) ** 2
    cost += weight * between ** 2
    const a = 1
    const b = PER_MODE + 1
    if (sums) {
      sums.normal[a * n + a] += weight
      sums.normal[b * n + b] += weight
      sums.normal[a * n + b] -= weight
      sums.normal[b * n + a] -= weight
    }
    if (gradient) {
      gradient[a] -= weight * between
      gradient[b] += weight * between
    }
  }
  return { cost, residuals, normal: sums?.normal ?? null, gradient }
}
