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
const OUTLIER_SIGMAS = 4
/** Never thrown out below this distance in cents. */
const OUTLIER_CENTS = 8

/**
 * Mean of repeated taps weighted by inverse variance; a tap far from the median of the others is left out. With two that
 * disagree nothing can say which is wrong: both count, and the error says how far apart they are.
 * @returns null without readings
 */
export function combineReadings(readings: readonly SingleReading[]): CombinedReading | null {
  if (readings.length === 0) return null
  const sorted = readings.map(({ hz }) => hz).sort((a, b) => a - b)
  const middle = sorted[Math.floor(sorted.length / 2)]
  const cents = (hz: number) => (1200 * Math.log(hz / middle)) / Math.LN2
  const sd = ({ hz, standardErrorHz }: SingleReading) =>
    Math.hypot((1731.2 * standardErrorHz) / hz, REPEAT_CENTS)
  const far = (reading: SingleReading) =>
    Math.abs(cents(reading.hz)) > Math.max(OUTLIER_CENTS, OUTLIER_SIGMAS * sd(reading))
  const all = readings.map((_, i) => i)
  const used = readings.length < 3 ? all : all.filter((i) => !far(readings[i]))
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
  const hz = middle * 2 ** (mean / 1200)
  return {
    hz,
    standardErrorHz: (hz * Math.sqrt(widen / weight)) / 1731.2,
    used,
    leftOut: all.filter((i) => !used.includes(i)),
  }
}
