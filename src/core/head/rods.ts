import { observed } from '../numeric/gaussian'
import { HAND_ERROR_TURNS } from './hand'
import { lugAngle } from './harmonics'
import type { Feel } from './types'

/**
 * How hard each rod pulls, in turns away from an even pull: what pitch tells (the second pattern), what the history of
 * turns, a gauge and the hand tell (all others). A normal law over the rods and over what the hoop or edge may add to the
 * second pattern by itself; what nothing has told stays as wide as it began.
 */
export interface RodBelief {
  lugs: number
  /** Turns of every rod away from the mean, then the hoop's own part of the second pattern (cosine, sine). */
  u: Float64Array
  /** Covariance, row-major. */
  c: Float64Array
}

/** Rods as found differ by this many turns; from finger-tight by more, since finger torque is no measure. */
const AS_FOUND_TURNS = { unknown: 0.06, slack: 0.09 }
/** What hoop and edge add, as if the rods had been turned so. */
const HOOP_TURNS = 0.06
/** Turns that the hand means by its words, and how surely (common practice, no source). */
const FELT: Record<Feel, { turns: number; sd: number }> = {
  loose: { turns: -0.17, sd: 0.08 },
  alike: { turns: 0, sd: 0.05 },
  tight: { turns: 0.15, sd: 0.08 },
}

export function rodsAsFound(
  lugs: number,
  start: 'slack' | 'unknown',
  errorTurns = AS_FOUND_TURNS[start],
): RodBelief {
  const size = lugs + 2
  const c = new Float64Array(size * size)
  for (let i = 0; i < lugs; i++) c[i * (size + 1)] = errorTurns ** 2
  for (let i = lugs; i < size; i++) c[i * (size + 1)] = HOOP_TURNS ** 2
  return { lugs, u: new Float64Array(size), c }
}

/** Rods of a head so far out are hardly further out than this. */
const FURTHEST_TURNS = 0.2

/**
 * A head that is far out in the pattern that pitch shows is as far out in those it does not show: the rods' width grows
 * with the second pattern first read, in turns.
 */
export function roughAsSeen(belief: RodBelief, secondTurns: number): RodBelief {
  const { lugs } = belief
  const size = lugs + 2
  // The second pattern of rods that differ by sd each has an amplitude of about 2 sd / sqrt(lugs).
  const sd = Math.min(FURTHEST_TURNS, (secondTurns * Math.sqrt(lugs)) / 2)
  const next = { ...belief, c: belief.c.slice() }
  for (let i = 0; i < lugs; i++) next.c[i * (size + 1)] = Math.max(next.c[i * (size + 1)], sd * sd)
  return next
}

/** Rods were turned: exactly as said, but for the hand's error on each that was touched. */
export function rodsTurned(belief: RodBelief, turns: readonly number[]): RodBelief {
  const size = belief.u.length
  const next = { ...belief, u: belief.u.slice(), c: belief.c.slice() }
  turns.forEach((turn, i) => {
    next.u[i] += turn
    if (turn !== 0) next.c[i * (size + 1)] += HAND_ERROR_TURNS ** 2
  })
  return next
}

/** The second pattern in turns, as pitch shows it: rods and hoop together. */
export function rodsSeen(
  belief: RodBelief,
  cosine: { turns: number; sd: number },
  sine: { turns: number; sd: number } | null,
): RodBelief {
  const { lugs } = belief
  const scale = lugs === 4 ? 1 : 2
  const row = (part: (angle: number) => number, hoop: number) => {
    const h = new Float64Array(lugs + 2)
    for (let i = 0; i < lugs; i++) h[i] = (scale * part(2 * lugAngle(i, lugs))) / lugs
    h[lugs + hoop] = 1
    return h
  }
  const withCosine = observe(belief, row(Math.cos, 0), cosine.turns, cosine.sd)
  return sine ? observe(withCosine, row(Math.sin, 1), sine.turns, sine.sd) : withCosine
}

/** A hand felt a rod: loose, tight, or like the others. */
export function rodFelt(belief: RodBelief, rod: number, feel: Feel): RodBelief {
  const row = new Float64Array(belief.lugs + 2).fill(-1 / belief.lugs)
  row[belief.lugs] = row[belief.lugs + 1] = 0
  row[rod] += 1
  return observe(belief, row, FELT[feel].turns, FELT[feel].sd)
}

/** A normal observation of a weighted sum of the state. */
export function observe(belief: RodBelief, row: Float64Array, value: number, sd: number): RodBelief {
  const { x, p } = observed({ x: belief.u, p: belief.c }, row, value, sd * sd)
  return { ...belief, u: x, c: p }
}

/** Every rod's pull away from the mean, in turns, with one standard error. */
export function rodPulls({ lugs, u, c }: RodBelief): Array<{ turns: number; error: number }> {
  const size = u.length
  const mean = u.slice(0, lugs).reduce((sum, v) => sum + v, 0) / lugs
  return Array.from({ length: lugs }, (_, i) => {
    let variance = 0
    for (let a = 0; a < lugs; a++)
      for (let b = 0; b < lugs; b++)
        variance += ((a === i ? 1 : 0) - 1 / lugs) * ((b === i ? 1 : 0) - 1 / lugs) * c[a * size + b]
    return { turns: u[i] - mean, error: Math.sqrt(Math.max(0, variance)) }
  })
}

/** Size of what hoop or edge seem to add to the second pattern, in turns, and its error. */
export function hoopPart({ lugs, u, c }: RodBelief): { turns: number; error: number } {
  const size = u.length
  return {
    turns: Math.hypot(u[lugs], u[lugs + 1]),
    error: Math.sqrt(Math.max(c[lugs * (size + 1)], c[(lugs + 1) * (size + 1)])),
  }
}
