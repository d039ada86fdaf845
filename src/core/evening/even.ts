import { explainPair } from '../head/pairCause'
import {
  asIfPitchWereKnown,
  learnedFrom,
  lookAhead,
  stateErrorCents,
  stateHarmonics,
  stateLugHz,
} from '../head/belief'
import type { HeadState } from '../head/estimate'
import { varianceOf } from '../numeric/gaussian'
import { MEAN, type Belief, TURN_LAW } from '../head/kalman'
import { rodPulls } from '../head/rods'
import { CENTS_PER_NEPER } from '../units/pitch'
import { against, asRead, disagreements } from './asRead'
import { isEnough, readNext, rodsToFeel } from './ask'
import { believed, stateFor } from './believed'
import { oddsOf, spreadAgainst } from './confidence'
import { isDone, judge, type Seen } from './judge'
import { orderSteps } from './order'
import { choose, DEFAULT_KEYS, DEFAULT_LARGEST_STEP } from './plan'
import { suspectsOf } from './suspect'
import { defaultToleranceCents } from './tolerance'
import { DEFAULT_SMALLEST_STEP, targetMeanHz, type EvenAnswer, type EvenRequest } from './types'

/** Version of the estimate and the choice of turns. */
export const EVENING_VERSION = 'even-3'

/**
 * Everything known of one head to the next pass: which rods, how far, in which order, what it will read, or that it is
 * done and why. Deterministic: the same request has the same answer.
 */
export function even(request: EvenRequest): EvenAnswer {
  const { dead, held, known, named, state, suspects } = believed(request)
  const { head, rounds } = known
  const plan = choose(request, state, [...dead, ...held])
  const toleranceCents = request.toleranceCents ?? defaultToleranceCents(head, plan.targetHz)
  const pitchKnown = state.knownBy === 'pitch' || state.knownBy === 'whole' || state.knownBy === null
  // By dial, ear or hand nothing is said of the pitch: cents are those between the lugs, wherever the head stands.
  const told = (belief: Belief) => (pitchKnown ? belief : asIfPitchWereKnown(belief))
  const odds = (from: HeadState['hypotheses']) =>
    oddsOf(
      from.map((one) => ({ ...one, belief: told(one.belief) })),
      plan.target,
      head.lugs,
      toleranceCents,
    )
  const off = against(state)
  const seen: Seen = {
    ...{ state, plan, toleranceCents, against: off, now: odds(state.hypotheses) },
    asRead: asRead(
      state,
      plan.target,
      toleranceCents,
      state.knownBy === 'pitch' && targetMeanHz(request.target) !== null,
      !('offsetTurns' in request.target),
    ),
    disagree: disagreements(state, off),
    suspected: suspects.length > 0 && held.length === 0,
    held: held.length > 0,
  }
  const pass = passOf(request, seen)
  const reason = judge(request, { ...seen, plan: { ...plan, turns: pass.turns } })
  const turns =
    reason === null
      ? pass.turns
      : reason === 'suspect-rod' && named.length === 0
        ? testTurns(request, suspects[0])
        : new Array<number>(head.lugs).fill(0)
  const moved = turns.some((turn) => turn !== 0)
  const later = moved
    ? state.hypotheses.map((one) => ({ ...one, belief: lookAhead(one.belief, turns) }))
    : state.hypotheses
  const foreseen = moved ? odds(later) : seen.now
  const after = moved ? lookAhead(state.belief, turns) : state.belief
  const done = isDone(request, reason, seen)
  const { belief, leading } = state
  const again = [
    ...new Set([
      ...state.leftOut.map((lug) => lug + 1),
      ...(reason === 'readings-disagree' ? seen.disagree.flatMap(({ lugs }) => lugs) : []),
    ]),
  ]
  return {
    ...{ done, reason, turns },
    steps: moved ? orderSteps(turns, request.keys ?? DEFAULT_KEYS) : [],
    pressAfter: moved,
    ...{ targetHz: plan.targetHz, toleranceCents },
    predictedHz: pass.predictedHz ?? stateLugHz(after, head.lugs),
    predictedErrorCents: pass.predictedErrorCents ?? stateErrorCents(told(after), head.lugs),
    spreadCents: state.knownBy ? spreadAgainst(stateLugHz(leading, head.lugs), plan.target) : 0,
    spreadErrorCents: seen.now.spreadErrorCents,
    meanHz: Math.sqrt(Math.max(1, belief.x[MEAN])),
    meanErrorCents:
      (CENTS_PER_NEPER * Math.sqrt(varianceOf(belief, [1, 0, 0, 0, 0]))) / (2 * Math.max(1, belief.x[MEAN])),
    confidence: foreseen.within,
    likelySpreadCents: foreseen.likelyCents,
    withinSpreadCents: foreseen.withinCents,
    readNext: readNext(state, after, moved, again),
    leftOut: state.leftOut.map((lug) => lug + 1),
    learned: learnedFrom(belief),
    enough: isEnough(state, toleranceCents),
    ask: reason === null ? rodsToFeel(state, turns) : [],
    rods: rodPulls(state.rods),
    suspects: reason === 'suspect-rod' || held.length ? (named.length ? named : suspects) : [],
    disagree: reason === 'readings-disagree' ? [...seen.disagree] : [],
    readSpreadCents: seen.asRead.spreadCents,
    roundSpreadsCents: state.roundsLugHz.map((lugHz) => lugHz && spreadAgainst(lugHz, plan.target)),
    knownBy: state.knownBy,
    micStoodStill:
      (reason === 'readings-disagree' || reason === 'suspect-rod') && standingExplains(known, state),
    muteOther: explainPair(head, rounds.at(-1)!)?.cause === 'other-head',
    leftAlone: dead.map((rod) => rod + 1),
    hoopOrEdgeKnown: request.hoopOrEdge ?? false,
    surprise: rounds.length > 1 && state.read.length > 0 ? Math.sqrt(state.surprises.at(-1)!) : null,
    gaugeLaw: state.gaugeLaw,
  }
}

/** The turns of the pass: by the head as a whole, or lug by lug where its readings are to be taken as they are. */
function passOf(
  { believe, smallestStepTurns = DEFAULT_SMALLEST_STEP }: EvenRequest,
  { state, plan, toleranceCents, asRead: { outside } }: Seen,
): { turns: number[]; predictedHz?: number[]; predictedErrorCents?: number[] } {
  if (believe !== 'readings') return { turns: plan.turns }
  const pass = byReadings(state, plan.targetHz, smallestStepTurns, toleranceCents)
  return outside ? pass : { ...pass, turns: pass.turns.map(() => 0) }
}

/** Rounds that are read anew for that: what stood before them says nothing of how the newest was taken. */
const STANDING_ROUNDS = 4

/** Whether the newest readings contradict nothing once the microphone is taken to have stood still. */
function standingExplains(request: EvenRequest, state: HeadState): boolean {
  const { rounds } = request
  if (rounds.at(-1)!.mic === 'standing' || state.read.length < 4) return false
  const stood = stateFor({
    ...request,
    rounds: rounds.slice(-STANDING_ROUNDS).map((round) => ({ ...round, mic: 'standing' as const })),
  })
  return against(stood).length === 0
}

/** The turn that would tell whether a rod answers, within what a pass may turn. */
function testTurns(
  { head, largestStepTurns = DEFAULT_LARGEST_STEP }: EvenRequest,
  { test }: ReturnType<typeof suspectsOf>[number],
): number[] {
  const turns = new Array<number>(head.lugs).fill(0)
  test.rods.forEach((rod, i) => (turns[rod - 1] = Math.min(largestStepTurns, test.turns[i])))
  return turns
}

/** The state behind an answer, for screens that draw the fit. */
export function fittedState(request: EvenRequest) {
  const state = stateFor(request)
  return { harmonics: stateHarmonics(state.leading), lugHz: stateLugHz(state.leading, request.head.lugs) }
}

/**
 * A pass lug by lug: every rod by its own lug's reading, as one school does. No whole head behaves so (a rod moves its
 * neighbours too), so the steps are small and the forecasts wide.
 */
const PART_OF_NEED = 0.6

const LARGEST_TURNS = 1 / 8

/** Of a correction by one rod alone this part may go elsewhere; and no forecast by this way is surer than that many cents. */
const ASTRAY = 0.7

const LEAST_ERROR_CENTS = 8

function byReadings(state: HeadState, targetHz: number, smallestStepTurns: number, toleranceCents: number) {
  const { lugs, newest, belief } = state
  const turns = new Array<number>(lugs).fill(0)
  const predictedHz = new Array<number>(lugs).fill(targetHz)
  const predictedErrorCents = new Array<number>(lugs).fill(LEAST_ERROR_CENTS)
  const k = belief.x[TURN_LAW]
  for (const { lug, hz, errorHz } of newest) {
    const wanted = (PART_OF_NEED * (targetHz ** 2 - hz * hz)) / k
    const bounded = Math.max(-LARGEST_TURNS, Math.min(LARGEST_TURNS, wanted))
    const rounded = Math.round(bounded / smallestStepTurns) * smallestStepTurns + 0
    // A lug that lies outside gets the smallest step at least: one rod alone moves its lug by less than all together would.
    const off = Math.abs(CENTS_PER_NEPER * Math.log(hz / targetHz))
    turns[lug] =
      rounded === 0 && off > toleranceCents / 2 ? Math.sign(targetHz - hz) * smallestStepTurns : rounded
    predictedHz[lug] = Math.sqrt(Math.max(1, hz * hz + k * turns[lug]))
    const moved = CENTS_PER_NEPER * Math.log(predictedHz[lug] / hz)
    predictedErrorCents[lug] = Math.hypot(LEAST_ERROR_CENTS, (CENTS_PER_NEPER * errorHz) / hz, ASTRAY * moved)
  }
  return { turns, predictedHz, predictedErrorCents }
}
