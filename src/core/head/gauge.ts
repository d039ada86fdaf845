import { modeHz, LUG_MODE, tensionFromLugHz } from '../membrane/modes'
import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from './harmonics'
import type { LugNumber } from './lugPicture'
import { observe, type RodBelief } from './rods'
import type { EvenHead, GaugeLaw } from './types'

/**
 * A dial gauge: a weight on a foot, whose needle reads how far the film gives. The give of a film under a load goes as
 * one over its tension, so the dial follows g = g0 - c / T; two readings beside known pitches calibrate any dial.
 */

/** One standard error of a dial reading, in its own units, where the user names none. */
export const DEFAULT_GAUGE_ERROR = 1
/**
 * How the tension near a lug answers to a pattern of the rods, against an even pull: first, second, third, fourth
 * harmonic. From the plane-stress model of a film on an elastic hoop; hoops differ by about a quarter.
 */
const PATTERN_WEIGHTS = [1, 0.8, 0.75, 0.4, 0.2, 0.12, 0.08]
const PATTERN_DOUBT = 0.25
/** With no law yet, what the dial stands below its end is guessed as this part of its reading, give or take half. */
const GUESSED_ROOM = 0.45
/** Depth of the space behind a head, as a part of its diameter, where it is not known. */
const USUAL_DEPTH = 0.55

function space(head: EvenHead) {
  return { depthInches: head.depthInches ?? USUAL_DEPTH * head.diameterInches }
}

/** Mean tension in N/m of a head whose mean lug pitch (other head muted) is `hz`. */
export function tensionOf(head: EvenHead, hz: number): number {
  return tensionFromLugHz({ ...head, space: space(head) }, hz)
}

/** Lug pitch in Hz of a mean tension in N/m: the inverse of {@link tensionOf}. */
export function pitchOf(head: EvenHead, tension: number): number {
  return modeHz({ ...head, space: space(head) }, LUG_MODE, tension)
}

/** The dial's reading at a tension, and the tension at a reading (Infinity at the dial's end). */
export const dialAt = ({ g0, c }: GaugeLaw, tension: number): number => g0 - c / tension
export const tensionAtDial = ({ g0, c }: GaugeLaw, dial: number): number => c / Math.max(1e-9, g0 - dial)

/**
 * The dial's law from readings beside known pitches, by least squares in 1/T.
 * @returns null with fewer than two, or with all at about one tension
 */
export function learnGaugeLaw(seen: ReadonlyArray<{ dial: number; tension: number }>): GaugeLaw | null {
  if (seen.length < 2) return null
  const x = seen.map(({ tension }) => 1 / tension)
  const meanX = x.reduce((sum, v) => sum + v, 0) / x.length
  const meanG = seen.reduce((sum, { dial }) => sum + dial, 0) / x.length
  const sxx = x.reduce((sum, v) => sum + (v - meanX) ** 2, 0)
  if (sxx < (0.03 * meanX) ** 2) return null
  const slope = x.reduce((sum, v, i) => sum + (v - meanX) * (seen[i].dial - meanG), 0) / sxx
  return slope < 0 ? { g0: meanG - slope * meanX, c: -slope } : null
}

/** Cents of pitch that a dial differs from the mean of its head, with one standard error: tension goes as the square of pitch. */
export function dialCents(
  dial: number,
  mean: number,
  law: GaugeLaw | null,
  errorUnits = DEFAULT_GAUGE_ERROR,
) {
  const room = roomOf(mean, law)
  return {
    cents: (CENTS_PER_NEPER * (dial - mean)) / (2 * room),
    error: (CENTS_PER_NEPER * errorUnits) / (2 * room),
  }
}

/** Dials as cents of pitch against a dial that is taken as the mean, with one standard error; where not read, nothing. */
export function dialNumbers(
  gauge: ReadonlyArray<number | null>,
  reference: number,
  law: GaugeLaw | null,
  errorUnits: number,
): LugNumber[] {
  return gauge.flatMap((dial, lug): LugNumber[] =>
    dial === null ? [] : [{ lug, ...dialCents(dial, reference, law, errorUnits), confirmed: true }],
  )
}

/** What the dial stands below its end: by its law, else a guess. */
function roomOf(mean: number, law: GaugeLaw | null): number {
  return law ? Math.max(1, law.g0 - mean) : Math.max(1, GUESSED_ROOM * Math.abs(mean))
}

/** The dial's mean as if all lugs were alike: the reading of the mean of what it says of 1/T. */
export function meanDial(gauge: ReadonlyArray<number | null>): number | null {
  const read = gauge.filter((dial): dial is number => dial !== null)
  return read.length ? read.reduce((sum, dial) => sum + dial, 0) / read.length : null
}

/**
 * Takes in the dial at the lugs: differences from its mean say how unevenly the film is pulled there, in all patterns.
 * @param heldTurns turns of all rods that hold the head's mean tension
 */
export function gaugeSeen(
  belief: RodBelief,
  gauge: ReadonlyArray<number | null>,
  law: GaugeLaw | null,
  errorUnits: number,
  heldTurns: number,
): RodBelief {
  const mean = meanDial(gauge)
  if (mean === null || gauge.filter((dial) => dial !== null).length < 3) return belief
  const { lugs } = belief
  const room = roomOf(mean, law)
  const doubt = law ? PATTERN_DOUBT : Math.hypot(PATTERN_DOUBT, 0.5)
  const weight = weightsBetween(lugs)
  let next = belief
  gauge.forEach((dial, lug) => {
    if (dial === null) return
    // 1/T is linear in the dial: (T - mean T) / T = (g - mean) / (g0 - mean) to first order.
    const relative = (dial - mean) / room
    const row = new Float64Array(lugs + 2)
    for (let rod = 0; rod < lugs; rod++) row[rod] = weight[(rod - lug + lugs) % lugs]
    const turns = relative * heldTurns
    const sd = Math.hypot((errorUnits / room) * heldTurns, doubt * turns)
    next = observe(next, row, turns, Math.max(1e-3, sd))
  })
  return next
}

/** What one rod's turn does to the tension at a lug so many rods on, mean taken out: the circulant of the weights. */
function weightsBetween(lugs: number): number[] {
  return Array.from({ length: lugs }, (_, apart) => {
    let sum = 0
    for (let k = 1; k <= lugs / 2; k++) {
      const once = 2 * k === lugs ? 1 : 2
      sum += ((once * (PATTERN_WEIGHTS[k] ?? 0.05)) / lugs) * Math.cos(k * lugAngle(apart, lugs))
    }
    return sum
  })
}
