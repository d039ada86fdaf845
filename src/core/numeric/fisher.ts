import { invertSymmetric } from './linear'

/** A value to be made small, and the outer product of what it is made of: enough to go downhill by. */
export interface Scored {
  value: number
  /** Sum of weight times square of the slopes of all residuals, row-major 3 x 3. */
  information: Float64Array
}

export interface Descent {
  x: [number, number, number]
  value: number
  /** Inverse of the information there: the covariance. */
  p: Float64Array
}

const MOST_STEPS = 14
const ENOUGH = 1e-3

/**
 * A minimum of a negative log density of three numbers near a start: Fisher's scoring, damped until it goes down (Levenberg
 * 1944; Marquardt 1963).
 * @param scored value with information, or the value alone
 * @param h step of the gradient's differences
 * @returns null where the information is singular
 */
export function fisherDescend(
  value: (x: ArrayLike<number>) => number,
  scored: (x: ArrayLike<number>) => Scored,
  start: ArrayLike<number>,
  h: number,
  mostSteps = MOST_STEPS,
): Descent | null {
  let x: [number, number, number] = [start[0], start[1], start[2]]
  let now = scored(x)
  let damp = 0.02
  for (let step = 0; step < mostSteps; step++) {
    const gradient = [0, 1, 2].map((i) => {
      const y = [...x]
      y[i] += h
      return (value(y) - now.value) / h
    })
    let moved = 0
    for (; damp < 1e7; damp *= 8) {
      const damped = now.information.slice()
      for (let i = 0; i < 3; i++) damped[i * 4] *= 1 + damp
      const inverse = invertSymmetric(damped, 3)
      if (!inverse) return null
      const next = x.map(
        (v, i) => v - [0, 1, 2].reduce((sum, j) => sum + inverse[i * 3 + j] * gradient[j], 0),
      ) as typeof x
      const found = value(next)
      if (found < now.value) {
        moved = now.value - found
        x = next
        break
      }
    }
    if (moved === 0) break
    damp = Math.max(1e-3, damp / 8)
    now = scored(x)
    if (moved < ENOUGH) break
  }
  const p = invertSymmetric(now.information, 3)
  return p && { x, value: now.value, p }
}
