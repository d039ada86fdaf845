import { changesOf, type HeadLog } from '../log/headLog'

/**
 * How a head moves while nobody looks. Between sittings rods loosen and weather works: the change grows with the root of the
 * days (common practice, no source: heads sink, fresh ones for days). Every pair of sittings of this head narrows it.
 */
export interface Drift {
  /** Mean and one standard deviation of the change, in cents for the root of a day. */
  mean: number
  sd: number
  /** Pairs of sittings behind it. */
  pairs: number
}

/** Before a head has shown its own: a little down, and that wide; worth so many pairs. */
const PRIOR = { mean: -2, sd: 6, meanWorth: 2, sdWorth: 3 }
/** A reading is worth no more than this, in cents, when two of them are compared. */
const READING_CENTS = 1.5

/** Drift of one head from what its log has shown. */
export function driftOf(head: HeadLog): Drift {
  const { count, sum, squares } = changesOf(head)
  const mean = (PRIOR.mean * PRIOR.meanWorth + sum) / (PRIOR.meanWorth + count)
  const around = Math.max(0, squares - 2 * mean * sum + count * mean ** 2)
  const sd = Math.sqrt((PRIOR.sdWorth * PRIOR.sd ** 2 + around) / (PRIOR.sdWorth + count))
  return { mean, sd, pairs: count }
}

/** A fresh head sinks with the logarithm of its days, about this much for a factor e, and nobody knows it well. */
const FRESH = { cents: -10, sd: 8, days: 10, offset: 0.5 }

/**
 * Where a head stands now, in cents from its last reading, with one standard deviation.
 * @param days since the reading; @param ageDays of the head at the reading, null where not known
 */
export function driftedCents({ mean, sd }: Drift, days: number, ageDays: number | null) {
  const root = Math.sqrt(Math.max(0, days))
  const fresh = ageDays !== null && ageDays < FRESH.days
  const sunk = fresh ? Math.log((ageDays + days + FRESH.offset) / (ageDays + FRESH.offset)) : 0
  return {
    cents: mean * root + FRESH.cents * sunk,
    sd: Math.hypot(READING_CENTS, sd * root, FRESH.sd * sunk),
  }
}
