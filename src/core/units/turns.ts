/**
 * Turns of a key and the travel of a rod.
 *
 * Source: ASME B1.1 (unified inch screw threads): a 12-24 rod has 24 threads per inch, so one whole turn
 * moves the hoop 25.4 / 24 mm.
 */

import { METRES_PER_INCH } from './length'

const MM_PER_INCH = 1000 * METRES_PER_INCH
/** Lead of a 12-24 rod in mm per turn (ASME B1.1: 24 threads per inch). */
export const STANDARD_THREAD_MM = MM_PER_INCH / 24

/** Lead in mm of a thread given in threads per inch. */
export function threadPitchMm(threadsPerInch: number): number {
  return MM_PER_INCH / threadsPerInch
}

/** Hoop travel in mm for `turns` of a rod with the given lead. */
export function travelMm(turns: number, threadMm = STANDARD_THREAD_MM): number {
  return turns * threadMm
}

/** `turns` rounded to a whole number of `quantumTurns` steps. */
export function quantise(turns: number, quantumTurns: number): number {
  return Math.round(turns / quantumTurns) * quantumTurns
}

export interface TurnFraction {
  /** Whole turns. */
  whole: number
  /** Numerator and denominator of the rest in lowest terms; 0/1 when there is no rest. */
  numerator: number
  denominator: number
}

/**
 * The size of a turn as a mixed fraction with a power-of-two denominator up to 64, as a hand counts it.
 * The sign is dropped: direction is a word, never a minus sign.
 * @example turnFraction(-0.375) // { whole: 0, numerator: 3, denominator: 8 }
 */
export function turnFraction(turns: number): TurnFraction {
  const sixtyFourths = Math.round(Math.abs(turns) * 64)
  const whole = Math.floor(sixtyFourths / 64)
  let numerator = sixtyFourths % 64
  let denominator = 64
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2
    denominator /= 2
  }
  return numerator === 0 ? { whole, numerator: 0, denominator: 1 } : { whole, numerator, denominator }
}
