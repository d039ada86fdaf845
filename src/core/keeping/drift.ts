import { centsBetween } from '../units/pitch'
import type { HeadEvent } from '../records/event'
import { sittingsOf, type Pass, type Sitting } from './history'

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
const DAY_MS = 24 * 3600 * 1000
/** Shorter gaps are noise of reading. */
const LEAST_DAYS = 0.2
/** A reading is worth no more than this, in cents, when two of them are compared. */
const READING_CENTS = 1.5

/** Mean lug pitch of a pass from its readings; null where fewer than two were taken. */
function passHz(pass: Pass | undefined): number | null {
  const all = pass ? [...pass.readings.values()] : []
  if (all.length < 2) return null
  return Math.sqrt(all.reduce((sum, { hz }) => sum + hz * hz, 0) / all.length)
}

function lastRead(sitting: Sitting): number | null {
  // Readings before the last turns tell of another pitch.
  const last = sitting.passes.at(-1)
  return last && !last.turns ? passHz(last) : null
}

/** Drift of one head from its events, oldest first. */
export function driftOf(events: readonly HeadEvent[], lugs: number): Drift {
  const sittings = sittingsOf(events, lugs)
  const changes = sittings.slice(1).flatMap((sitting, i) => {
    const before = lastRead(sittings[i])
    const after = passHz(sitting.passes[0])
    const days = (Date.parse(sitting.startedAt) - Date.parse(sittings[i].endedAt)) / DAY_MS
    if (before === null || after === null || days < LEAST_DAYS) return []
    return [centsBetween(before, after) / Math.sqrt(days)]
  })
  const n = changes.length
  const mean =
    (PRIOR.mean * PRIOR.meanWorth + changes.reduce((sum, each) => sum + each, 0)) / (PRIOR.meanWorth + n)
  const squares = changes.reduce((sum, each) => sum + (each - mean) ** 2, 0)
  const sd = Math.sqrt((PRIOR.sdWorth * PRIOR.sd ** 2 + squares) / (PRIOR.sdWorth + n))
  return { mean, sd, pairs: n }
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
