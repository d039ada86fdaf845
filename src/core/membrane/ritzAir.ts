import { besselJ, besselPrimeZeros } from '../numeric/bessel'
import { CAVITY_MODES, type ShellAir, shellColumn } from './air'
import { gaussLegendre, RADII, type RitzBasis, type RitzShape } from './ritz'

/**
 * Air on the shapes of a Ritz basis: for every angular order m a block over n, the same for cosine and sine. Outside air
 * by baffled-piston theory, inside air by the column model; see `air.ts`, whose single-shape loads are the diagonals.
 */
export interface OrderAir {
  /** Outside air per rho a, n x n. */
  outside: Float64Array
  /** Projection of every film shape on every cavity shape, n x CAVITY_MODES. */
  projection: Float64Array
  cavityZeros: readonly number[]
}

export interface RitzAir {
  orders: OrderAir[]
  nMost: number
}

const known = new WeakMap<RitzBasis, RitzAir>()

/** Loads of the basis, made once. */
export function ritzAir(basis: RitzBasis): RitzAir {
  let air = known.get(basis)
  if (!air) {
    air = {
      nMost: basis.nMost,
      orders: Array.from({ length: basis.mMost + 1 }, (_, m) =>
        orderAir(basis.shapes.filter((shape) => shape.m === m && !shape.sine)),
      ),
    }
    known.set(basis, air)
  }
  return air
}

function orderAir(shapes: readonly RitzShape[]): OrderAir {
  const { m } = shapes[0]
  const count = shapes.length
  const outside = new Float64Array(count * count)
  // Signs of the slopes at the rim: the closed form of the transform carries J_m'(j), of which only the sign is left.
  const signs = shapes.map(({ n }) => (n % 2 ? 1 : -1))
  const end = 70
  const steps = 1400
  for (let step = 0; step < steps; step++) {
    const s = (end * (step + 0.5)) / steps
    const bessel = besselJ(m, s)
    const v = shapes.map(({ zero }, i) => (signs[i] * zero * bessel) / (s * s - zero * zero))
    for (let i = 0; i < count; i++)
      for (let j = 0; j < count; j++) outside[i * count + j] += (2 * v[i] * v[j] * end) / steps
  }
  const cavityZeros = besselPrimeZeros(m, CAVITY_MODES)
  const projection = new Float64Array(count * CAVITY_MODES)
  const nodes = gaussLegendre(RADII).map(({ x, w }) => ({ r: (x + 1) / 2, w: (w / 2) * ((x + 1) / 2) }))
  cavityZeros.forEach((zero, c) => {
    const cavity = nodes.map(({ r }) => besselJ(m, zero * r))
    const norm = Math.sqrt(nodes.reduce((sum, { w }, p) => sum + w * cavity[p] ** 2, 0))
    shapes.forEach((shape, i) => {
      const film = nodes.map(({ r }) => besselJ(m, shape.zero * r))
      const filmNorm = Math.sqrt(nodes.reduce((sum, { w }, p) => sum + w * film[p] ** 2, 0))
      const cross = nodes.reduce((sum, { w }, p) => sum + w * film[p] * cavity[p], 0)
      projection[i * CAVITY_MODES + c] = cross / (norm * filmNorm)
    })
  })
  return { outside, projection, cavityZeros }
}

/** Part of the n-th film shape without nodal lines that pushes the plane wave. @param projection of order 0 */
export const planeShare = (projection: Float64Array, n: number): number => projection[(n - 1) * CAVITY_MODES]

export interface InsideAir {
  /** Load on a film moving alone, and what is handed on to the other head: kg/m^2, n x n. */
  direct: Float64Array
  cross: Float64Array
}

/** Air between two heads at one frequency: the block of one angular order. */
export function insideAir(air: RitzAir, m: number, shell: ShellAir, hz: number): InsideAir {
  const { projection, cavityZeros } = air.orders[m]
  const count = air.nMost
  const direct = new Float64Array(count * count)
  const cross = new Float64Array(count * count)
  cavityZeros.forEach((zero, c) => {
    const column = shellColumn(shell, zero, hz)
    for (let i = 0; i < count; i++) {
      for (let j = 0; j < count; j++) {
        const both = projection[i * CAVITY_MODES + c] * projection[j * CAVITY_MODES + c]
        direct[i * count + j] += both * column.direct
        cross[i * count + j] += both * column.cross
      }
    }
  })
  return { direct, cross }
}
