import { estimateHead, type HeadState } from '../head/estimate'
import { oppositeRod } from '../head/harmonics'
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

/** Rods that may be dead, likeliest first; none as a rule. */
export function suspectsOf(request: EvenRequest, state: HeadState, known: readonly number[]): Suspect[] {
  const { rounds, head } = request
  // Far from an even pull the head answers otherwise than it did: that is no proof against a rod.
  if ('offsetTurns' in request.target || state.knownBy !== 'pitch') return []
  if (Math.max(1, ...state.surprises) < WORTH_A_LOOK) return []
  const passes = (rod: number) =>
    rounds.flatMap((round, i) =>
      (round.turns?.[rod] ?? 0) >= LEAST_TURN && readAfter(rounds, i) ? [i] : [],
    )
  const rods = Array.from({ length: head.lugs }, (_, rod) => rod).filter(
    (rod) => !known.includes(rod) && passes(rod).length > 0,
  )
  if (rods.length === 0) return []
  const evidence = (changed: EvenRequest) => estimateHead(head, changed.rounds, request).logEvidence
  const logs = rods.map((rod) => ({ rod, log: evidence(withoutTurns(request, [rod])) + Math.log(DEAD_BEFORE) }))
  const best = Math.max(state.logEvidence, ...logs.map(({ log }) => log))
  const total =
    Math.exp(state.logEvidence - best) + logs.reduce((sum, { log }) => sum + Math.exp(log - best), 0)
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
      turns: silentPasses(request, rod, passes(rod)),
      test: { rods: [rod + 1], turns: [TEST_TURNS] },
    }))
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
  const { head, rounds } = request
  return passes.filter((i) => {
    const upTo = { ...request, rounds: rounds.slice(0, i + 2).map((round, j) => (j === i + 1 ? last(round) : round)) }
    const without = withoutTurns(upTo, [rod])
    const answered = { ...without, rounds: without.rounds.map((round, j) => (j === i ? upTo.rounds[i] : round)) }
    const log = (changed: EvenRequest) => estimateHead(head, changed.rounds, { ...request, plain: true }).logEvidence
    return log(without) > log(answered) + PASS_TELLS
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
