import {
  estimateHead,
  learnedFrom,
  lookAhead,
  lugRow,
  stateErrorCents,
  stateHarmonics,
  stateLugHz,
  type HeadState,
} from '../head/estimate'
import { harmonicsOf } from '../head/harmonics'
import { COSINE, MEAN, SINE, TURN_LAW, update, varianceOf, type Belief } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'
import { oddsOf, spreadAgainst } from './confidence'
import { passCost, type TargetPattern } from './cost'
import { orderSteps } from './order'
import { searchTurns, type SearchLimits } from './search'
import { defaultToleranceCents } from './tolerance'
import type { EvenAnswer, EvenRequest, Reason } from './types'

/** Version of the estimate and the choice of turns. */
export const EVENING_VERSION = 'even-1'

export const DEFAULT_KEYS = 1
export const DEFAULT_LARGEST_STEP = 0.25
export const DEFAULT_SMALLEST_STEP = 1 / 32

/** Done is said when within tolerance is likelier than this, and far out is less likely than that. */
const LIKELY = 0.5
const UNLIKELY = 0.01
/** Known well enough to plan a pass: lug pitches to within this, in cents. */
const ENOUGH_CENTS = 25
/** Rods keep at least this part of the turns that hold the head above slack. */
const SNUG_PART = 0.6
/** Expected squared cents that rounder fractions may cost. */
const COARSE_MAY_COST = 1.08
const COARSE_MAY_ADD = 0.3
/** Pitches to try where only evenness counts, between the present mean and the highest lug. */
const LEVEL_STEPS = 6
/** Cents that one rod and one turn are worth when the pitch is free: the cheapest pitch is sought, not the nearest. */
const ROD_PRICE = 0.5

/**
 * Everything known of one head to the next pass: which rods, how far, in which order, what it will read, or that it is
 * done and why. Deterministic: the same request has the same answer.
 */
export function even(request: EvenRequest): EvenAnswer {
  const { head, rounds, learned } = request
  const state = estimateHead(head, rounds, learned)
  const { belief } = state
  const nowHz = Math.sqrt(Math.max(1, belief.x[MEAN]))
  const plan = choose(request, state)
  const toleranceCents = request.toleranceCents ?? defaultToleranceCents(head, plan.targetHz)
  const now = oddsOf(belief, plan.target, head.lugs, toleranceCents)
  const reason = judge(request, state, plan, now, toleranceCents)
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
  }
}

interface Plan {
  turns: number[]
  target: TargetPattern
  targetHz: number
  /** The plan is held back by the head's ceiling. */
  atCeiling: boolean
}

function choose(request: EvenRequest, state: HeadState): Plan {
  const { target, head } = request
  if ('level' in target) return chooseLevel(request, state)
  const pattern: TargetPattern =
    'hz' in target
      ? { mean: target.hz ** 2, cosine: 0, sine: 0 }
      : harmonicsOf(target.profileHz.map((hz) => hz * hz))
  const limits = limitsFor(request, state.belief)
  const model = passCost(state.belief, pattern, head.lugs)
  const { cost, blocked } = withCeiling(model, head.ceilingHz, head.lugs)
  const turns = searchRound(head.lugs, cost, limits)
  return { turns, target: pattern, targetHz: Math.sqrt(pattern.mean), atCeiling: blocked(pattern) }
}

/** Turns in steps of twice the smallest where that costs next to nothing: a hand counts sixteenths better than thirty-seconds. */
function searchRound(
  lugs: number,
  cost: (turns: readonly number[]) => number,
  limits: SearchLimits,
): number[] {
  const fine = searchTurns(lugs, cost, limits)
  const coarse = searchTurns(lugs, cost, { ...limits, quantumTurns: 2 * limits.quantumTurns, singles: false })
  return cost(coarse) <= cost(fine) * COARSE_MAY_COST + COARSE_MAY_ADD ? coarse : fine
}

/** Only evenness counts: of the pitches from the mean up to the highest lug, the one that takes least turning. */
function chooseLevel(request: EvenRequest, state: HeadState): Plan {
  const { head } = request
  const { belief } = state
  const highest = Math.max(...stateLugHz(belief, head.lugs)) ** 2
  let best: Plan | null = null
  let least = Infinity
  for (let step = 0; step <= LEVEL_STEPS; step++) {
    const mean = belief.x[MEAN] + ((highest - belief.x[MEAN]) * step) / LEVEL_STEPS
    const target = { mean, cosine: 0, sine: 0 }
    const model = passCost(belief, target, head.lugs)
    const { cost, blocked } = withCeiling(model, head.ceilingHz, head.lugs)
    const turns = searchRound(head.lugs, cost, limitsFor(request, belief))
    const effort = turns.reduce((sum, t) => sum + (t === 0 ? 0 : ROD_PRICE * (1 + 4 * Math.abs(t))), 0)
    const total = cost(turns) + effort
    if (total < least) {
      least = total
      best = { turns, target, targetHz: Math.sqrt(mean), atCeiling: blocked(target) }
    }
  }
  return best!
}

function withCeiling(model: ReturnType<typeof passCost>, ceilingHz: number | undefined, lugs: number) {
  if (ceilingHz === undefined) return { cost: model.cost, blocked: () => false }
  const ceiling = ceilingHz ** 2
  const crest = ({ mean, cosine, sine }: TargetPattern) => mean + Math.hypot(cosine, sine)
  const toCents = CENTS_PER_NEPER / (2 * ceiling)
  const now = crest(model.predict(new Array<number>(lugs).fill(0)))
  return {
    cost: (turns: readonly number[]) => {
      // A head already above its ceiling may only come down.
      const over = Math.max(0, crest(model.predict(turns)) - Math.max(ceiling, Math.min(now, ceiling)))
      return model.cost(turns) + 1e4 * (over * toCents) ** 2
    },
    blocked: (target: TargetPattern) => crest(target) > ceiling,
  }
}

function limitsFor(request: EvenRequest, belief: Belief): SearchLimits {
  const { head, rounds, start } = request
  const largest = request.largestStepTurns ?? DEFAULT_LARGEST_STEP
  const quantumTurns = request.smallestStepTurns ?? DEFAULT_SMALLEST_STEP
  const done = Array.from({ length: head.lugs }, (_, rod) =>
    rounds.reduce((sum, round) => sum + (round.turns?.[rod] ?? 0), 0),
  )
  // Above slack the whole head holds mean / k turns; from a slack start each rod's own count is known as well.
  const held = Math.max(0, belief.x[MEAN] / Math.max(1, belief.x[TURN_LAW]))
  const lowest = done.map((turned) => {
    const room = start === 'slack' ? Math.max(0, turned) : held
    return -Math.min(largest, SNUG_PART * Math.min(room, held))
  })
  return { lowest, highest: done.map(() => largest), quantumTurns, singles: true, turnedSoFar: done }
}

function judge(
  request: EvenRequest,
  state: HeadState,
  plan: Plan,
  now: ReturnType<typeof oddsOf>,
  toleranceCents: number,
): Reason | null {
  const { head } = request
  if (!state.anyReading || Math.max(...stateErrorCents(state.belief, head.lugs)) > ENOUGH_CENTS) {
    return 'need-readings'
  }
  const lugHz = stateLugHz(state.belief, head.lugs)
  const off = Math.abs((CENTS_PER_NEPER * Math.log(state.belief.x[MEAN] / plan.target.mean)) / 2)
  const spread = spreadAgainst(lugHz, plan.target)
  if (spread <= toleranceCents && off <= toleranceCents && now.within >= LIKELY && now.farOut <= UNLIKELY) {
    return 'within-tolerance'
  }
  if (plan.turns.every((t) => t === 0)) return plan.atCeiling ? 'ceiling' : 'no-turn-helps'
  if (isPendulum(state.meanHistoryHz2, plan.target.mean)) return 'back-to-slack'
  return null
}

/** The mean swings over the target and back without coming closer: three crossings, the last no smaller. */
function isPendulum(history: readonly number[], target: number): boolean {
  const errors = history.slice(-4).map((mean) => mean - target)
  if (errors.length < 4) return false
  const crosses = errors.slice(1).every((e, i) => e * errors[i] < 0)
  return crosses && Math.abs(errors[3]) > 0.8 * Math.abs(errors[0]) && Math.abs(errors[3]) > 0.01 * target
}

/** Lugs (from 1) whose reading would take most uncertainty away, one after the other; those read already come last. */
export function readNext(belief: Belief, lugs: number, read: readonly number[]): number[] {
  const left = Array.from({ length: lugs }, (_, i) => i).filter((lug) => !read.includes(lug))
  const order: number[] = []
  let now = belief
  while (left.length && order.length < 4) {
    const scored = left.map((lug) => {
      const hz2 = Math.max(1, now.x[MEAN])
      const after = update(now, lugRow(lug, lugs), hz2, ((2 * hz2 * 2) / CENTS_PER_NEPER) ** 2)
      const doubt = [MEAN, COSINE, SINE].reduce((sum, i) => sum + after.p[i * 6], 0)
      return { lug, doubt, after }
    })
    const best = scored.reduce((a, b) => (b.doubt < a.doubt * (1 - 1e-9) ? b : a))
    order.push(best.lug + 1)
    left.splice(left.indexOf(best.lug), 1)
    now = best.after
  }
  return order
}

/** The state behind an answer, for screens that draw the fit. */
export function fittedState(request: EvenRequest) {
  const state = estimateHead(request.head, request.rounds, request.learned)
  return { harmonics: stateHarmonics(state.belief), lugHz: stateLugHz(state.belief, request.head.lugs) }
}
