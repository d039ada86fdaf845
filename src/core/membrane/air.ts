import { besselJ, besselPrimeZeros, besselZeros } from '../numeric/bessel'
import { inchesToMetres } from '../units/length'
import { AIR_DENSITY, SOUND_SPEED } from './film'

/** The space behind a head: closed by another head that is held still, or `open` at the far end where there is none. */
export interface AirSpace {
  depthInches: number
  open?: boolean
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
export const CAVITY_MODES = 8
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
function columnLoad(zero: number, radiusMetres: number, depthMetres: number, hz: number): CavityAir {
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

/** The air within a shell between two heads. */
export interface ShellAir {
  diameterInches: number
  depthInches: number
  /** A hole in the resonant head; 0 or left out for none. */
  portInches?: number | undefined
}

/** One column of a shell's air: the plane wave, zero 0, is the one that a port opens. */
export function shellColumn({ diameterInches, depthInches, portInches }: ShellAir, zero: number, hz: number) {
  const closed = columnLoad(zero, inchesToMetres(diameterInches) / 2, inchesToMetres(depthInches), hz)
  if (zero !== 0 || !portInches) return closed
  return withPort(closed, portFactor(helmholtzHz(portInches, diameterInches, depthInches), hz))
}

/** Air behind a drum of one head moves out at its end as if the shell were longer by this part of its radius (Levine & Schwinger 1948). */
const OPEN_END = 0.6133

/** The air column behind a single head, its far end open: rho tan(qh) / q, hyperbolic where no wave runs. */
function openColumnLoad(zero: number, radiusMetres: number, depthMetres: number, hz: number): number {
  const length = depthMetres + OPEN_END * radiusMetres
  const qSquared = ((2 * Math.PI * hz) / SOUND_SPEED) ** 2 - (zero / radiusMetres) ** 2
  const q = Math.sqrt(Math.abs(qSquared))
  return (AIR_DENSITY * (qSquared > 0 ? Math.tan(q * length) : Math.tanh(q * length))) / q
}

/**
 * Load of the air between two heads on one film mode at frequency `hz`.
 *
 * Column model: in each cavity mode J_m(j'_mn r/a) the air is a column with axial wave number q,
 * q^2 = (omega/c)^2 - (j'/a)^2; it pushes with Zd = rho omega^2 / (q tan qh) and hands on
 * Zx = rho omega^2 / (q sin qh), hyperbolic where q^2 < 0 (textbook waveguide; Morse & Ingard, chapter 9).
 */
export function cavityAir(shell: ShellAir, shape: Shape, hz: number): CavityAir {
  let direct = 0
  let cross = 0
  for (const { zero, share } of shapeAir(shape).shares) {
    const column = shellColumn(shell, zero, hz)
    direct += share * column.direct
    cross += share * column.cross
  }
  return { direct, cross }
}

/**
 * The plane wave of a drum with a port. What it does to heads that move together, the air's own mass, stays; the spring against
 * heads that move apart is in series with the air that the port lets through.
 */
function withPort({ direct, cross }: CavityAir, left: number): CavityAir {
  const together = direct - cross
  const apart = (direct + cross) * left
  return { direct: (apart + together) / 2, cross: (apart - together) / 2 }
}

/**
 * Pitch of the air in a port on the spring of the space behind it, heads held still: (c / 2 pi) sqrt(conductivity / volume)
 * (Rayleigh, *Theory of Sound*, section 303), the conductivity of a round hole in a thin wall being its diameter (section 306).
 * @returns Hz
 */
export function helmholtzHz(portInches: number, diameterInches: number, depthInches: number): number {
  const area = (Math.PI / 4) * inchesToMetres(diameterInches) ** 2
  const volume = area * inchesToMetres(depthInches)
  return (SOUND_SPEED / (2 * Math.PI)) * Math.sqrt(inchesToMetres(portInches) / volume)
}

/**
 * What is left of the space's spring behind a port: 1 / (1 - (f_h / f)^2). Far above f_h the hole is shut by its own air;
 * below it the spring has become the mass of that air.
 */
export function portFactor(helmholtz: number, hz: number): number {
  const left = 1 - (helmholtz / hz) ** 2
  // At f_h itself only the way in which the heads leave the air alone has a pitch: any large number serves.
  return Math.abs(left) < LEAST_LEFT ? Math.sign(left || 1) / LEAST_LEFT : 1 / left
}
const LEAST_LEFT = 1e-7

/**
 * Outside air plus, where the space behind is known, inside air with the other head still; kg/m^2.
 * @param head `outsideAir`: against that of a piston in an endless wall, 1 where left out
 */
export function airMassPerArea(
  head: { diameterInches: number; space: AirSpace | null; outsideAir?: number },
  shape: Shape,
  hz: number,
): number {
  const { diameterInches, space, outsideAir = 1 } = head
  const radius = inchesToMetres(diameterInches) / 2
  const outside = outsideAir * shapeAir(shape).outside * AIR_DENSITY * radius
  if (!space) return outside
  if (!space.open) return outside + cavityAir({ diameterInches, ...space }, shape, hz).direct
  const depth = inchesToMetres(space.depthInches)
  return shapeAir(shape).shares.reduce(
    (sum, { zero, share }) => sum + share * openColumnLoad(zero, radius, depth, hz),
    outside,
  )
}
