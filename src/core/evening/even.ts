import { learnedFrom, lookAhead, stateErrorCents, stateHarmonics, stateLugHz } from '../head/belief'
import { estimateHead } from '../head/estimate'
import { MEAN, varianceOf } from '../head/kalman'
import { rodPulls } from '../head/rods'
import { CENTS_PER_NEPER } from '../units/pitch'
import { isEnough, readNext, rodsToFeel } from './ask'
import { oddsOf, spreadAgainst } from './confidence'
import { judge } from './judge'
import { orderSteps } from './order'
import { choose, DEFAULT_KEYS } from './plan'
import { silentRods, withoutTurns } from './silent'
import { defaultToleranceCents } from './tolerance'
import type { EvenAnswer, EvenRequest } from './types'

/** Version of the estimate and the choice of turns. */
export const EVENING_VERSION = 'even-2'

/**
 * Everything known of one head to the next pass: which rods, how far, in which order, what it will read, or that it is
 * done and why. Deterministic: the same request has the same answer.
 */
export function even(request: EvenRequest): EvenAnswer {
  const dead = request.deadRods?.map((rod) => rod - 1) ?? []
  const known = dead.length ? withoutTurns(request, dead) : request
  const seen = estimateHead(request.head, known.rounds, request)
  const silent = silentRods(known, seen)
  // Rods that do not answer are left out: of what they did, and of what is planned.
  const { head, rounds } = silent ? withoutTurns(known, silent.rods) : known
  const state = silent ? estimateHead(head, rounds, request) : seen
  const { belief } = state
  const nowHz = Math.sqrt(Math.max(1, belief.x[MEAN]))
  const plan = choose(request, state, [...dead, ...(silent?.rods ?? [])])
  const toleranceCents = request.toleranceCents ?? defaultToleranceCents(head, plan.targetHz)
  const now = oddsOf(belief, plan.target, head.lugs, toleranceCents)
  const reason = judge(request, state, plan, now, toleranceCents, silent)
  const done = reason !== null && reason !== 'need-readings'
  const turns = reason === null ? plan.turns : new Array<number>(head.lugs).fill(0)
  const after = reason === null ? lookAhead(belief, turns) : belief
  const lugHz = stateLugHz(belief, head.lugs)
  return {
    done,
    reason,
    turns,
    steps: reason === null ? orderSteps(turns, request.keys ?? DEFAULT_KEYS) : [],
    pressAfter: turns.some((t) => t !== 0),
    targetHz: plan.targetHz,
    toleranceCents,
    predictedHz: stateLugHz(after, head.lugs),
    predictedErrorCents: stateErrorCents(after, head.lugs),
    spreadCents: state.anyReading ? spreadAgainst(lugHz, plan.target) : 0,
    spreadErrorCents: now.spreadErrorCents,
    meanHz: nowHz,
    meanErrorCents: (CENTS_PER_NEPER * Math.sqrt(varianceOf(belief, [1, 0, 0, 0, 0]))) / (2 * belief.x[MEAN]),
    confidence: reason === null ? oddsOf(after, plan.target, head.lugs, toleranceCents).within : now.within,
    readNext: readNext(belief, head.lugs, done ? [] : state.read),
    leftOut: state.leftOut.map((lug) => lug + 1),
    learned: learnedFrom(belief),
    enough: isEnough(state, toleranceCents),
    ask: reason === null ? rodsToFeel(state, turns) : [],
    rods: rodPulls(state.rods),
    silentRods: silent ? silent.rods.map((rod) => rod + 1) : [],
    leftAlone: dead.map((rod) => rod + 1),
    hoopOrEdgeKnown: request.hoopOrEdge ?? false,
    surprise: rounds.length > 1 && state.read.length > 0 ? Math.sqrt(state.surprises.at(-1)!) : null,
    gaugeLaw: state.gaugeLaw,
  }
}

/** The state behind an answer, for screens that draw the fit. */
export function fittedState(request: EvenRequest) {
  const state = estimateHead(request.head, request.rounds, request)
  return { harmonics: stateHarmonics(state.belief), lugHz: stateLugHz(state.belief, request.head.lugs) }
}
