import { learnedFrom } from '../head/belief'
import { estimateHead, type HeadState } from '../head/estimate'
import { oppositeRod } from '../head/harmonics'
import { secondAnswerPrior } from '../membrane/turnLaw'
import type { EvenRequest } from './types'

/** Rods are only suspected after this much turning, */
const SUSPECT_TURNS = 0.15
/** when readings lie this far from the forecast, or the second pattern answers by less than this part of what is usual, */
const SUSPECT_SURPRISE = 3
const SUSPECT_ANSWER = 0.6
/** and when the history is likelier by this (log odds) had they not been turned at all. */
const SUSPECT_LOG_ODDS = 8

export interface Silent {
  /** 0-based. */
  rods: number[]
  /** One rod's thread holds nothing, and pitch cannot tell which of a pair; or the hoop lies on the shell there. */
  reason: 'dead-rod' | 'hoop-or-edge'
}

/** Rods without which the history makes sense and with which it does not; null for none. */
export function silentRods(request: EvenRequest, state: HeadState): Silent | null {
  const { rounds, head } = request
  const { lugs } = state
  // Far from an even pull the head answers otherwise than it did: that is no proof against a rod.
  if ('offsetTurns' in request.target) return null
  const usual = secondAnswerPrior(head.hoop, lugs).mean
  const answer = learnedFrom(state.belief).secondAnswer
  if (Math.max(1, ...state.surprises) < SUSPECT_SURPRISE && answer > SUSPECT_ANSWER * usual) return null
  const total = (rod: number) => rounds.reduce((sum, round) => sum + Math.max(0, round.turns?.[rod] ?? 0), 0)
  const turned = Array.from({ length: lugs }, (_, rod) => rod).filter((rod) => total(rod) >= SUSPECT_TURNS)
  const evidence = (rods: number[]) =>
    estimateHead(head, withoutTurns(request, rods).rounds, request).logEvidence
  const single = turned.map((rod) => ({ rods: [rod], log: evidence([rod]), reason: 'dead-rod' as const }))
  const pairs = Array.from({ length: lugs % 2 ? 0 : lugs / 2 }, (_, rod) => [rod, oppositeRod(rod, lugs)])
    .filter(([a, b]) => total(a) > 0 && total(b) > 0 && total(a) + total(b) >= 2 * SUSPECT_TURNS)
    .map((rods) => ({ rods, log: evidence(rods), reason: 'hoop-or-edge' as const }))
  const all = [...single, ...pairs].sort((a, b) => b.log - a.log)
  if (all.length === 0 || all[0].log < state.logEvidence + SUSPECT_LOG_ODDS) return null
  const [best] = all
  const other = oppositeRod(best.rods[0], lugs)
  const alike = single.find(({ rods, log }) => rods[0] === other && log > best.log - SUSPECT_LOG_ODDS / 2)
  return {
    rods: best.reason === 'dead-rod' && alike ? [best.rods[0], other] : best.rods,
    reason: best.reason,
  }
}

/** The same history as if some rods (0-based) had not been tightened. */
export function withoutTurns(request: EvenRequest, rods: readonly number[]): EvenRequest {
  const rounds = request.rounds.map((round) =>
    round.turns
      ? { ...round, turns: round.turns.map((turn, i) => (rods.includes(i) ? Math.min(0, turn) : turn)) }
      : round,
  )
  return { ...request, rounds }
}
