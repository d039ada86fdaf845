import { filmMassPerArea } from './film'
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

/** Film that yields as much as hoop, rods and collar together: the thickness at which the two measured heads agree. */
const YIELDING_MILS = 1.67
/** Air that moves with the lug mode, kg/m^2 per inch of diameter: inside and outside, on drums of usual depth. */
const AIR_PER_INCH = 0.0137
const REFERENCE_MILS = [10]

/**
 * Pull over mass of a film: a thicker one is stretched against the same yielding parts, so that its pull hardly grows, but
 * is heavier. Up to a factor.
 */
function pullOverMass(diameterInches: number, pliesMils: readonly number[]): number {
  const mils = pliesMils.reduce((sum, ply) => sum + ply, 0)
  return mils / (1 + mils / YIELDING_MILS) / (filmMassPerArea(pliesMils) + AIR_PER_INCH * diameterInches)
}

/** Prior of k in Hz^2 per turn of every rod, from the diameter, the rod's lead and the film. */
export function turnLawPrior(
  diameterInches: number,
  threadPitchMm = STANDARD_THREAD_MM,
  pliesMils: readonly number[] = REFERENCE_MILS,
): Estimate {
  const mean =
    REFERENCE_HZ2_PER_TURN *
    (REFERENCE_INCHES / diameterInches) ** DIAMETER_EXPONENT *
    (threadPitchMm / STANDARD_THREAD_MM) *
    (pullOverMass(diameterInches, pliesMils) / pullOverMass(diameterInches, REFERENCE_MILS))
  return { mean, sd: TURN_LAW_WIDTH * mean }
}

/** Anything that says of a head what the turn law's prior needs. */
export interface TurnedDrum {
  diameterInches: number
  threadPitchMm: number
  batter: { pliesMils: readonly number[] }
  /** Null on a drum of one head. */
  resonant: { pliesMils: readonly number[] } | null
}

/** k of one head in Hz^2 per turn of every rod: as the head has shown it, else as its size and film say. */
export function turnLawOf(
  drum: TurnedDrum,
  side: 'batter' | 'resonant',
  shown: number | null | undefined,
): number {
  return shown ?? turnLawPrior(drum.diameterInches, drum.threadPitchMm, drum[side]?.pliesMils).mean
}

/**
 * Prior of the second harmonic's answer lambda_2 / lambda_0: how much of a twofold turn pattern shows in the lug
 * pitches, against a uniform one. Stiff hoops spread the pull and answer less; five lugs sample it coarsely; with four
 * the twofold pattern is the alternating one, which every rod makes in full.
 */
export function secondAnswerPrior(hoop: Hoop, lugs: number): Estimate {
  const base = hoop === 'die-cast' ? { mean: 0.3, sd: 0.08 } : { mean: 0.38, sd: 0.1 }
  const factor = lugs === 5 ? 0.9 : lugs === 4 ? 1.5 : 1
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
