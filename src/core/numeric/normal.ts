/** The normal law: density and distribution. */

/**
 * Standard normal distribution function.
 *
 * Abramowitz & Stegun 26.2.17, absolute error below 7.5e-8; the constants are the book's p and b1 to b5.
 */
export function normalCdf(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x))
  const series =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  const tail = (Math.exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI)) * series
  return x > 0 ? 1 - tail : tail
}

/** Log density of a normal law with standard deviation `sd`, at distance `x` from its mean. */
export function logNormalDensity(x: number, sd: number): number {
  return -0.5 * (x / sd) ** 2 - Math.log(sd) - 0.5 * Math.log(2 * Math.PI)
}
