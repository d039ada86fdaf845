/**
 * How a fresh head sinks: film and collar give way at the first presses, each taking about a third of the one before, and
 * go on for some days (common practice, no source; the figures are those that the practice drum and the estimate carry).
 */
export interface Fall {
  /** Which press since the head was fitted, from 1. */
  press: number
  /** What it took off the pitch, in cents; negative where the pitch rose. */
  cents: number
}

export interface Settling {
  /** What the newest press that was read before and after took; null before any. */
  lastFellCents: number | null
  /** Pressing changes nothing any more. */
  settled: boolean
  /** What further presses may still take, and what the first days take after that, in cents with one standard error. */
  pressesLeftCents: { mean: number; error: number }
  daysCents: { mean: number; error: number }
}

/** What all presses together take: a pull of 1 to 4%, half as much in pitch, before any was read. */
const ALL_PRESSES_CENTS = { mean: 22, error: 12 }
/** Each press leaves about this part of what was still to come. */
const LEFT_AFTER_PRESS = 0.35
/** One standard error of a fall between two readings of a few lugs, in cents. */
const READ_ERROR_CENTS = 2
/** Less than this is no change, in cents. */
const NOTHING_CENTS = 3

/**
 * @param falls presses that were read before and after, oldest first
 * @param presses all of them since the head was fitted: those after turns took their part unseen
 */
export function settlingOf(falls: readonly Fall[], presses: number): Settling {
  // The whole by normal regression on the falls: fall i is the whole times the part that press i takes.
  let precision = 1 / ALL_PRESSES_CENTS.error ** 2
  let weighted = ALL_PRESSES_CENTS.mean * precision
  for (const { press, cents } of falls) {
    const part = (1 - LEFT_AFTER_PRESS) * LEFT_AFTER_PRESS ** (press - 1)
    precision += (part / READ_ERROR_CENTS) ** 2
    weighted += (part * cents) / READ_ERROR_CENTS ** 2
  }
  const whole = { mean: Math.max(0, weighted / precision), error: Math.sqrt(1 / precision) }
  const left = LEFT_AFTER_PRESS ** presses
  const last = falls.at(-1)?.cents ?? null
  return {
    lastFellCents: last,
    settled: last !== null && last < NOTHING_CENTS,
    pressesLeftCents: { mean: left * whole.mean, error: left * whole.error },
    // As much again, by and large; nobody has measured it.
    daysCents: { mean: whole.mean, error: Math.max(whole.error, whole.mean / 2) },
  }
}
