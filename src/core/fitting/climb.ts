import { MEAN, TURN_LAW, type Belief } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { DrumKind } from '../kit/kinds'

/**
 * Up from slack: how many turns of all rods, in how many rounds, where to take a check reading on the way, and where to
 * stop so that the last part is upward and even. From the turn law as believed now (docs/decisions/from-slack.md).
 */
export interface ClimbRequest {
  /** The head as believed, all turns made so far included. */
  belief: Belief
  targetHz: number
  /** Largest step of a rod in a round. */
  largestStepTurns: number
  /** Turned by all rods since the newest reading; since the start where none was taken. */
  turnedSinceReading: number
  anyReading: boolean
}

export interface Climb {
  /** `turn`: a round of all rods; `check`: tap two lugs first; `there`: stop, and even the head. */
  stage: 'turn' | 'check' | 'there'
  /** Turns of each round left up to the stop, the next first. */
  rounds: number[]
  /** Turns of all rods still to go to the target itself, with one standard error. */
  turnsToGo: number
  turnsToGoError: number
  /** Where the rounds stop: short of the target. */
  stopHz: number
  /** Mean lug pitch as believed, with one standard error in cents. */
  nowHz: number
  nowErrorCents: number
  /** After the next round. */
  nextHz: number
}

/** The rounds stop this short of the target, in turns: an eighth is left for evening, always upward. */
const STOP_SHORT_TURNS = 1 / 8
/** and shorter by this part of the doubt, so as not to overshoot. */
const DOUBT_PART = 0.7
const STEP_TURNS = 1 / 16
/** A head pulled less than this above just touching growls: nothing to read there yet. */
const SPEAKS_TURNS = 0.35
/** A reading is due when the stop is known no better than this, in turns. */
const DUE_TURNS = 0.12

/** The next round, or check, or that evening takes over. */
export function climb(request: ClimbRequest): Climb {
  const { belief, targetHz, largestStepTurns, turnedSinceReading, anyReading } = request
  const { x, p } = belief
  const k = x[TURN_LAW]
  const target = targetHz ** 2
  const turnsToGo = (target - x[MEAN]) / k
  // Of (target - mean) / k to first order, with what is known of both together.
  const variance =
    (p[MEAN * 6] + turnsToGo ** 2 * p[TURN_LAW * 6] + 2 * turnsToGo * p[MEAN * 5 + TURN_LAW]) / k ** 2
  const turnsToGoError = Math.sqrt(Math.max(0, variance))
  const short = STOP_SHORT_TURNS + DOUBT_PART * Math.min(turnsToGoError, Math.max(0, turnsToGo) / 3)
  const left = Math.max(0, Math.floor((turnsToGo - short) / STEP_TURNS) * STEP_TURNS)
  const speaks = x[MEAN] / k >= SPEAKS_TURNS
  const due = speaks && turnedSinceReading > 0 && (!anyReading || turnsToGoError > DUE_TURNS)
  const rounds = roundsOf(left, largestStepTurns)
  return {
    stage: rounds.length === 0 ? 'there' : due ? 'check' : 'turn',
    rounds,
    turnsToGo,
    turnsToGoError,
    stopHz: Math.sqrt(Math.max(1, target - k * (turnsToGo - left))),
    nowHz: Math.sqrt(Math.max(1, x[MEAN])),
    nowErrorCents: (CENTS_PER_NEPER * Math.sqrt(Math.max(0, p[MEAN * 6]))) / (2 * Math.max(1, x[MEAN])),
    nextHz: Math.sqrt(Math.max(1, x[MEAN] + k * (rounds[0] ?? 0))),
  }
}

/** Full steps first, the rest last: the nearer, the smaller. */
function roundsOf(turns: number, largest: number): number[] {
  const rounds: number[] = []
  for (let left = turns; left > STEP_TURNS / 2; left -= rounds.at(-1)!) rounds.push(Math.min(largest, left))
  return rounds
}

/** How far people go from finger-tight without measuring (common practice, no source). */
export function ruleOfThumb(kind: DrumKind, side: 'batter' | 'resonant', diameterInches: number): string {
  if (kind === 'snare')
    return side === 'batter'
      ? 'Three rounds of half turns past finger-tight.'
      : 'Two full turns past the biting point.'
  if (kind === 'kick')
    return diameterInches > 22
      ? 'Wrinkles just gone, then a turn or so: a larger one needs more, or it slaps without body.'
      : 'Wrinkles just gone, then half to three quarters of a turn.'
  if (kind === 'floor-tom') return 'Half a turn past finger-tight, or less.'
  return side === 'batter' ? 'Half a turn to one turn past finger-tight.' : 'As the batter, or a little more.'
}
