import { asTwoPoles, type HeadState } from '../head/estimate'
import { lugAngle, oppositeRod } from '../head/harmonics'
import { lugsLead } from '../head/pictures'
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
  /** It and its opposite together: not two dead threads, but a hoop that lies on the shell there, or an edge that holds. */
  together: boolean
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
/** A turn that tells is asked for from these odds on, before its rarity; it is named from this probability on. */
const ASK_ODDS = 45
const NAMED = 0.9
/** Fewest passes without an answer before a rod is named. */
const TURNS_TO_NAME = 2
/** A pass tells against a rod when it is likelier by this factor, as a logarithm, that the rod did nothing. */
const PASS_TELLS = 1.5

/** Rounds that are looked back at, and rods that are weighed: those whose turns explain best what came otherwise. */
const LOOKED_BACK = 6
const MOST_WEIGHED = 5

/** Rods that may be dead, likeliest first; none as a rule. */
export function suspectsOf(request: EvenRequest, state: HeadState, known: readonly number[]): Suspect[] {
  const { head } = request
  // Far from an even pull the head answers otherwise than it did: that is no proof against a rod.
  if ('offsetTurns' in request.target || state.knownBy !== 'pitch' || lugsLead(state)) return []
  if (Math.max(1, ...state.surprises.slice(-LOOKED_BACK)) < WORTH_A_LOOK) return []
  const recent = { ...request, rounds: request.rounds.slice(-LOOKED_BACK) }
  const passes = (rod: number) =>
    recent.rounds.flatMap((round, i) =>
      (round.turns?.[rod] ?? 0) >= LEAST_TURN && readAfter(recent.rounds, i) ? [i] : [],
    )
  const turned = Array.from({ length: head.lugs }, (_, rod) => rod).filter(
    (rod) => !known.includes(rod) && passes(rod).length > 0,
  )
  const pairs = head.lugs % 2 ? [] : turned.filter((rod) => turned.includes(oppositeRod(rod, head.lugs)))
  const weighed = [
    ...turned.map((rod) => [rod]),
    ...pairs.filter((rod) => rod < head.lugs / 2).map((rod) => [rod, oppositeRod(rod, head.lugs)]),
  ]
    .map((rods) => ({ rods, explained: explainedBy(recent, state, rods) }))
    .filter(({ explained }) => explained > 0)
    .sort((a, b) => b.explained - a.explained)
    .slice(0, MOST_WEIGHED)

  if (weighed.length === 0) return []
  const sound = soundEvidence(recent)
  const logs = weighed.map(({ rods }) => evidence(withoutTurns(recent, rods)) + Math.log(DEAD_BEFORE))
  const best = Math.max(sound, ...logs)
  const total = Math.exp(sound - best) + logs.reduce((sum, log) => sum + Math.exp(log - best), 0)
  const stories = weighed
    .map(({ rods }, i) => ({ rods, probability: Math.exp(logs[i] - best) / total }))
    .sort((a, b) => b.probability - a.probability)
  const [likeliest] = stories
  // Pitch cannot tell the rods of a pair apart: what is said of one is as likely true of its opposite.
  const named = stories.filter(
    ({ rods, probability }) =>
      probability >= likeliest.probability / 4 &&
      rods.length === 1 &&
      likeliest.rods.length === 1 &&
      [likeliest.rods[0], oppositeRod(likeliest.rods[0], head.lugs)].includes(rods[0]),
  )
  const together = likeliest.rods.length === 2
  const chosen = together ? likeliest.rods : named.map(({ rods }) => rods[0])
  const odds = (together ? [likeliest] : named).reduce((sum, { probability }) => sum + probability, 0)
  if (odds < ASK_ODDS * DEAD_BEFORE * (1 - odds)) return []
  const silent = chosen.map((rod) => silentPasses(recent, together ? likeliest.rods : [rod], passes(rod)))
  if (silent.every((count) => count === 0)) return []
  return chosen.map((rod, i) => ({
    rod: rod + 1,
    probability: together ? likeliest.probability : named[i].probability,
    together,
    turns: silent[i],
    test: {
      rods: together ? chosen.map((each) => each + 1) : [rod + 1],
      turns: chosen.slice(0, together ? 2 : 1).map(() => TEST_TURNS),
    },
  }))
}

/** A head that answers otherwise than it did before is this likely: far likelier than a dead rod. */
const ANSWERS_CHANGED = 0.05

/** How well the history makes sense with all rods sound: by the answers that were learned, or as a head nobody knows. */
function soundEvidence({ learned, ...request }: EvenRequest): number {
  const asNew = evidence(request)
  if (!learned) return asNew
  const [a, b] = [evidence({ ...request, learned }), asNew + Math.log(ANSWERS_CHANGED)]
  return Math.max(a, b) + Math.log1p(Math.exp(-Math.abs(a - b)))
}

const evidence = (request: EvenRequest) => asTwoPoles(request.head, request.rounds, request).logEvidence

/** How much of what came otherwise than expected goes away if some rods' turns did nothing, in Hz^4; negative where it grows. */
function explainedBy({ rounds, head }: EvenRequest, state: HeadState, rods: readonly number[]): number {
  const misses = state.misses.slice(-rounds.length)
  const k = state.belief.x[TURN_LAW] / head.lugs
  const second = (2 * state.belief.x[SECOND]) / head.lugs
  return rounds.reduce((sum, { turns }, i) => {
    const miss = misses[i + 1]
    if (!miss || !turns) return sum
    const missing = [0, 0, 0]
    for (const rod of rods) {
      const angle = 2 * lugAngle(rod, head.lugs)
      const lost = Math.max(0, turns[rod])
      missing[0] -= k * lost
      missing[1] -= second * Math.cos(angle) * lost
      missing[2] -= second * Math.sin(angle) * lost
    }
    return sum + miss.reduce((all, value, j) => all + value ** 2 - (value - missing[j]) ** 2, 0)
  }, 0)
}

/** The rods of a pair that are named: two turns or more without an answer, and nothing else explains it. */
export function namedOf(suspects: readonly Suspect[]): Suspect[] {
  const sum = suspects.reduce(
    (all, { probability, together }) => (together ? probability : all + probability),
    0,
  )
  return sum >= NAMED ? suspects.filter(({ turns }) => turns >= TURNS_TO_NAME) : []
}

const readAfter = (rounds: EvenRequest['rounds'], i: number) =>
  (rounds[i + 1]?.readings?.length ?? 0) > 0 || rounds[i + 1]?.readingsHz?.some((hz) => hz !== null)

/**
 * In how many passes the readings are likelier had some rods not been turned in it; none where they clearly answered in any.
 * Passes before are taken as if they had done nothing: what they seemed to teach of the head's answers would mislead.
 */
function silentPasses(request: EvenRequest, rods: readonly number[], passes: readonly number[]): number {
  const leanings = passes.map((i) => {
    const upTo = request.rounds.slice(0, i + 2).map((round, j) => (j === i + 1 ? last(round) : round))
    const silent = upTo.map((round) => withoutTurnsOf(round, rods))
    const answered = silent.map((round, j) => (j === i ? upTo[i] : round))
    return evidence({ ...request, rounds: silent }) - evidence({ ...request, rounds: answered })
  })
  if (leanings.some((leaning) => leaning < -PASS_TELLS)) return 0
  return leanings.filter((leaning) => leaning > PASS_TELLS).length
}

const last = ({ turns: _, ...round }: EvenRequest['rounds'][number]) => round

/** The same history as if some rods (0-based) had not been tightened. */
export function withoutTurns(request: EvenRequest, rods: readonly number[]): EvenRequest {
  return { ...request, rounds: request.rounds.map((round) => withoutTurnsOf(round, rods)) }
}

function withoutTurnsOf(round: EvenRequest['rounds'][number], rods: readonly number[]) {
  if (!round.turns) return round
  return { ...round, turns: round.turns.map((turn, i) => (rods.includes(i) ? Math.min(0, turn) : turn)) }
}
