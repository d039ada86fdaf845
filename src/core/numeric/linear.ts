/**
 * Small dense symmetric systems, row-major in Float64Array: the inner loop of the mode refinement, where a
 * general matrix class spends more time on allocation than on arithmetic.
 */

/**
 * Cholesky factor L (lower, row-major) of the symmetric positive definite n x n matrix `a`.
 * @returns null when `a` is not positive definite.
 */
export function cholesky(a: Float64Array, n: number): Float64Array | null {
  const l = new Float64Array(n * n)
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = a[i * n + j]
      for (let k = 0; k < j; k++) sum -= l[i * n + k] * l[j * n + k]
      if (i === j) {
        if (!(sum > 0)) return null
        l[i * n + i] = Math.sqrt(sum)
      } else {
        l[i * n + j] = sum / l[j * n + j]
      }
    }
  }
  return l
}

/** Solves L L^T x = b for a factor from {@link cholesky}. */
export function choleskySolve(l: Float64Array, b: ArrayLike<number>, n: number): Float64Array {
  const x = Float64Array.from(b)
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i] -= l[i * n + k] * x[k]
    x[i] /= l[i * n + i]
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i] -= l[k * n + i] * x[k]
    x[i] /= l[i * n + i]
  }
  return x
}

/** Inverse of a symmetric positive definite matrix, row-major; null when it is not positive definite. */
export function invertSymmetric(a: Float64Array, n: number): Float64Array | null {
  const l = cholesky(a, n)
  if (!l) return null
  const inverse = new Float64Array(n * n)
  const unit = new Float64Array(n)
  for (let column = 0; column < n; column++) {
    unit.fill(0)
    unit[column] = 1
    const x = choleskySolve(l, unit, n)
    for (let row = 0; row < n; row++) inverse[row * n + column] = x[row]
  }
  return inverse
}

/** Inverse, row-major, of the matrix whose factor {@link cholesky} gave. */
export function inverseOf(l: Float64Array, n: number): number[] {
  const columns = Array.from({ length: n }, (_, j) =>
    choleskySolve(
      l,
      Array.from({ length: n }, (_each, i) => Number(i === j)),
      n,
    ),
  )
  return Array.from({ length: n * n }, (_, k) => columns[k % n][Math.floor(k / n)])
}
