import { invertSymmetric } from './linear'

const NEWTON_STEPS = 8

export interface Minimum {
  x: number[]
  value: number
  /** Inverse of the Hessian there, row-major 3 x 3; null where it is no minimum. */
  p: Float64Array | null
}

/**
 * A minimum of a function of three numbers near a start: Newton's method with a numeric Hessian, damped until it goes down
 * (Levenberg 1944; Marquardt 1963).
 * @param h step of the differences: a length over which the function bends
 */
export function newtonDescend(
  score: (x: readonly number[]) => number,
  start: readonly number[],
  h: number,
): Minimum {
  let x = [...start]
  let value = score(x)
  let hessian = new Float64Array(9)
  for (let step = 0; step < NEWTON_STEPS; step++) {
    const at = derivatives(score, x, value, h)
    hessian = at.hessian
    let moved = false
    for (let damp = 0.01; damp < 1e6; damp *= 12) {
      const damped = hessian.slice()
      for (let i = 0; i < 3; i++) damped[i * 4] += damp * (Math.abs(hessian[i * 4]) + 1e-3 / h ** 2)
      const inverse = invertSymmetric(damped, 3)
      if (!inverse) continue
      const next = x.map((v, i) => v - [0, 1, 2].reduce((s, j) => s + inverse[i * 3 + j] * at.gradient[j], 0))
      const found = score(next)
      if (found < value) {
        moved = value - found > 1e-3
        x = next
        value = found
        break
      }
    }
    if (!moved) break
  }
  return { x, value, p: invertSymmetric(derivatives(score, x, value, h).hessian, 3) }
}

function derivatives(
  score: (x: readonly number[]) => number,
  x: readonly number[],
  value: number,
  h: number,
) {
  const at = (i: number, a: number, j = 0, b = 0) => {
    const y = [...x]
    y[i] += a * h
    y[j] += b * h
    return score(y)
  }
  const plus = [0, 1, 2].map((i) => at(i, 1))
  const minus = [0, 1, 2].map((i) => at(i, -1))
  const hessian = new Float64Array(9)
  for (let i = 0; i < 3; i++) {
    hessian[i * 4] = (plus[i] - 2 * value + minus[i]) / (h * h)
    for (let j = 0; j < i; j++) {
      const mixed = at(i, 1, j, 1) - plus[i] - plus[j] + value
      const other = at(i, -1, j, -1) - minus[i] - minus[j] + value
      hessian[i * 3 + j] = hessian[j * 3 + i] = (mixed + other) / (2 * h * h)
    }
  }
  return { gradient: plus.map((p, i) => (p - minus[i]) / (2 * h)), hessian }
}
