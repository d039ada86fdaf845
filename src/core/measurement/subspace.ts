import { EigenvalueDecomposition, Matrix } from 'ml-matrix'

/**
 * First estimates of damped modes by the rotational invariance of the signal subspace (ESPRIT).
 *
 * R. Roy & T. Kailath, "ESPRIT: estimation of signal parameters via rotational invariance techniques", IEEE Trans.
 * ASSP 37 (1989) 984-995; the same shift structure underlies the matrix pencil of Y. Hua & T. K. Sarkar, IEEE Trans.
 * ASSP 38 (1990) 814-824. The subspace comes from the covariance of short stretches of the signal.
 */
export interface Pole {
  hz: number
  /** Time in which the amplitude falls by a factor e. */
  decaySeconds: number
}

/** Length of the stretches: long enough to part modes some 10 Hz apart at 2 kHz; refinement does the rest. */
const LONGEST_STRETCH = 60
const MOST_POLES = 26

/**
 * @param samples a tail, evenly sampled at `rateHz`
 * @param noisePower variance of the noise in those samples, 0 when unknown
 * @returns poles with a frequency above 0, in no order; empty where nothing stands out of the noise
 */
export function subspacePoles(samples: Float64Array, rateHz: number, noisePower: number): Pole[] {
  const stretch = Math.min(LONGEST_STRETCH, Math.floor(samples.length / 3))
  if (stretch < 6) return []
  const { values, vectors } = symmetricEigen(covariance(samples, stretch))
  const order = chooseOrder(values, noisePower)
  if (order < 2) return []
  const columns = Array.from({ length: order }, (_, j) => stretch - 1 - j)
  const upper = vectors.subMatrixColumn(columns, 0, stretch - 2)
  const lower = vectors.subMatrixColumn(columns, 1, stretch - 1)
  // Orthonormal columns, so the normal equations of the shift are well conditioned.
  const shift = new Matrix(upper.transpose().mmul(upper))
  let rotation: Matrix
  try {
    rotation = inverseTimes(shift, upper.transpose().mmul(lower))
  } catch {
    return []
  }
  const eigen = new EigenvalueDecomposition(rotation)
  const poles: Pole[] = []
  for (let i = 0; i < order; i++) {
    const re = eigen.realEigenvalues[i]
    const im = eigen.imaginaryEigenvalues[i]
    if (im <= 0) continue
    const size = Math.hypot(re, im)
    poles.push({
      hz: (Math.atan2(im, re) * rateHz) / (2 * Math.PI),
      decaySeconds: size < 1 ? -1 / (Math.log(size) * rateHz) : 10,
    })
  }
  return poles
}

function inverseTimes(a: Matrix, b: Matrix): Matrix {
  const eigen = symmetricEigen(a)
  const n = a.rows
  const scaled = eigen.vectors.transpose().mmul(b)
  for (let i = 0; i < n; i++) scaled.mulRow(i, 1 / Math.max(eigen.values[i], 1e-12))
  return eigen.vectors.mmul(scaled)
}

function symmetricEigen(matrix: Matrix): { values: number[]; vectors: Matrix } {
  const eigen = new EigenvalueDecomposition(matrix, { assumeSymmetric: true })
  return { values: eigen.realEigenvalues, vectors: eigen.eigenvectorMatrix }
}

/** Covariance of all stretches of the given length; each entry follows from its upper left neighbour in O(1). */
function covariance(samples: Float64Array, stretch: number): Matrix {
  const count = samples.length - stretch + 1
  const r = Matrix.zeros(stretch, stretch)
  for (let j = 0; j < stretch; j++) {
    let sum = 0
    for (let t = 0; t < count; t++) sum += samples[t] * samples[t + j]
    r.set(0, j, sum)
    r.set(j, 0, sum)
    for (let i = 1; i + j < stretch; i++) {
      sum += samples[i + count - 1] * samples[i + j + count - 1] - samples[i - 1] * samples[i + j - 1]
      r.set(i, i + j, sum)
      r.set(i + j, i, sum)
    }
  }
  return r.div(count)
}

/**
 * Number of poles to take: eigenvalues that stand above the noise, whose level is the larger of what was heard
 * before the stroke and the lower half of the eigenvalues. Even, since real modes come as conjugate pairs.
 */
function chooseOrder(ascending: number[], noisePower: number): number {
  const n = ascending.length
  const lowHalf = ascending.slice(0, Math.floor(n / 2)).reduce((sum, v) => sum + Math.max(v, 0), 0) / (n / 2)
  const threshold = Math.max(4 * lowHalf, 3 * noisePower, ascending[n - 1] * 1e-9)
  let order = 0
  while (order < Math.min(MOST_POLES, Math.floor(n / 2)) && ascending[n - 1 - order] > threshold) order++
  return order + (order % 2)
}
