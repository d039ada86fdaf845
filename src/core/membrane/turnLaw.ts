import { STANDARD_THREAD_MM } from '../units/turns'

/**
 * What turning does to lug pitches, before a drum has shown its own answer.
 *
 * Within one head the square of the lug pitch grows by the same amount with every turn of all rods:
 * f_after^2 = f_before^2 + k * turns. k from two measured 14 inch heads, 353 -> 396 Hz and 144 -> 228 Hz for one
 * turn (common practice, no source), carried to other sizes by a power of the diameter.
 */
export type Hoop = 'die-cast' | 'triple-flanged' | 'single-flanged' | 'wood'

export interface Estimate {
  mean: number
  sd: number
}

const REFERENCE_HZ2_PER_TURN = 31_700
const REFERENCE_INCHES = 14
const DIAMETER_EXPONENT = 2.7
/** Relative width of the prior on k: heads, hoops and shells differ by about a third. */
const TURN_LAW_WIDTH = 0.35

/** Prior of k in Hz^2 per turn of every rod, from the diameter and the rod's lead. */
export function turnLawPrior(diameterInches: number, threadPitchMm = STANDARD_THREAD_MM): Estimate {
  const mean =
    REFERENCE_HZ2_PER_TURN *
    (REFERENCE_INCHES / diameterInches) ** DIAMETER_EXPONENT *
    (threadPitchMm / STANDARD_THREAD_MM)
  return { mean, sd: TURN_LAW_WIDTH * mean }
}

/**
 * Prior of the second harmonic's answer lambda_2 / lambda_0: how much of a twofold turn pattern shows in the lug
 * pitches, against a uniform one. Stiff hoops spread the pull and answer less; five lugs sample it coarsely.
 */
export function secondAnswerPrior(hoop: Hoop, lugs: number): Estimate {
  const base = hoop === 'die-cast' ? { mean: 0.3, sd: 0.08 } : { mean: 0.38, sd: 0.1 }
  const factor = lugs === 5 ? 0.9 : 1
  return { mean: base.mean * factor, sd: base.sd * factor }
}

/** Lug pitch in Hz after `turns` of every rod, by the turn law; 0 where the head would be slack. */
export function lugHzAfterTurns(lugHz: number, turns: number, hz2PerTurn: number): number {
  return Math.sqrt(Math.max(0, lugHz * lugHz + hz2PerTurn * turns))
}

/** Turns of every rod from one lug pitch to another; the inverse of {@link lugHzAfterTurns}. */
export function turnsBetween(fromHz: number, toHz: number, hz2PerTurn: number): number {
  return (toHz * toHz - fromHz * fromHz) / hz2PerTurn
}

/** k in Hz^2 per turn that a measured change of lug pitch shows. */
export function turnLawFrom(beforeHz: number, afterHz: number, turns: number): number {
  return (afterHz * afterHz - beforeHz * beforeHz) / turns
}
