import { inchesToMetres } from '../units/length'
import { airMassPerArea, cavityAir, helmholtzHz, type ShellAir } from './air'
import { filmMassPerArea } from './film'
import { firstRootHz, type ModeShape } from './modes'

export interface CoupledHead {
  pliesMils: readonly number[]
  /** Tension in N/m. */
  tension: number
}

/** What two heads face each other across. */
export interface Shell extends ShellAir {
  /** Air that moves outside, against that of a piston in an endless wall. */
  outsideAir?: number
}

export interface CoupledMode {
  hz: number
  /** Displacement of each head in this mode, both in one direction through the drum, scaled to batter^2 + resonant^2 = 1. */
  batter: number
  resonant: number
}

/** The modes of one shape in which both heads move the same way through the drum, and in which against each other. */
export type Way = 'together' | 'apart'

/**
 * The modes of one mode shape when two heads face each other across a shell, lower first.
 *
 * K - omega^2 M is singular, with K = T (j/a)^2 on the diagonal and M the film, outside air and the direct load of
 * the space on the diagonal, minus its cross load beside it (column model of `air.ts`). M depends on the frequency,
 * so each root is iterated on its own.
 */
export function coupledModes(...drum: CoupledDrum): [CoupledMode, CoupledMode] {
  const solve = coupledSolver(...drum)
  const together = solve('together')
  const apart = solve('apart')
  return together.hz <= apart.hz ? [together, apart] : [apart, together]
}

/**
 * One mode alone, at half the work. With a port and no nodal line there are two in which the heads move against each other:
 * the air in the hole makes a low one of its own, no note; `apart` is the upper.
 */
export function coupledMode(way: Way, ...drum: CoupledDrum): CoupledMode {
  return coupledSolver(...drum)(way)
}

type CoupledDrum = [shell: Shell, shape: ModeShape, batter: CoupledHead, resonant: CoupledHead]

/** A mode lies above this part of the lower head's pitch alone. */
const FROM = 0.3
/** Just above the port's own pitch the air in the hole shuts it like a lid. */
const ABOVE_PORT = 1.0001

function coupledSolver(...[shell, shape, batter, resonant]: CoupledDrum): (way: Way) => CoupledMode {
  const { diameterInches, depthInches, portInches = 0, outsideAir = 1 } = shell
  const radius = inchesToMetres(diameterInches) / 2
  const stiffness = (head: CoupledHead) => head.tension * (shape.zero / radius) ** 2
  const outside = outsideAir * airMassPerArea({ diameterInches, space: null }, shape, 0)
  const kb = stiffness(batter)
  const kr = stiffness(resonant)
  const mb = filmMassPerArea(batter.pliesMils) + outside
  const mr = filmMassPerArea(resonant.pliesMils) + outside

  /** The eigenvector whose parts have one sign, or two, and its omega squared, if the air's load were that of `hz`. */
  const at = (hz: number, way: Way) => {
    const air = cavityAir(shell, shape, hz)
    const omega2 = (2 * Math.PI * hz) ** 2
    // The inside air goes to the stiffness side, so that its spring (negative mass) cannot upset the masses.
    const a = (kb - omega2 * air.direct) / mb
    const d = (kr - omega2 * air.direct) / mr
    const off = (omega2 * air.cross) / Math.sqrt(mb * mr)
    // Where the space holds the heads together (off < 0) they are lower that way; where it only loads them, upper.
    const sign = (way === 'together') === off < 0 ? -1 : 1
    return { lambda: (a + d) / 2 + sign * Math.hypot((a - d) / 2, off), a, off }
  }

  return (way) => {
    const natural = (hz: number) => Math.sqrt(Math.max(at(hz, way).lambda, 1)) / (2 * Math.PI)
    const port = shape.m === 0 && portInches > 0 ? helmholtzHz(portInches, diameterInches, depthInches) : 0
    const lower = Math.sqrt(Math.max(1, Math.min(kb / mb, kr / mr))) / (2 * Math.PI)
    const from = way === 'apart' ? Math.max(FROM * lower, ABOVE_PORT * port) : FROM * lower
    const hz = firstRootHz(natural, from, COARSE)
    const { lambda, a, off } = at(hz, way)
    const angle = Math.atan2(lambda - a, off)
    const wb = Math.cos(angle) / Math.sqrt(mb)
    const wr = Math.sin(angle) / Math.sqrt(mr)
    const norm = Math.hypot(wb, wr)
    return { hz, batter: wb / norm, resonant: wr / norm }
  }
}
/** Steps of the upward search: far from the air column's own resonances, which lie above all lug pitches. */
const COARSE = 1.15
