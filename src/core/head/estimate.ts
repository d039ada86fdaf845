import type { EvenHead, Learned, Round } from './types'
import { secondAnswerPrior, turnLawPrior } from '../membrane/turnLaw'
import { CENTS_PER_NEPER } from '../units/pitch'
import { harmonicsOf, lugAngle, patternOverLugs, type Harmonics } from './harmonics'
import {
  COSINE,
  copyBelief,
  MEAN,
  SECOND,
  SINE,
  turn,
  TURN_LAW,
  update,
  varianceOf,
  type Belief,
} from './kalman'
import { lugReadings, type LugReading } from './readings'
import { fitTwoLevels } from './twoLevel'

/** What is believed of one head, and how surely. */
export interface HeadState {
  belief: Belief
  lugs: number
  /** Lugs (0-based) of the newest round that were read, and those whose reading was left out. */
  read: number[]
  leftOut: number[]
  /** Mean error in cents against the state before the newest readings, one per round read, for judging passes. */
  meanHistoryHz2: number[]
  anyReading: boolean
}

/** A hand turns a rod to within this, one standard error, in turns (common practice, no source). */
export const HAND_ERROR_TURNS = 1 / 64
/** Unevenness as found: second harmonic's usual size against the squared pitch. 0.06 is some 50 cents each way. */
const AS_FOUND = 0.06
/** Part of a pass's effect that may not show: rods and film stick until pressed. */
const STICKING = { pressed: 0.07, unpressed: 0.14 }
/** Settling of a head by turning and pressing, relative to the squared pitch. */
const SETTLING = { first: 0.015, later: 0.004 }
/** A reading this far from what the rest of the head says, in cents, is another mode or a slip. */
const SLIP_CENTS = 45
const SLIP_SIGMAS = 5
/** How much better two levels must explain bare numbers than a wave. */
const TWO_LEVEL_EVIDENCE = 6
const TWO_LEVEL_RATIO = 4

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

function priorAnswers(head: EvenHead, learned?: Learned) {
  const k = learned
    ? { mean: learned.hz2PerTurn, sd: learned.hz2PerTurnError }
    : turnLawPrior(head.diameterInches, head.threadPitchMm)
  const ratio = learned
    ? { mean: learned.secondAnswer, sd: learned.secondAnswerError }
    : secondAnswerPrior(head.hoop, head.lugs)
  return { k, ratio }
}

function startingBelief(head: EvenHead, learned: Learned | undefined, around: number): Belief {
  const { k, ratio } = priorAnswers(head, learned)
  const p = new Float64Array(25)
  p[MEAN * 6] = (2 * around) ** 2
  p[COSINE * 6] = (AS_FOUND * around) ** 2
  p[SINE * 6] = head.lugs === 4 ? 0 : (AS_FOUND * around) ** 2
  p[TURN_LAW * 6] = k.sd ** 2
  p[SECOND * 6] = (ratio.mean * k.sd) ** 2 + (k.mean * ratio.sd) ** 2
  // A drum that answers strongly to all rods answers strongly to a pattern: the two are known together.
  p[TURN_LAW * 5 + SECOND] = p[SECOND * 5 + TURN_LAW] = ratio.mean * k.sd ** 2
  return { x: Float64Array.of(around, 0, 0, k.mean, ratio.mean * k.mean), p }
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
  const settle = (first ? SETTLING.first : SETTLING.later) * belief.x[MEAN] * (turned > 0 ? 1 : 0)
  const hand = (HAND_ERROR_TURNS ** 2 * turned) / lugs ** 2
  const k = belief.x[TURN_LAW]
  const second = belief.x[SECOND]
  return [
    hand * k * k + (stick * k * pattern.mean) ** 2 + settle ** 2,
    4 * (hand / 2) * second ** 2 + (stick * second * pattern.cosine) ** 2,
    lugs === 4 ? 0 : 4 * (hand / 2) * second ** 2 + (stick * second * pattern.sine) ** 2,
  ]
}

/**
 * The state of a head after all rounds, from the oldest on. Readings of the newest round need no turns.
 * Model: docs/decisions/head-estimate.md.
 */
export function estimateHead(head: EvenHead, rounds: readonly Round[], learned?: Learned): HeadState {
  const { lugs } = head
  const first = rounds.flatMap((round) => lugReadings(head, round).map((reading) => reading.hz))
  const around = first.length
    ? median(first) ** 2
    : turnLawPrior(head.diameterInches, head.threadPitchMm).mean
  let belief = startingBelief(head, learned, around)
  const state: HeadState = {
    belief,
    lugs,
    read: [],
    leftOut: [],
    meanHistoryHz2: [],
    anyReading: first.length > 0,
  }
  let presses = 0
  rounds.forEach((round, index) => {
    const readings = lugReadings(head, round)
    const taken = takeReadings(belief, readings, lugs)
    belief = taken.belief
    state.read = readings.map((reading) => reading.lug)
    state.leftOut = taken.leftOut
    if (readings.length) state.meanHistoryHz2.push(belief.x[MEAN])
    if (round.turns && index < rounds.length - 1) {
      const pressed = rounds[index + 1].pressed ?? false
      belief = turn(belief, harmonicsOf(round.turns), turnNoise(belief, round.turns, pressed, presses === 0))
      if (pressed) presses++
    } else if (round.turns) {
      belief = turn(belief, harmonicsOf(round.turns), turnNoise(belief, round.turns, true, presses === 0))
    }
  })
  state.belief = belief
  return state
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)]
}

interface Taken {
  belief: Belief
  leftOut: number[]
}

function takeReadings(before: Belief, readings: readonly LugReading[], lugs: number): Taken {
  let kept = [...readings]
  const leftOut: number[] = []
  for (;;) {
    const belief = takeAll(before, kept, lugs)
    if (kept.length < 4) return { belief, leftOut }
    const worst = worstSlip(before, kept, lugs)
    if (!worst || leftOut.length >= readings.length / 3) return { belief, leftOut }
    leftOut.push(worst.lug)
    kept = kept.filter((reading) => reading !== worst)
  }
}

function takeAll(before: Belief, readings: readonly LugReading[], lugs: number): Belief {
  const wave = readings.reduce(
    (belief, { lug, hz, errorHz }) => update(belief, lugRow(lug, lugs), hz * hz, (2 * hz * errorHz) ** 2),
    before,
  )
  if (readings.some((reading) => reading.weighted)) return wave
  const levels = fitTwoLevels(readings, lugs)
  if (!levels) return wave
  const chiWave = readings.reduce((sum, { lug, hz, errorHz }) => {
    const predicted = lugRow(lug, lugs).reduce((s, v, i) => s + v * wave.x[i], 0)
    return sum + ((hz * hz - predicted) / (2 * hz * errorHz)) ** 2
  }, 0)
  const better =
    chiWave - levels.chiSquared > TWO_LEVEL_EVIDENCE && levels.chiSquared < chiWave / TWO_LEVEL_RATIO
  if (!better) return wave
  // The axis of two levels is known only to within a lug's flip: a third of a lug spacing as an angle.
  const size2 = levels.cosine ** 2 + levels.sine ** 2
  const axis = size2 * ((2 * Math.PI) / lugs / 3) ** 2
  let belief = update(before, [1, 0, 0, 0, 0], levels.mean, levels.variance)
  belief = update(belief, [0, 1, 0, 0, 0], levels.cosine, 2 * levels.variance + axis / 2)
  return lugs === 4 ? belief : update(belief, [0, 0, 1, 0, 0], levels.sine, 2 * levels.variance + axis / 2)
}

/** The reading that fits worst with what all others say, where it cannot be noise or the other pole. */
function worstSlip(before: Belief, readings: readonly LugReading[], lugs: number): LugReading | null {
  let worst: LugReading | null = null
  let most = 1
  for (const reading of readings) {
    const others = takeAll(
      before,
      readings.filter((other) => other !== reading),
      lugs,
    )
    const row = lugRow(reading.lug, lugs)
    const predicted = row.reduce((sum, v, i) => sum + v * others.x[i], 0)
    const sd = Math.sqrt(varianceOf(others, row) + (2 * reading.hz * reading.errorHz) ** 2)
    const split = 2 * Math.hypot(others.x[COSINE], others.x[SINE])
    const limit = Math.max(SLIP_SIGMAS * sd, (2 * predicted * SLIP_CENTS) / CENTS_PER_NEPER, split)
    const excess = Math.abs(reading.hz ** 2 - predicted) / limit
    if (excess > most) {
      most = excess
      worst = reading
    }
  }
  return worst
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
