import { HAND_ERROR_TURNS } from '../head/estimate'
import { secondAnswerPrior, turnLawPrior, type Hoop } from '../membrane/turnLaw'
import { seededRandom, seedFromText } from '../numeric/random'
import type { PracticeHead } from './model'

/** A practice drum's tapped head: what the user sees of it, and the seed of what is hidden. */
export interface PracticeDrum {
  seedText: string
  diameterInches: number
  depthInches: number
  lugs: number
  hoop: Hoop
  threadPitchMm: number
  pliesMils: readonly number[]
  otherPliesMils: readonly number[]
}

/** Where its rods really stand. */
export interface Rods {
  /** Mean lug pitch in Hz with all rods at 0. */
  evenHz: number
  rods: readonly number[]
}

/** How far real heads differ from the priors: the solver must not know these. */
const TURN_LAW_SPREAD = 0.2
const ROUGH_TURNS = 0.09
const ROUGH_PITCH = 0.06

/** The head for the forward model, with this drum's own hidden answers. */
export function practiceHead(
  drum: PracticeDrum,
  state: Rods,
  other: { lugHz: number; muted: boolean },
): PracticeHead {
  const random = seededRandom(seedFromText(drum.seedText))
  const k = turnLawPrior(drum.diameterInches, drum.threadPitchMm)
  const second = secondAnswerPrior(drum.hoop, drum.lugs)
  return {
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    lugs: drum.lugs,
    pliesMils: drum.pliesMils,
    evenHz: state.evenHz,
    rods: state.rods,
    hz2PerTurn: k.mean * Math.exp(TURN_LAW_SPREAD * random.normal()),
    secondAnswer: Math.max(0.15, second.mean + 0.7 * second.sd * random.normal()),
    other: { pliesMils: drum.otherPliesMils, ...other },
  }
}

/** Pitch at which a drum of this size usually stands: 0.8 turns above slack. */
export function usualLugHz(diameterInches: number, threadPitchMm: number): number {
  return Math.sqrt(0.8 * turnLawPrior(diameterInches, threadPitchMm).mean)
}

/** A head as an unpractised hand leaves it: rods wrong by a tenth of a turn or so, and off its pitch. */
export function roughRods(lugs: number, aroundHz: number, seed: number): Rods & { rods: number[] } {
  const random = seededRandom(seed)
  return {
    evenHz: aroundHz * Math.exp(ROUGH_PITCH * (random.uniform() - 0.7)),
    rods: Array.from({ length: lugs }, () => ROUGH_TURNS * random.normal()),
  }
}

/** What a hand really does when told `turns`: every rod it touches ends a little off. */
export function turnedByHand(rods: readonly number[], turns: readonly number[], seed: number): number[] {
  const random = seededRandom(seed)
  return rods.map((rod, i) => {
    const slip = HAND_ERROR_TURNS * random.normal()
    return turns[i] ? rod + turns[i] + slip : rod
  })
}

/** The three rods nearest the player, who sits opposite the badge (common practice): lugs in the middle of the count. */
export function nearRods(lugs: number): number[] {
  const middle = Math.floor(lugs / 2)
  return [middle - 1, middle, middle + 1].map((rod) => ((rod % lugs) + lugs) % lugs)
}
