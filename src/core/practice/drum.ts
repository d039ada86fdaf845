import { HAND_ERROR_TURNS } from '../head/hand'
import { SLACK_SCHOOLS, type SlackSchoolId } from '../head/slackStart'
import type { Hoop } from '../membrane/turnLaw'
import { seededRandom, seedFromText } from '../numeric/random'
import { evenTravel, type PracticeHead } from './model'
import { natureOf, type Faults } from './nature'

/** A practice drum's tapped head: what the user sees of it, and the seed of what is hidden. */
export interface PracticeDrum {
  seedText: string
  diameterInches: number
  depthInches: number
  portInches?: number | undefined
  lugs: number
  hoop: Hoop
  threadPitchMm: number
  pliesMils: readonly number[]
  otherPliesMils: readonly number[]
  /** What is wrong with it, if anything was planted. */
  faults?: Faults
}

/** Where its rods really stand. */
export interface Rods {
  /** Mean lug pitch in Hz with all rods at 0. */
  evenHz: number
  rods: readonly number[]
  /** Where the film's edge stands at each rod: it lags behind until pressed. Left out: at the rods. */
  seats?: readonly number[]
  /** How often the head was pressed since it was fitted. */
  presses?: number
}

const ROUGH_TURNS = 0.09
const ROUGH_PITCH = 0.06
/** Part of the settling that is left to come after each press; its own, whatever is believed of heads. */
const SETTLING_LEFT = 0.35

/** The head for the forward model, with this drum's own hidden nature. */
export function practiceHead(
  drum: PracticeDrum,
  state: Rods,
  other: { lugHz: number; muted: boolean },
): PracticeHead {
  const nature = natureOf(drum, seedFromText(drum.seedText), drum.faults)
  return {
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    portInches: drum.portInches,
    lugs: drum.lugs,
    hoop: drum.hoop,
    threadPitchMm: drum.threadPitchMm,
    pliesMils: drum.pliesMils,
    evenHz: state.evenHz,
    rods: state.rods,
    ...(state.seats ? { seats: state.seats } : {}),
    settled: nature.settling * (1 - SETTLING_LEFT ** (state.presses ?? 0)),
    nature,
    ...(drum.faults ? { faults: drum.faults } : {}),
    other: { pliesMils: drum.otherPliesMils, ...other },
  }
}

/** A head as an unpractised hand leaves it: rods wrong by a tenth of a turn or so, and off its pitch. */
export function roughRods(lugs: number, aroundHz: number, seed: number): { evenHz: number; rods: number[] } {
  const random = seededRandom(seed)
  return {
    evenHz: aroundHz * Math.exp(ROUGH_PITCH * (random.uniform() - 0.7)),
    rods: Array.from({ length: lugs }, () => ROUGH_TURNS * random.normal()),
  }
}

/**
 * Rods as a slack start leaves them: the school's few hundredths of a turn above just touching, each rod with its own
 * hidden error. The head is given by where it stands when its rods are at 0.
 */
export function slackRods(
  drum: PracticeDrum,
  evenHz: number,
  school: SlackSchoolId,
  seed: number,
): { evenHz: number; rods: number[] } {
  const { turns, turnsError, rodError } = SLACK_SCHOOLS[school]
  const random = seededRandom(seed)
  const even = evenTravel(practiceHead(drum, { evenHz, rods: [] }, { lugHz: evenHz, muted: true }))
  const pull = Math.max(0, turns + turnsError * random.normal())
  return {
    evenHz,
    rods: Array.from({ length: drum.lugs }, () => pull - even + rodError * random.normal()),
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

/**
 * Rods moved: the film's edge follows each through a play, so that the last part of a turn back does not show until the
 * head is pressed.
 */
export function afterTurning<State extends Rods>(drum: PracticeDrum, state: State, rods: readonly number[]) {
  const { playTurns } = natureOf(drum, seedFromText(drum.seedText), drum.faults)
  const seats = (state.seats ?? state.rods).map((seat, i) =>
    Math.min(rods[i] + playTurns, Math.max(rods[i] - playTurns, seat)),
  )
  return { ...state, rods: [...rods], seats }
}

/** The head was pressed or played: the edge stands where the rods are, and the film settles some more. */
export function afterPressing<State extends Rods>(state: State) {
  return { ...state, seats: [...state.rods], presses: (state.presses ?? 0) + 1 }
}
