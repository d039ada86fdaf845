import { oppositeRod } from '../head/harmonics'
import type { Step } from './types'

/** With one key a rod goes at most this far before its opposite follows (common practice: a quarter turn). */
const ONE_KEY_BITE_TURNS = 0.25

/** Distance of two rods around the hoop, in rods. */
function around(a: number, b: number, lugs: number): number {
  const d = Math.abs(a - b) % lugs
  return Math.min(d, lugs - d)
}

/**
 * Rods in star order, pair after pair: every next pair stands as nearly at right angles to the last as those left allow.
 * Never around in a circle.
 * @returns rods (0-based) in twos that are opposite, or most nearly so; a last one may stand alone
 */
export function starOrder(lugs: number, first = 0): number[][] {
  const left = new Set(Array.from({ length: lugs }, (_, i) => i))
  const pairs: number[][] = []
  let next = first
  while (left.size) {
    left.delete(next)
    const half = lugs / 2
    const partner = [...left].sort(
      (a, b) => Math.abs(around(a, next, lugs) - half) - Math.abs(around(b, next, lugs) - half) || a - b,
    )[0]
    const opposite = left.has(oppositeRod(next, lugs)) ? oppositeRod(next, lugs) : partner
    if (opposite !== undefined) left.delete(opposite)
    pairs.push(opposite === undefined ? [next] : [next, opposite])
    const quarter = lugs / 4
    const from = next
    next = [...left].sort(
      (a, b) => Math.abs(around(a, from, lugs) - quarter) - Math.abs(around(b, from, lugs) - quarter) || a - b,
    )[0]
  }
  return pairs
}

/**
 * The hand's steps for a set of turns: opposite pairs in star order from the largest move on; with one key rod after
 * rod, and large turns in two or more rounds of bites so that no rod runs far ahead.
 */
export function orderSteps(turns: readonly number[], keys: 1 | 2): Step[] {
  const lugs = turns.length
  const largest = turns.reduce((best, t, i) => (Math.abs(t) > Math.abs(turns[best]) ? i : best), 0)
  const pairs = starOrder(lugs, largest)
    .map((pair) => pair.filter((rod) => turns[rod] !== 0))
    .filter((pair) => pair.length > 0)
  const step = (rods: number[], part: (turn: number) => number): Step => ({
    rods: rods.map((rod) => rod + 1),
    turns: rods.map((rod) => part(turns[rod])),
  })
  if (keys === 2) return pairs.map((pair) => step(pair, (t) => t))
  const bites = Math.max(1, Math.ceil(Math.max(...turns.map(Math.abs)) / ONE_KEY_BITE_TURNS - 1e-9))
  return Array.from({ length: bites }).flatMap(() =>
    pairs.flatMap((pair) => pair.map((rod) => step([rod], (t) => t / bites))),
  )
}
