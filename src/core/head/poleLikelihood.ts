import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from './harmonics'
import type { LugReading } from './readings'

/** Part of readings that are of another mode or plain wrong, spread over so many cents. */
const SLIP_PART = 0.03
const SLIP_CENTS = 1600
/** A level is off by this much in dB: no two strokes are alike, and the finger is never quite in the middle. */
const LEVEL_DB = 2.5
/** Poles nearer than this, in Hz, are heard as one, their weighted mean; about this sharply. */
const PARTED_HZ = { poles: 0.4, spread: 0.15 }
/** Ring of the lug mode for its width, 1 / (pi decay): 0.21 s at 234 Hz, longer below (common practice, no source). */
const DECAY_SECONDS = 0.21
const DECAY_HZ = 234
/** Part of the pairs within so many pole widths that are not parted by the ear: their mean is heard as one pole. */
const MISSED = 0.25
const MISSED_WITHIN = 1.5
/** What a reader's bare numbers are once the poles are parted: their weighted mean all the same, or the louder one. */
export type Reader = 'mean' | 'louder'
/** How far from equal weights a pole must be to be surely the louder one. */
const LOUDER = 0.08
/** A pole weaker than this part of the amplitude goes unheard. */
const FAINT = 0.09

export interface Likelihood {
  total: number
  slip: number
}

/** Density of a reading, per cent of pitch, if mean and second harmonic are x. */
export function likelihood(
  reading: LugReading,
  x: readonly number[],
  lugs: number,
  reader: Reader,
  softCents = 0,
): Likelihood {
  const size = Math.hypot(x[1], x[2])
  const mean = Math.max(100, x[0])
  const high = Math.sqrt(mean + size)
  const low = Math.sqrt(Math.max(100, mean - size))
  const axis = Math.atan2(x[2], x[1]) / 2
  const share = Math.cos(lugAngle(reading.lug, lugs) - axis) ** 2
  const sd = Math.hypot((CENTS_PER_NEPER * reading.errorHz) / reading.hz, softCents)
  const law = (hz: number, of: number) => {
    const z = (CENTS_PER_NEPER * Math.log(hz / of)) / sd
    return Math.exp(-0.5 * z * z) / (sd * 2.5066)
  }
  const slip = SLIP_PART / SLIP_CENTS
  if (reading.poles) {
    const [a, b] = reading.poles
    const ratioDb = 20 * Math.log10((share + 1e-4) / (1 - share + 1e-4))
    const z = (b.levelDb - a.levelDb - ratioDb) / (LEVEL_DB + 0.12 * Math.abs(ratioDb))
    const own = law(a.hz, low) * law(b.hz, high) * Math.exp(-0.5 * z * z)
    return { total: (1 - SLIP_PART) * own + slip / SLIP_CENTS, slip: slip / SLIP_CENTS }
  }
  const split = high - low
  const width = 1 / (Math.PI * DECAY_SECONDS * (DECAY_HZ / high) ** 0.7)
  const together = reading.alone
    ? Math.max(
        sigmoid((PARTED_HZ.poles - split) / PARTED_HZ.spread),
        MISSED * sigmoid((MISSED_WITHIN * width - split) / (0.3 * width)),
      )
    : reader === 'mean'
      ? 1
      : sigmoid((width - split) / (0.25 * width))
  const centroid = share * high + (1 - share) * low
  // One pole alone means that the other is faint, or too near to be parted from it.
  const highHeard = reading.alone
    ? sigmoid((share - (1 - FAINT)) / 0.05) + 0.15 * sigmoid((share - 0.5) / LOUDER)
    : sigmoid((share - 0.5) / LOUDER)
  const lowHeard = reading.alone
    ? sigmoid((FAINT - share) / 0.05) + 0.15 * sigmoid((0.5 - share) / LOUDER)
    : 1 - highHeard
  const own =
    together * law(reading.hz, centroid) +
    (1 - together) * (highHeard * law(reading.hz, high) + lowHeard * law(reading.hz, low))
  return { total: (1 - SLIP_PART) * own + slip, slip }
}

const sigmoid = (x: number) => 1 / (1 + Math.exp(-Math.max(-40, Math.min(40, x))))
