import { oppositeRod } from '../head/harmonics'
import type { Lean } from './cost'
import type { SearchLimits } from './search'

/** A known tilt across a pair smaller than this, in turns, is left alone. */
const WORTH_TURNS = 1 / 20
/** Without a turn to share a pair is only touched for a tilt of this much. */
const WORTH_ALONE_TURNS = 0.1

/**
 * Pitch sets what a pair of opposite rods turns together; which of the two takes how much is for the hand, the gauge and
 * the history to say. The sum of every pair stays, so that nothing pitch sees is changed; rods of an even head are only
 * turned up where the pair goes up.
 */
export function shareWithinPairs(turns: readonly number[], lean: Lean, limits: SearchLimits): number[] {
  const lugs = turns.length
  if (lugs % 2) return [...turns]
  const shared = [...turns]
  const q = limits.quantumTurns
  for (let a = 0; a < lugs / 2; a++) {
    const b = oppositeRod(a, lugs)
    const sum = turns[a] + turns[b]
    const tilt = lean.turns[a] - lean.turns[b]
    const worth = sum === 0 && !lean.wanted ? WORTH_ALONE_TURNS : WORTH_TURNS
    if (Math.abs(tilt) < worth) continue
    // Sixteenths where there is enough to share: a hand counts them better than thirty-seconds.
    const part = Math.abs(sum) >= 8 * q && Math.round(sum / q) % 2 === 0 ? 2 * q : q
    const steps = Math.round((sum - tilt) / 2 / part)
    const free = sum === 0 || lean.wanted
    const least = (rod: number) =>
      free ? limits.lowest[rod] : Math.max(limits.lowest[rod], Math.min(0, sum))
    const most = (rod: number) =>
      free ? limits.highest[rod] : Math.min(limits.highest[rod], Math.max(0, sum))
    const low = Math.max(least(a), sum - most(b))
    const high = Math.min(most(a), sum - least(b))
    if (low > high) continue
    const first = Math.round(Math.min(high, Math.max(low, steps * part)) / part) * part
    const second = sum - first
    if (first < low - 1e-9 || first > high + 1e-9) continue
    shared[a] = first
    shared[b] = Math.abs(second) < 1e-9 ? 0 : second
  }
  return shared
}
