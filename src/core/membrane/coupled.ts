import { inchesToMetres } from '../units/length'
import { airMassPerArea, cavityAir } from './air'
import { filmMassPerArea } from './film'
import { firstRootHz, type ModeShape } from './modes'

export interface CoupledHead {
  pliesMils: readonly number[]
  /** Tension in N/m. */
  tension: number
}

export interface CoupledMode {
  hz: number
  /** Displacement of each head in this mode, scaled to batter^2 + resonant^2 = 1. */
  batter: number
  resonant: number
}

/**
 * Both frequencies of one mode shape when two heads face each other across a closed space, lower first.
 *
 * K - omega^2 M is singular, with K = T (j/a)^2 on the diagonal and M the film, outside air and the direct load of
 * the space on the diagonal, minus its cross load beside it (column model of `air.ts`). M depends on the frequency,
 * so each root is iterated on its own.
 */
export function coupledModes(...drum: CoupledDrum): [CoupledMode, CoupledMode] {
  const solve = coupledSolver(...drum)
  return [solve(0), solve(1)]
}

/** The lower of the two alone, at half the work. */
export function lowerCoupledMode(...drum: CoupledDrum): CoupledMode {
  return coupledSolver(...drum)(0)
}

type CoupledDrum = [
  diameterInches: number,
  depthInches: number,
  shape: ModeShape,
  batter: CoupledHead,
  resonant: CoupledHead,
  portInches?: number,
]

function coupledSolver(
  ...[diameterInches, depthInches, shape, batter, resonant, portInches = 0]: CoupledDrum
): (index: 0 | 1) => CoupledMode {
  const radius = inchesToMetres(diameterInches) / 2
  const stiffness = (head: CoupledHead) => head.tension * (shape.zero / radius) ** 2
  const outside = (hz: number) => airMassPerArea({ diameterInches, space: null }, shape, hz)
  const kb = stiffness(batter)
  const kr = stiffness(resonant)

  const rootsAt = (hz: number): [CoupledMode, CoupledMode] => {
    const air = cavityAir(diameterInches, depthInches, shape, hz, portInches)
    const omega2 = (2 * Math.PI * hz) ** 2
    // The inside air goes to the stiffness side, so that its spring (negative mass) cannot upset the masses.
    const kbb = kb - omega2 * air.direct
    const krr = kr - omega2 * air.direct
    const kbr = omega2 * air.cross
    const mb = filmMassPerArea(batter.pliesMils) + outside(hz)
    const mr = filmMassPerArea(resonant.pliesMils) + outside(hz)
    const a = kbb / mb
    const d = krr / mr
    const off = kbr / Math.sqrt(mb * mr)
    const middle = (a + d) / 2
    const radiusOfPair = Math.hypot((a - d) / 2, off)
    return [middle - radiusOfPair, middle + radiusOfPair].map((lambda) => {
      const angle = Math.atan2(lambda - a, off)
      const wb = Math.cos(angle) / Math.sqrt(mb)
      const wr = Math.sin(angle) / Math.sqrt(mr)
      const norm = Math.hypot(wb, wr)
      return { hz: Math.sqrt(Math.max(lambda, 1)) / (2 * Math.PI), batter: wb / norm, resonant: wr / norm }
    }) as [CoupledMode, CoupledMode]
  }

  return (index) => {
    const hz = firstRootHz((at) => rootsAt(at)[index].hz)
    return { ...rootsAt(hz)[index], hz }
  }
}
