import { oppositeRod } from '../head/harmonics'

/**
 * The search for a pass: turns of groups of rods, in whole steps of what a hand can do, within bounds, of least cost.
 * Groups are opposite pairs (pitch cannot tell their rods apart, so they share) or, with an odd number, single rods.
 */
export interface SearchLimits {
  /** Per rod: least and most turns. */
  lowest: readonly number[]
  highest: readonly number[]
  quantumTurns: number
  /** A pair's smallest step may be made by one rod alone, half as much for the pitch. */
  singles: boolean
  /** Every rod goes by itself: its lug is heard. */
  alone?: boolean
  /** Net turns of each rod so far: of a pair, the one turned less takes a step that is too small to share. */
  turnedSoFar: readonly number[]
}

/** Rods (0-based) that move together; one whose opposite may not move goes alone. */
function rodGroups(lugs: number, { lowest, highest, alone }: SearchLimits): number[][] {
  const free = (rod: number) => lowest[rod] < 0 || highest[rod] > 0
  const groups =
    lugs % 2 || alone
      ? Array.from({ length: lugs }, (_, i) => [i])
      : Array.from({ length: lugs / 2 }, (_, i) => [i, oppositeRod(i, lugs)])
  return groups.map((group) => group.filter(free)).filter((group) => group.length > 0)
}

/**
 * The best turns per rod found by local search from three starts: nothing turned, the bounded continuous optimum of
 * all groups rounded, and the same with the smallest moves dropped. A move changes one group or two at once; the search
 * ends where no such move helps. With at most twelve groups that is a few thousand evaluations.
 */
export function searchTurns(
  lugs: number,
  cost: (turns: readonly number[]) => number,
  limits: SearchLimits,
): number[] {
  const groups = rodGroups(lugs, limits)
  if (groups.length === 0) return new Array<number>(lugs).fill(0)
  const low = groups.map((group) => Math.max(...group.map((rod) => limits.lowest[rod])))
  const high = groups.map((group) => Math.min(...group.map((rod) => limits.highest[rod])))
  // Steps of a pair are counted for both rods together; half of the smallest is one rod alone.
  const q = limits.quantumTurns / 2
  const whole = (steps: number) =>
    limits.singles && Math.abs(steps) === 1 ? steps : 2 * Math.round(steps / 2)
  const spread = (steps: readonly number[]) => {
    const turns = new Array<number>(lugs).fill(0)
    groups.forEach((group, g) => {
      if (group.length === 2 && Math.abs(steps[g]) === 1) {
        const less =
          limits.turnedSoFar[group[0]] * steps[g] <= limits.turnedSoFar[group[1]] * steps[g] ? 0 : 1
        turns[group[less]] = 2 * steps[g] * q
      } else {
        group.forEach((rod) => (turns[rod] = steps[g] * q))
      }
    })
    return turns
  }
  const price = (steps: readonly number[]) => cost(spread(steps))
  const bounded = (value: number, g: number) => Math.min(high[g] / q, Math.max(low[g] / q, value))
  const clamp = (value: number, g: number) => {
    const steps = groups[g].length === 2 ? whole(value) : 2 * Math.round(value / 2)
    if (steps * q > high[g] + 1e-9 || steps * q < low[g] - 1e-9)
      return 2 * Math.trunc(bounded(value, g) / 2 + 1e-9)
    return steps
  }

  const continuous = descend(groups.length, price, bounded)
  const rounded = continuous.map((v, g) => clamp(2 * Math.round(v / 2), g))
  const sparse = rounded.map((v) => (Math.abs(v) <= 2 ? 0 : v)).map(clamp)
  const starts = [groups.map((_, g) => clamp(0, g)), rounded, sparse]
  let best: number[] = starts[0]
  let bestCost = Infinity
  for (const start of starts) {
    const found = localSearch(start, price, clamp)
    const value = price(found)
    if (value < bestCost - 1e-12) {
      bestCost = value
      best = found
    }
  }
  return spread(best)
}

/** Bounded coordinate descent on the smooth part: exact for the convex cost, three points to a parabola. */
function descend(
  count: number,
  price: (steps: readonly number[]) => number,
  clamp: (value: number, g: number) => number,
): number[] {
  const x = Array.from({ length: count }, (_, g) => clamp(0.5, g))
  for (let sweep = 0; sweep < 30; sweep++) {
    let moved = 0
    for (let g = 0; g < count; g++) {
      const at = x[g]
      // Away from 0, where the price of turning at all makes a step that is no part of the parabola.
      const h = at >= 0 ? 1 : -1
      const base = Math.abs(at) < 1e-6 ? 0.01 * h : at
      const probe = (value: number) => {
        const y = [...x]
        y[g] = value
        return price(y)
      }
      const f0 = probe(base)
      const f1 = probe(base + h)
      const f2 = probe(base + 2 * h)
      const curve = (f2 - 2 * f1 + f0) / 2
      if (curve <= 0) continue
      const slope = f1 - f0 - curve
      const best = clamp(base - (h * slope) / (2 * curve), g)
      moved = Math.max(moved, Math.abs(best - at))
      x[g] = best
    }
    if (moved < 0.02) break
  }
  return x
}

const SINGLE_MOVES = [-4, -2, -1, 1, 2, 4]
const JOINT_MOVES = [
  [2, 2],
  [-2, -2],
  [2, -2],
  [-2, 2],
  [1, 1],
  [-1, -1],
  [1, -1],
  [-1, 1],
]

function localSearch(
  start: readonly number[],
  price: (steps: readonly number[]) => number,
  clamp: (value: number, g: number) => number,
): number[] {
  let current = [...start]
  let value = price(current)
  for (let round = 0; round < 200; round++) {
    let best: number[] | null = null
    const consider = (candidate: number[]) => {
      const cost = price(candidate)
      if (cost < value - 1e-9) {
        value = cost
        best = candidate
      }
    }
    for (let g = 0; g < current.length; g++) {
      for (const move of SINGLE_MOVES) consider(moved(current, [[g, current[g] + move]], clamp))
      if (current[g] !== 0) consider(moved(current, [[g, 0]], clamp))
      for (let h = g + 1; h < current.length; h++) {
        for (const [a, b] of JOINT_MOVES) {
          consider(
            moved(
              current,
              [
                [g, current[g] + a],
                [h, current[h] + b],
              ],
              clamp,
            ),
          )
        }
        if (current[g] !== 0)
          consider(
            moved(
              current,
              [
                [g, 0],
                [h, current[h] + current[g]],
              ],
              clamp,
            ),
          )
      }
    }
    if (!best) return current
    current = best
  }
  return current
}

function moved(
  from: readonly number[],
  changes: ReadonlyArray<readonly [number, number]>,
  clamp: (value: number, g: number) => number,
): number[] {
  const to = [...from]
  for (const [g, value] of changes) to[g] = clamp(value, g)
  return to
}
