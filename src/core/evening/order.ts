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
      (a, b) =>
        Math.abs(around(a, from, lugs) - quarter) - Math.abs(around(b, from, lugs) - quarter) || a - b,
    )[0]
  }
  return pairs
}

/**
 * The hand's steps for a set of turns: opposite pairs in star order from the largest move on; with one key rod after
 * rod, and large turns in rounds of a quarter so that no rod runs far ahead.
 */
export function orderSteps(turns: readonly number[], keys: 1 | 2): Step[] {
  const left = turns.map((turn) => (Math.abs(turn) < 1e-9 ? 0 : turn))
  const steps: Step[] = []
  while (left.some((turn) => turn !== 0)) {
    const largest = left.reduce((best, turn, i) => (Math.abs(turn) > Math.abs(left[best]) ? i : best), 0)
    const bite = (rod: number) =>
      keys === 2 ? left[rod] : Math.sign(left[rod]) * Math.min(Math.abs(left[rod]), ONE_KEY_BITE_TURNS)
    for (const pair of starOrder(left.length, largest)) {
      const rods = pair.filter((rod) => left[rod] !== 0)
      // Rods of a pair that go differently are two moves: two keys are for turns that are alike.
      const alike = rods.length < 2 || Math.abs(left[rods[0]] - left[rods[1]]) < 1e-9
      const groups = keys === 2 && alike ? [rods] : rods.map((rod) => [rod])
      for (const group of groups.filter((rodsNow) => rodsNow.length > 0)) {
        steps.push({ rods: group.map((rod) => rod + 1), turns: group.map(bite) })
        group.forEach((rod) => (left[rod] -= bite(rod)))
      }
    }
  }
  return steps
}

/**
 * The steps that are left when some of the plan's turns were made: in the order they were shown in, so that nothing jumps
 * under the hand. Turns that were no steps of the plan order the rest anew.
 */
export function stepsLeft(turns: readonly number[], made: readonly number[] | null, keys: 1 | 2): Step[] {
  const all = orderSteps(turns, keys)
  if (!made) return all
  const left = [...made]
  const rest = all.filter((step) => {
    const done = step.rods.every((rod, i) => {
      const turn = step.turns[i]
      return left[rod - 1] * turn > 0 && Math.abs(left[rod - 1]) >= Math.abs(turn) - 1e-9
    })
    if (done) step.rods.forEach((rod, i) => (left[rod - 1] -= step.turns[i]))
    return !done
  })
  const stray = left.some((turn) => Math.abs(turn) > 1e-9)
  return stray
    ? orderSteps(
        turns.map((turn, i) => turn - made[i]),
        keys,
      )
    : rest
}
