import { estimateHead, type HeadState } from '../head/estimate'
import { lugAngle, oppositeRod } from '../head/harmonics'
import { SECOND, TURN_LAW } from '../head/kalman'
import type { EvenRequest } from './types'

/**
 * A rod that seems not to answer. It is rare; a misread lug, a wrong rod and another turn than was asked are not. So a rod
 * is suspected when the history makes far better sense without its turns, a turn is asked for that would tell, and it is
 * named only after two turns in different passes went without an answer.
 */
export interface Suspect {
  /** From 1. */
  rod: number
  probability: number
  /** Passes in which it was turned and the head did not answer. */
  turns: number
  test: { rods: number[]; turns: number[] }
}

/** One rod in so many is dead before anything was seen (common practice, no source: it is rare). */
const DEAD_BEFORE = 1 / 1000
/** Histories are only weighed once readings lay this far from the forecast, */
const WORTH_A_LOOK = 2
/** and rods that were turned up at least this far in one pass. */
const LEAST_TURN = 3 / 32
const TEST_TURNS = 0.125
/** Suspected from this probability on; named from that on. */
const SUSPECTED = 0.6
export const NAMED = 0.9
/** Fewest passes without an answer before a rod is named. */
export const TURNS_TO_NAME = 2
/** A pass tells against a rod when it is likelier by this factor, as a logarithm, that the rod did nothing. */
const PASS_TELLS = 1.5
const MOST_SUSPECTS = 2

/** Rounds that are looked back at, and rods that are weighed: those whose turns explain best what came otherwise. */
const LOOKED_BACK = 8
const MOST_WEIGHED = 4

/** Rods that may be dead, likeliest first; none as a rule. */
export function suspectsOf(request: EvenRequest, state: HeadState, known: readonly number[]): Suspect[] {
  const { head } = request
  // Far from an even pull the head answers otherwise than it did: that is no proof against a rod.
  if ('offsetTurns' in request.target || state.knownBy !== 'pitch') return []
  if (Math.max(1, ...state.surprises.slice(-LOOKED_BACK)) < WORTH_A_LOOK) return []
  const recent = { ...request, rounds: request.rounds.slice(-LOOKED_BACK) }
  const passes = (rod: number) =>
    recent.rounds.flatMap((round, i) =>
      (round.turns?.[rod] ?? 0) >= LEAST_TURN && readAfter(recent.rounds, i) ? [i] : [],
    )
  const rods = Array.from({ length: head.lugs }, (_, rod) => rod)
    .filter((rod) => !known.includes(rod) && passes(rod).length > 0)
    .map((rod) => ({ rod, explained: explainedBy(recent, state, rod) }))
    .filter(({ explained }) => explained > 0)
    .sort((a, b) => b.explained - a.explained)
    .slice(0, MOST_WEIGHED)
    .map(({ rod }) => rod)
  if (rods.length === 0) return []
  const sound = evidence(recent)
  const logs = rods.map((rod) => ({ rod, log: evidence(withoutTurns(recent, [rod])) + Math.log(DEAD_BEFORE) }))
  const best = Math.max(sound, ...logs.map(({ log }) => log))
  const total = Math.exp(sound - best) + logs.reduce((sum, { log }) => sum + Math.exp(log - best), 0)
  const odds = new Map(logs.map(({ rod, log }) => [rod, Math.exp(log - best) / total]))
  const pairOdds = (rod: number) =>
    (odds.get(rod) ?? 0) + (head.lugs % 2 ? 0 : (odds.get(oppositeRod(rod, head.lugs)) ?? 0))
  return [...odds]
    .filter(([rod, probability]) => pairOdds(rod) >= SUSPECTED && probability >= pairOdds(rod) / 4)
    .sort((a, b) => b[1] - a[1])
    .slice(0, MOST_SUSPECTS)
    .map(([rod, probability]) => ({
      rod: rod + 1,
      probability,
      turns: silentPasses(recent, rod, passes(rod)),
      test: { rods: [rod + 1], turns: [TEST_TURNS] },
    }))
}

const evidence = (request: EvenRequest) =>
  estimateHead(request.head, request.rounds, { ...request, plain: true }).logEvidence

/** How much of what came otherwise than expected goes away if a rod's turns did nothing, in Hz^4; negative where it grows. */
function explainedBy({ rounds, head }: EvenRequest, state: HeadState, rod: number): number {
  const misses = state.misses.slice(-rounds.length)
  const angle = 2 * lugAngle(rod, head.lugs)
  const k = state.belief.x[TURN_LAW] / head.lugs
  const second = (2 * state.belief.x[SECOND]) / head.lugs
  return rounds.reduce((sum, round, i) => {
    const turned = Math.max(0, round.turns?.[rod] ?? 0)
    const miss = misses[i + 1]
    if (!miss || turned === 0) return sum
    const missing = [k, second * Math.cos(angle), second * Math.sin(angle)].map((answer) => -answer * turned)
    return sum + miss.reduce((all, value, j) => all + value ** 2 - (value - missing[j]) ** 2, 0)
  }, 0)
}

/** The rods of a pair that are named: two turns or more without an answer, and nothing else explains it. */
export function namedOf(suspects: readonly Suspect[]): Suspect[] {
  const sum = suspects.reduce((all, { probability }) => all + probability, 0)
  return sum >= NAMED ? suspects.filter(({ turns }) => turns >= TURNS_TO_NAME) : []
}

const readAfter = (rounds: EvenRequest['rounds'], i: number) =>
  (rounds[i + 1]?.readings?.length ?? 0) > 0 || rounds[i + 1]?.readingsHz?.some((hz) => hz !== null)

/** Passes of a rod whose readings by themselves are likelier had it not been turned. */
function silentPasses(request: EvenRequest, rod: number, passes: readonly number[]): number {
  const { rounds } = request
  return passes.filter((i) => {
    const upTo = { ...request, rounds: rounds.slice(0, i + 2).map((round, j) => (j === i + 1 ? last(round) : round)) }
    const without = withoutTurns(upTo, [rod])
    const answered = { ...without, rounds: without.rounds.map((round, j) => (j === i ? upTo.rounds[i] : round)) }
    return evidence(without) > evidence(answered) + PASS_TELLS
  }).length
}

const last = ({ turns: _, ...round }: EvenRequest['rounds'][number]) => round

/** The same history as if some rods (0-based) had not been tightened. */
export function withoutTurns(request: EvenRequest, rods: readonly number[]): EvenRequest {
  const rounds = request.rounds.map((round) =>
    round.turns
      ? { ...round, turns: round.turns.map((turn, i) => (rods.includes(i) ? Math.min(0, turn) : turn)) }
      : round,
  )
  return { ...request, rounds }
}
