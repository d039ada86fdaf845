import { besselJ, besselJPrime, besselZeros } from '../numeric/bessel'
import { stressOfHarmonic } from './planeStress'

/**
 * Rayleigh-Ritz on the unit disc: shapes J_m(j_mn r) {cos, sin}(m theta) of unit norm, and the stiffness
 * integral of grad w . N . grad w for every harmonic of the edge's displacement. The stiffness is linear in those, so
 * one matrix a harmonic is made once and a new tuning is a sum (Rayleigh, *The Theory of Sound*, section 88).
 */
export interface RitzShape {
  m: number
  n: number
  zero: number
  /** cos(m theta), or sin(m theta). */
  sine: boolean
  /** Factor that gives the shape unit norm over the disc. */
  scale: number
}

export interface RitzBasis {
  shapes: RitzShape[]
  mMost: number
  nMost: number
  /** Stiffness per unit of E h U / a^3 for the edge displacements U cos(k theta) and U sin(k theta), row-major. */
  cosine: Float64Array[]
  sine: Float64Array[]
}

/** Highest harmonic of the edge that is carried: beyond it the film's inside feels next to nothing. */
export const HIGHEST_HARMONIC = 8
export const RADII = 48
const ANGLES = 64

const known = new Map<string, RitzBasis>()

/** The basis with m up to `mMost` and n up to `nMost`; made once for each size. */
export function ritzBasis(mMost: number, nMost: number): RitzBasis {
  const key = `${mMost},${nMost}`
  let basis = known.get(key)
  if (!basis) {
    basis = makeBasis(mMost, nMost)
    known.set(key, basis)
  }
  return basis
}

function makeBasis(mMost: number, nMost: number): RitzBasis {
  const shapes: RitzShape[] = []
  for (let m = 0; m <= mMost; m++) {
    const zeros = besselZeros(m, nMost)
    for (const sine of m === 0 ? [false] : [false, true]) {
      zeros.forEach((zero, i) => {
        // Norm of J_m(j r) over r dr is J_m'(j)^2 / 2 (DLMF 10.22.37); the angle gives pi, or 2 pi for m = 0.
        const norm = ((m === 0 ? 2 : 1) * Math.PI * besselJPrime(m, zero) ** 2) / 2
        shapes.push({ m, n: i + 1, zero, sine, scale: 1 / Math.sqrt(norm) })
      })
    }
  }
  const radial = radialTables(shapes)
  const matrices = (sine: boolean) =>
    Array.from({ length: HIGHEST_HARMONIC + 1 }, (_, k) => stiffnessOf(shapes, radial, k, sine))
  return { shapes, mMost, nMost, cosine: matrices(false), sine: matrices(true) }
}

/** Midpoints, weights r dr, and for every shape w_r and w / r at them. */
function radialTables(shapes: readonly RitzShape[]) {
  const nodes = gaussLegendre(RADII)
  const r = nodes.map(({ x }) => (x + 1) / 2)
  const weight = nodes.map(({ w }, i) => (w / 2) * r[i])
  const slope = shapes.map(({ m, zero, scale }) => r.map((x) => scale * zero * besselJPrime(m, zero * x)))
  const turn = shapes.map(({ m, zero, scale }) => r.map((x) => (scale * besselJ(m, zero * x)) / x))
  return { r, weight, slope, turn }
}

function stiffnessOf(
  shapes: readonly RitzShape[],
  { r, weight, slope, turn }: ReturnType<typeof radialTables>,
  k: number,
  sine: boolean,
): Float64Array {
  const size = shapes.length
  const out = new Float64Array(size * size)
  if (k === 0 && sine) return out
  const stress = r.map((x) => stressOfHarmonic(k, x))
  for (let i = 0; i < size; i++) {
    for (let j = 0; j <= i; j++) {
      const a = shapes[i]
      const b = shapes[j]
      if (Math.abs(a.m - b.m) !== k && a.m + b.m !== k) continue
      const angle = angularIntegrals(a, b, k, sine)
      let sum = 0
      for (let p = 0; p < r.length; p++) {
        const { radial, hoop, shear } = stress[p]
        sum +=
          weight[p] *
          (radial * slope[i][p] * slope[j][p] * angle.both +
            hoop * turn[i][p] * turn[j][p] * angle.turns +
            shear * (slope[i][p] * turn[j][p] * angle.slopeTurn + turn[i][p] * slope[j][p] * angle.turnSlope))
      }
      out[i * size + j] = out[j * size + i] = sum
    }
  }
  return out
}

/** Integrals over the angle, exact by the trapezoid rule for these orders; the shear of a sine pull is -cos. */
function angularIntegrals(a: RitzShape, b: RitzShape, k: number, sine: boolean) {
  const out = { both: 0, turns: 0, slopeTurn: 0, turnSlope: 0 }
  for (let i = 0; i < ANGLES; i++) {
    const t = (2 * Math.PI * i) / ANGLES
    const value = ({ m, sine: s }: RitzShape) => (s ? Math.sin(m * t) : Math.cos(m * t))
    const change = ({ m, sine: s }: RitzShape) => (s ? m * Math.cos(m * t) : -m * Math.sin(m * t))
    const pull = sine ? Math.sin(k * t) : Math.cos(k * t)
    const shear = sine ? -Math.cos(k * t) : Math.sin(k * t)
    const w = (2 * Math.PI) / ANGLES
    out.both += w * pull * value(a) * value(b)
    out.turns += w * pull * change(a) * change(b)
    out.slopeTurn += w * shear * value(a) * change(b)
    out.turnSlope += w * shear * change(a) * value(b)
  }
  return out
}

/** Displacement of a shape at a place: fraction of the radius, and angle in rad. */
export function shapeAt({ m, zero, sine, scale }: RitzShape, radiusFraction: number, angle: number): number {
  return scale * besselJ(m, zero * radiusFraction) * (sine ? Math.sin(m * angle) : Math.cos(m * angle))
}

/** Nodes and weights on [-1, 1]: Newton's method on the Legendre polynomials (Abramowitz & Stegun 25.4.29). */
export function gaussLegendre(count: number): Array<{ x: number; w: number }> {
  return Array.from({ length: count }, (_, i) => {
    let x = Math.cos((Math.PI * (i + 0.75)) / (count + 0.5))
    let slope = 1
    for (let step = 0; step < 60; step++) {
      let p0 = 1
      let p1 = x
      for (let n = 2; n <= count; n++) [p0, p1] = [p1, ((2 * n - 1) * x * p1 - (n - 1) * p0) / n]
      slope = (count * (x * p1 - p0)) / (x * x - 1)
      const move = p1 / slope
      x -= move
      if (Math.abs(move) < 1e-15) break
    }
    return { x, w: 2 / ((1 - x * x) * slope * slope) }
  })
}
