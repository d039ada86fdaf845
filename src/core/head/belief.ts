import { secondAnswerPrior, turnLawPrior } from '../membrane/turnLaw'
import { CENTS_PER_NEPER } from '../units/pitch'
import { HAND_ERROR_TURNS } from './hand'
import { harmonicsOf, lugAngle, patternOverLugs, type Harmonics } from './harmonics'
import { varianceOf } from '../numeric/gaussian'
import { COSINE, copyBelief, MEAN, SECOND, SINE, turn, TURN_LAW, type Belief } from './kalman'
import { SLACK_SCHOOLS, type SlackSchoolId } from './slackStart'
import type { EvenHead, Learned } from './types'

/** What pitch sees of a head: where a belief of it starts, what turns do to it, and what is read off it. */

/** Part of a pass's effect that may not show: rods and film stick until pressed. */
const STICKING = { pressed: 0.1, unpressed: 0.2 }
/** However small the second harmonic's answer seems, a slip of the hand shows by this part of the turn law. */
const LEAST_SECOND = 0.3
/** Settling of a head by turning and pressing, relative to the squared pitch. */
const SETTLING = { first: 0.015, later: 0.004 }
/** A head that seemed to answer less than this part of the usual is not believed: turns would be too large, upwards. */
const LEAST_ANSWER = 0.4

/** The row that reads lug `lug` off the state. */
export function lugRow(lug: number, lugs: number): number[] {
  const angle = 2 * lugAngle(lug, lugs)
  return [1, Math.cos(angle), lugs === 4 ? 0 : Math.sin(angle), 0, 0]
}

/** Mean and second harmonic of the state, in Hz^2. */
export function stateHarmonics(belief: Belief): Harmonics {
  return { mean: belief.x[MEAN], cosine: belief.x[COSINE], sine: belief.x[SINE] }
}

/** Lug pitches of the state, in Hz. */
export function stateLugHz(belief: Belief, lugs: number): number[] {
  return patternOverLugs(stateHarmonics(belief), lugs).map((hz2) => Math.sqrt(Math.max(1, hz2)))
}

/** Error of each lug pitch of the state, in cents. */
export function stateErrorCents(belief: Belief, lugs: number): number[] {
  return Array.from({ length: lugs }, (_, lug) => {
    const hz2 = Math.max(
      1,
      lugRow(lug, lugs).reduce((sum, v, i) => sum + v * belief.x[i], 0),
    )
    return (CENTS_PER_NEPER * Math.sqrt(varianceOf(belief, lugRow(lug, lugs)))) / (2 * hz2)
  })
}

/** A worn film answers a turn by this part of a fresh one, and what is known of its answers widens by that factor. */
const WORN = { answers: 0.8, wider: 1.4 }

function priorAnswers(head: EvenHead, learned?: Learned) {
  const usual = turnLawPrior(head.diameterInches, head.threadPitchMm, head.pliesMils)
  const fresh = learned
    ? { mean: Math.max(learned.hz2PerTurn, LEAST_ANSWER * usual.mean), sd: learned.hz2PerTurnError }
    : usual
  // What was learned of this film already shows its wear.
  const k = head.worn ? { mean: fresh.mean * (learned ? 1 : WORN.answers), sd: fresh.sd * WORN.wider } : fresh
  const ratio = learned
    ? { mean: learned.secondAnswer, sd: learned.secondAnswerError }
    : secondAnswerPrior(head.hoop, head.lugs)
  return { k, ratio }
}

/**
 * Before anything was read or turned: around a squared pitch in Hz^2, with the drum's prior or learned answers.
 * @param rough the second harmonic's usual size against the squared pitch; 0.06 is some 50 cents each way
 */
export function startingBelief(
  head: EvenHead,
  learned: Learned | undefined,
  around: number,
  rough: number,
): Belief {
  const { k, ratio } = priorAnswers(head, learned)
  const p = new Float64Array(25)
  p[MEAN * 6] = (2 * around) ** 2
  p[COSINE * 6] = p[SINE * 6] = (rough * around) ** 2
  p[TURN_LAW * 6] = k.sd ** 2
  p[SECOND * 6] = (ratio.mean * k.sd) ** 2 + (k.mean * ratio.sd) ** 2
  // A drum that answers strongly to all rods answers strongly to a pattern: the two are known together.
  p[TURN_LAW * 5 + SECOND] = p[SECOND * 5 + TURN_LAW] = ratio.mean * k.sd ** 2
  return { x: Float64Array.of(around, 0, 0, k.mean, ratio.mean * k.mean), p }
}

/**
 * The same for a head whose rods were just brought to a slack start: it holds the school's few hundredths of a turn, and
 * its unevenness is that of the school's rods. What the first reading then shows is the drum's own turn law.
 */
export function slackBelief(head: EvenHead, learned: Learned | undefined, school: SlackSchoolId): Belief {
  const { turns, turnsError, rodError } = SLACK_SCHOOLS[school]
  const belief = startingBelief(head, learned, 1, 1)
  const { x, p } = belief
  const k = x[TURN_LAW]
  const kVar = p[TURN_LAW * 6]
  x[MEAN] = k * turns
  p[MEAN * 6] = (k * turnsError) ** 2 + turns ** 2 * kVar
  p[MEAN * 5 + TURN_LAW] = p[TURN_LAW * 5 + MEAN] = turns * kVar
  p[MEAN * 5 + SECOND] = p[SECOND * 5 + MEAN] = turns * p[TURN_LAW * 5 + SECOND]
  // The second pattern of rods that differ by an error each has an amplitude of about 2 / sqrt(lugs) of it.
  p[COSINE * 6] = p[SINE * 6] = ((x[SECOND] * 2 * rodError) / Math.sqrt(head.lugs)) ** 2
  return belief
}

/** Variances that a set of turns adds to mean, cosine and sine: the hand, sticking and settling. */
export function turnNoise(
  belief: Belief,
  turns: readonly number[],
  pressed: boolean,
  first: boolean,
): [number, number, number] {
  const lugs = turns.length
  const turned = turns.filter((t) => t !== 0).length
  const pattern = harmonicsOf(turns)
  const stick = pressed ? STICKING.pressed : STICKING.unpressed
  const settle = (first ? SETTLING.first : SETTLING.later) * belief.x[MEAN] * (turned > 0 || pressed ? 1 : 0)
  const hand = (HAND_ERROR_TURNS ** 2 * turned) / lugs ** 2
  // What is not known of an answer adds to what a slip of the hand may have done.
  const k = Math.hypot(belief.x[TURN_LAW], Math.sqrt(belief.p[TURN_LAW * 6]))
  const second = Math.max(LEAST_SECOND * k, Math.hypot(belief.x[SECOND], Math.sqrt(belief.p[SECOND * 6])))
  return [
    hand * k * k + (stick * k * pattern.mean) ** 2 + settle ** 2,
    4 * (hand / 2) * second ** 2 + (stick * second * pattern.cosine) ** 2,
    lugs === 4 ? 0 : 4 * (hand / 2) * second ** 2 + (stick * second * pattern.sine) ** 2,
  ]
}

/** The head's answers are known less surely by a part of themselves, together: what moves one moves the other. */
export function doubtAnswers(belief: Belief, part: number): Belief {
  const next = copyBelief(belief)
  const [k, second] = [part * belief.x[TURN_LAW], part * belief.x[SECOND]]
  next.p[TURN_LAW * 6] += k * k
  next.p[SECOND * 6] += second * second
  next.p[TURN_LAW * 5 + SECOND] += k * second
  next.p[SECOND * 5 + TURN_LAW] += k * second
  return next
}

/** What is believed of a head's evenness alone: its mean taken to be where it is thought, however little is known of it. */
export function asIfPitchWereKnown(belief: Belief): Belief {
  const next = copyBelief(belief)
  for (let j = 0; j < 5; j++) next.p[MEAN * 5 + j] = next.p[j * 5 + MEAN] = 0
  return next
}

/** The head's own answers as learned so far. */
export function learnedFrom(belief: Belief): Learned {
  const k = belief.x[TURN_LAW]
  const second = belief.x[SECOND]
  const kVar = belief.p[TURN_LAW * 6]
  const ratio = second / k
  const ratioVar =
    (belief.p[SECOND * 6] - 2 * ratio * belief.p[TURN_LAW * 5 + SECOND] + ratio * ratio * kVar) / (k * k)
  return {
    hz2PerTurn: k,
    hz2PerTurnError: Math.sqrt(Math.max(0, kVar)),
    secondAnswer: ratio,
    secondAnswerError: Math.sqrt(Math.max(0, ratioVar)),
  }
}

/** The state with another learned pair of answers is never mixed in place: a copy for callers that look ahead. */
export function lookAhead(belief: Belief, turns: readonly number[]): Belief {
  const copy = copyBelief(belief)
  return turn(copy, harmonicsOf(turns), turnNoise(copy, turns, true, false))
}
