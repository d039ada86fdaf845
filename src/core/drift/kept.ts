import type { PastSitting } from '../log/history'
import { centsBetween } from '../units/pitch'
import { ageingOf, standingAt, type HeadDays } from './ageing'

/** What a reading said of the forecast before it. */
export interface KeptForecast {
  /** Read above what was foreseen, in cents, and one standard deviation of what was foreseen with the reading's error. */
  cents: number
  sd: number
  /** Within what 8 in 10 were to lie in. */
  kept: boolean
}

/** Eight in ten of a normal law lie within so many standard deviations (Abramowitz & Stegun, table 26.1). */
const EIGHT_IN_TEN = 1.2816

/**
 * Holds what was found in a sitting against what all sittings before it foresaw.
 * @param at place of the sitting in the history; @returns null for a first reading, for another film, or where it was not read as found
 */
export function keptForecast(
  history: readonly PastSitting[],
  at: number,
  days: HeadDays,
): KeptForecast | null {
  const { found, from, film } = history[at]
  const before = history.slice(0, at)
  const last = before.at(-1)
  // Behind turns that nobody read after nothing was foreseen.
  if (!found || !last || last.film !== film || (last.turns !== null && last.left === null)) return null
  const ageing = ageingOf(before, days)
  if (!ageing) return null
  const { cents, sd } = standingAt(ageing, Date.parse(from))
  const off = centsBetween(ageing.referenceHz, found.hz) - cents
  const width = Math.hypot(sd, found.errorCents)
  return { cents: off, sd: width, kept: Math.abs(off) <= EIGHT_IN_TEN * width }
}
