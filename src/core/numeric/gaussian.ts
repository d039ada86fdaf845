/** What is believed of some numbers together: their means, and their covariance row by row. */
export interface Gaussian {
  x: Float64Array
  p: Float64Array
}

/**
 * A scalar observation taken in: `value` = `row` . x + noise of the given variance (the Kalman update; Kalman 1960, Anderson & Moore,
 * *Optimal Filtering*, chapter 3). The argument is left as it is.
 */
export function observed(
  { x, p }: Gaussian,
  row: ArrayLike<number>,
  value: number,
  variance: number,
): Gaussian {
  const size = x.length
  const gain = new Float64Array(size)
  let predicted = 0
  let total = variance
  for (let i = 0; i < size; i++) {
    predicted += row[i] * x[i]
    for (let j = 0; j < size; j++) gain[i] += p[i * size + j] * row[j]
  }
  for (let i = 0; i < size; i++) total += row[i] * gain[i]
  const next = { x: x.slice(), p: p.slice() }
  for (let i = 0; i < size; i++) {
    next.x[i] += (gain[i] / total) * (value - predicted)
    for (let j = 0; j < size; j++) next.p[i * size + j] -= (gain[i] * gain[j]) / total
  }
  return next
}

/** Variance of `row` . x. */
export function varianceOf({ x, p }: Gaussian, row: ArrayLike<number>): number {
  const size = x.length
  let sum = 0
  for (let i = 0; i < size; i++) for (let j = 0; j < size; j++) sum += row[i] * p[i * size + j] * row[j]
  return Math.max(0, sum)
}
