/** Repeated taps of one lug, as one reading. */
export interface SingleReading {
  hz: number
  standardErrorHz: number
}

export interface CombinedReading extends SingleReading {
  /** Taps that count, and those left out as outliers: indices into what was given. */
  used: number[]
  leftOut: number[]
}

/** Two taps of one lug differ by about this in cents however well each was measured: finger and stroke. */
const REPEAT_CENTS = 1
/** A later reading contradicts an earlier one beyond so many of both their errors, and never within so many cents. */
const CONTRADICTS_ERRORS = 1.96
const CONTRADICTS_CENTS = 4

/**
 * Repeated readings of one lug, oldest first, as one: their mean weighted by inverse variance. The newest stands: what it
 * contradicts by more than their errors is left out, since whoever taps again has a reason.
 * @returns null without readings
 */
export function combineReadings(readings: readonly SingleReading[]): CombinedReading | null {
  const newest = readings.at(-1)
  if (!newest) return null
  const cents = (hz: number) => (1200 * Math.log(hz / newest.hz)) / Math.LN2
  const sd = ({ hz, standardErrorHz }: SingleReading) =>
    Math.hypot((1731.2 * standardErrorHz) / hz, REPEAT_CENTS)
  const stands = (reading: SingleReading) =>
    Math.abs(cents(reading.hz)) <=
    Math.max(CONTRADICTS_CENTS, CONTRADICTS_ERRORS * Math.hypot(sd(reading), sd(newest)))
  const all = readings.map((_, i) => i)
  const used = all.filter((i) => stands(readings[i]))
  let weight = 0
  let sum = 0
  for (const i of used) {
    const w = 1 / sd(readings[i]) ** 2
    weight += w
    sum += w * cents(readings[i].hz)
  }
  const mean = sum / weight
  const scatter = used.reduce((s, i) => s + (cents(readings[i].hz) - mean) ** 2 / sd(readings[i]) ** 2, 0)
  const widen = used.length > 1 ? Math.max(1, scatter / (used.length - 1)) : 1
  const hz = newest.hz * 2 ** (mean / 1200)
  return {
    hz,
    standardErrorHz: (hz * Math.sqrt(widen / weight)) / 1731.2,
    used,
    leftOut: all.filter((i) => !used.includes(i)),
  }
}
