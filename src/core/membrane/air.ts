import { besselJ, besselPrimeZeros, besselZeros } from '../numeric/bessel'
import { inchesToMetres } from '../units/length'
import { AIR_DENSITY, SOUND_SPEED } from './film'

/** The closed space behind a head whose other head is held still. */
export interface AirSpace {
  depthInches: number
}

interface Shape {
  m: number
  n: number
  zero: number
}

/**
 * Outside air that a mode carries, as a multiple of rho * a per area: chi_mn = int |V|^2 ds / int J_m^2 r dr, V the
 * Hankel transform of the shape on the unit disc in a rigid baffle (piston theory at low frequency; Morse & Ingard,
 * *Theoretical Acoustics*, chapter 7). With the closed form of the transform (DLMF 10.22.5)
 * V(s) = j J_m'(j) J_m(s) / (s^2 - j^2), and norm J_m'(j)^2 / 2, what is left is one smooth integral over s.
 */
function outsideLoad(shape: Shape): number {
  const { m, zero } = shape
  // Beyond s = 55 the integrand falls as s^-5: what is cut off is below 1e-4 of the sum.
  const end = 55
  const steps = 1100
  let sum = 0
  for (let i = 0; i < steps; i++) {
    const s = (end * (i + 0.5)) / steps
    const v = (zero * besselJ(m, s)) / (s * s - zero * zero)
    sum += v * v
  }
  return (2 * sum * end) / steps
}

const SHARE_POINTS = 400

/** How much of a film mode's shape lies in each cavity mode J_m(j'_mn r / a): squared cosines, summing to about 1. */
function cavityShares(shape: Shape, count: number): Array<{ zero: number; share: number }> {
  const radii = Array.from({ length: SHARE_POINTS }, (_, i) => (i + 0.5) / SHARE_POINTS)
  const shapeAtRadii = radii.map((r) => besselJ(shape.m, shape.zero * r))
  return besselPrimeZeros(shape.m, count).map((zero) => {
    let cross = 0
    let film = 0
    let cavity = 0
    for (const [i, r] of radii.entries()) {
      const a = shapeAtRadii[i]
      const b = besselJ(shape.m, zero * r)
      cross += a * b * r
      film += a * a * r
      cavity += b * b * r
    }
    return { zero, share: (cross * cross) / (film * cavity) }
  })
}

interface ShapeAir {
  outside: number
  shares: Array<{ zero: number; share: number }>
}
const CAVITY_MODES = 8
const known = new Map<string, ShapeAir>()

function shapeAir(shape: Shape): ShapeAir {
  const key = `${shape.m},${shape.n}`
  let air = known.get(key)
  if (!air) {
    air = { outside: outsideLoad(shape), shares: cavityShares(shape, CAVITY_MODES) }
    known.set(key, air)
  }
  return air
}

/** chi_mn for a mode by its numbers m, n: see {@link outsideLoad}. */
export function outsideAirFactor(m: number, n: number): number {
  return shapeAir({ m, n, zero: besselZeros(m, n)[n - 1] }).outside
}

/**
 * The air column of one cavity mode, kg/m^2 on a film that moves as it does, and what is handed on to the other head:
 * rho / (q tan qh) and rho / (q sin qh) as spring where it carries waves, hyperbolic as mass where it does not.
 */
export function columnLoad(zero: number, radiusMetres: number, depthMetres: number, hz: number): CavityAir {
  const qSquared = ((2 * Math.PI * hz) / SOUND_SPEED) ** 2 - (zero / radiusMetres) ** 2
  const q = Math.sqrt(Math.abs(qSquared))
  return qSquared > 0
    ? {
        direct: -AIR_DENSITY / (q * Math.tan(q * depthMetres)),
        cross: -AIR_DENSITY / (q * Math.sin(q * depthMetres)),
      }
    : {
        direct: AIR_DENSITY / (q * Math.tanh(q * depthMetres)),
        cross: AIR_DENSITY / (q * Math.sinh(q * depthMetres)),
      }
}

export interface CavityAir {
  /** Air load on a film moving alone, kg/m^2 (negative where the air acts as a spring). */
  direct: number
  /** Load handed on to the other head, kg/m^2. */
  cross: number
}

/**
 * Load of the air between two heads on one film mode at frequency `hz`.
 *
 * Column model: in each cavity mode J_m(j'_mn r/a) the air is a column with axial wave number q,
 * q^2 = (omega/c)^2 - (j'/a)^2; it pushes with Zd = rho omega^2 / (q tan qh) and hands on
 * Zx = rho omega^2 / (q sin qh), hyperbolic where q^2 < 0 (textbook waveguide; Morse & Ingard, chapter 9).
 */
export function cavityAir(
  diameterInches: number,
  depthInches: number,
  shape: Shape,
  hz: number,
  portInches = 0,
): CavityAir {
  const radius = inchesToMetres(diameterInches) / 2
  const depth = inchesToMetres(depthInches)
  let direct = 0
  let cross = 0
  for (const { zero, share } of shapeAir(shape).shares) {
    const column = columnLoad(zero, radius, depth, hz)
    // The plane wave of a drum with a port: its spring in series with the air that the port lets through.
    const kept = zero === 0 && portInches > 0 ? portFactor(portInches, diameterInches, depth, hz) : 1
    direct += share * kept * column.direct
    cross += share * kept * column.cross
  }
  return { direct, cross }
}

/** Length of the air that moves in a hole, as a part of its diameter: both ends' corrections, no wall (8 / 3 pi each). */
const PORT_LENGTH = 0.85

/**
 * What is left of the space's spring behind a port: 1 / (1 - (f_h / f)^2), f_h the Helmholtz pitch
 * (c / 2 pi) sqrt(A_port / (volume * length)) (Morse & Ingard, chapter 9; Rayleigh's end correction). Far above f_h the hole
 * is shut by its own air, below it lets the spring go.
 */
export function portFactor(
  portInches: number,
  diameterInches: number,
  depthMetres: number,
  hz: number,
): number {
  const port = inchesToMetres(portInches)
  const shell = inchesToMetres(diameterInches)
  const helmholtz =
    (SOUND_SPEED / (2 * Math.PI)) * Math.sqrt((port / shell) ** 2 / (depthMetres * PORT_LENGTH * port))
  const left = 1 - (helmholtz / hz) ** 2
  // At the Helmholtz pitch itself losses keep the load finite.
  return Math.abs(left) < LEAST_LEFT ? Math.sign(left || 1) / LEAST_LEFT : 1 / left
}
const LEAST_LEFT = 0.05

/** Outside air plus, where the space behind is known, inside air with the other head still; kg/m^2. */
export function airMassPerArea(
  head: { diameterInches: number; space: AirSpace | null },
  shape: Shape,
  hz: number,
): number {
  const outside = shapeAir(shape).outside * AIR_DENSITY * (inchesToMetres(head.diameterInches) / 2)
  if (!head.space) return outside
  return outside + cavityAir(head.diameterInches, head.space.depthInches, shape, hz).direct
}
