import type { Fit } from './refine'

/** The fit's parameters with what is known of the glide, and errors from the whole covariance. */
export interface Settled {
  theta: Float64Array
  /** Probability that the tail glides at all. */
  glideOdds: number
  /**
   * Standard error of what a gradient over the parameters makes of them, for a noise of the given variance; `hz` is the
   * pitch that the glide may have bent, 0 for what it does not bend.
   */
  errorOf(fill: (gradient: Float64Array) => void, noisePower: number, hz: number): number
}

/** The glide's shape is not exactly the model's: this part of what it bends remains, one standard error. */
const GLIDE_LEFT = 0.012

/**
 * Weighs "no glide" against "a glide" and averages. Fitting a glide that is not there costs most of a tail's knowledge of
 * its pitch, leaving out one that is there bends it; the average is right in both cases. The evidence is Laplace's, of
 * a prior of `glideSd` on the glide (Kass & Raftery, "Bayes factors", JASA 90 (1995) 773-795).
 */
export function settle(fit: Fit, noisePower: number, glideSd: number): Settled {
  const n = fit.parameters
  const theta = Float64Array.from(fit.theta)
  const covariance = fit.covariance
  const at = n - 2
  const unit = covariance ? covariance[at * n + at] : 0
  const g = theta[at]
  const variance = unit * noisePower
  if (!covariance || !(variance > 0)) {
    return { theta, glideOdds: 1, errorOf: (_, __, hz) => 0.01 * hz }
  }
  const logFactor = Math.min(30, g ** 2 / variance / 2) + 0.5 * Math.log(Math.min(1, variance / glideSd ** 2))
  const glideOdds = 1 / (1 + Math.exp(-logFactor))
  const none = 1 - glideOdds
  const column = Float64Array.from({ length: n }, (_, i) => covariance[i * n + at])
  for (let i = 0; i < n; i++) theta[i] -= (none * column[i] * g) / unit
  const errorOf: Settled['errorOf'] = (fill, noise, hz) => {
    const gradient = new Float64Array(n)
    fill(gradient)
    let full = 0
    let byGlide = 0
    for (let i = 0; i < n; i++) {
      if (gradient[i] === 0) continue
      byGlide += gradient[i] * column[i]
      for (let j = 0; j < n; j++) full += gradient[i] * covariance[i * n + j] * gradient[j]
    }
    const fitted = (full - (none * byGlide ** 2) / unit) * noise
    const between = none * glideOdds * ((byGlide * g) / unit) ** 2
    const left = GLIDE_LEFT * glideOdds * Math.abs(g) * hz
    return Math.sqrt(Math.max(0, fitted) + between + left ** 2)
  }
  return { theta, glideOdds, errorOf }
}
