import { stateLugHz } from '../head/belief'
import { type HeadState } from '../head/estimate'
import { harmonicsOf } from '../head/harmonics'
import { MEAN, SECOND, TURN_LAW, type Belief } from '../head/kalman'
import { lugsLead } from '../head/pictures'
import { rodPulls } from '../head/rods'
import { secondAnswerPrior } from '../membrane/turnLaw'
import { CENTS_PER_NEPER } from '../units/pitch'
import { withBed } from './bed'
import { lugCost, passCost, workCost, type Lean, type TargetPattern } from './cost'
import { searchTurns, type SearchLimits } from './search'
import { shareWithinPairs } from './share'
import { defaultToleranceCents } from './tolerance'
import { DEFAULT_SMALLEST_STEP, type EvenRequest, type EvenTarget } from './types'

export const DEFAULT_KEYS = 1
export const DEFAULT_LARGEST_STEP = 0.25

/** Rods keep at least this part of the turns that hold the head above slack. */
const SNUG_PART = 0.4
/** On the slack side of a head that is meant to be uneven, this part is left: where wrinkles just vanish. */
const SLACK_SIDE_PART = 0.05
/** Expected squared cents that rounder fractions may cost. */
const COARSE_MAY_COST = 1.08
const COARSE_MAY_ADD = 0.3
/** Pitches to try where only evenness counts, between the present mean and the highest lug. */
const LEVEL_STEPS = 6
/** Cents that one rod and one turn are worth when the pitch is free: the cheapest pitch is sought, not the nearest. */
const ROD_PRICE = 0.5

/** Readings so far from the forecast, in squared standard errors, make the next pass a small one, of at most so many turns. */
const SURPRISED = 9
const CAREFUL_TURNS = 3 / 16
const MOST_CAREFUL_TURNS = 1 / 16

/** Largest step after surprises: halved with each that came in a row. */
function carefulTurns({ surprises }: HeadState): number {
  const calm = [...surprises].reverse().findIndex((surprise) => surprise <= SURPRISED)
  const inRow = calm < 0 ? surprises.length : calm
  return inRow === 0 ? Infinity : Math.max(MOST_CAREFUL_TURNS, CAREFUL_TURNS / 2 ** (inRow - 1))
}

export interface Plan {
  turns: number[]
  target: TargetPattern
  targetHz: number
  /** The plan is held back by the head's ceiling. */
  atCeiling: boolean
}

/** The turns of a pass for a head as it is believed to stand; `silent` rods (0-based) are left alone. */
export function choose(request: EvenRequest, state: HeadState, silent: readonly number[]): Plan {
  const { target, head } = request
  const limits = limitsFor(request, state, silent)
  // Up from slack the recipe and the way to the pitch are one.
  if ('offsetTurns' in target && state.knownBy === null && request.start !== 'slack') {
    const pattern = wantedPattern(request, state)
    return {
      turns: recipeLeft(target.offsetTurns, limits),
      target: pattern,
      targetHz: target.hz,
      atCeiling: false,
    }
  }
  const lean = leanOf(request, state)
  const towards = (pattern: TargetPattern) => planTowards(request, state, pattern, lean, limits)
  if ('level' in target && isPitchKnown(state))
    return cheapest(state, (mean) => towards(onBed(head, { mean, cosine: 0, sine: 0 }, state)))
  const pattern = wantedPattern(request, state)
  if (!isSwinging(state.meanHistoryHz2, pattern.mean)) return towards(pattern).plan
  // A head that answers more than is believed is brought half the way: the whole one would only swing it over again.
  const half = withMeanOf(pattern, (pattern.mean + state.belief.x[MEAN]) / 2)
  return { ...towards(half).plan, target: pattern, targetHz: Math.sqrt(pattern.mean) }
}

/** Of a head nobody read: what is left of the turns that were chosen for its rods, as far as one pass goes. */
function recipeLeft(
  offsetTurns: readonly number[],
  { quantumTurns, highest, turnedSoFar }: SearchLimits,
): number[] {
  return offsetTurns.map((offset, rod) => {
    const left = Math.round((offset - turnedSoFar[rod]) / quantumTurns) * quantumTurns
    return Math.max(-highest[rod], Math.min(highest[rod], left)) + 0
  })
}

/** Whether the pitch was read, and not evenness alone by dial, ear or hand. */
export const isPitchKnown = ({ knownBy }: HeadState) => knownBy === 'pitch' || knownBy === 'whole'

/** What is wanted of a head as it stands: where its pitch is not known or does not matter, evenness at the mean it has. */
export function wantedPattern({ head, target }: EvenRequest, state: HeadState): TargetPattern {
  const here = state.belief.x[MEAN]
  if ('level' in target) return onBed(head, { mean: here, cosine: 0, sine: 0 }, state)
  const own = patternOf(target, state.belief)
  // What is uneven on purpose has its own pattern.
  const pattern = 'offsetTurns' in target || 'profileHz' in target ? own : onBed(head, own, state)
  return isPitchKnown(state) || 'offsetTurns' in target ? pattern : withMeanOf(pattern, here)
}

const onBed = ({ snareBed }: EvenRequest['head'], pattern: TargetPattern, state: HeadState) =>
  snareBed ? withBed(pattern, snareBed, state) : pattern

/** A pattern as deep, at another mean. */
function withMeanOf(pattern: TargetPattern, mean: number): TargetPattern {
  const times = mean / pattern.mean
  const waves = { ...pattern, mean, cosine: times * pattern.cosine, sine: times * pattern.sine }
  return pattern.profile ? { ...waves, profile: pattern.profile.map((hz2) => times * hz2) } : waves
}

/** A mean that went over its target and back, each time by this part of its square and more, swings. */
const SWING_PART = 0.01
const SWINGS = 4

function isSwinging(history: readonly number[], target: number): boolean {
  const errors = history.slice(-SWINGS).map((mean) => (mean - target) / target)
  return (
    errors.length === SWINGS &&
    errors.every((error, i) => Math.abs(error) > SWING_PART && (i === 0 || error * errors[i - 1] < 0))
  )
}

/** From this weight on a pass is chosen for the picture lug by lug as well. */
const LUGS_COUNT = 0.05
/** What the mean counts where only evenness is wanted. */
const FREE_MEAN = 0.05

/** The best pass towards one pattern, and what it costs. */
function planTowards(
  { head, toleranceCents, target: asked }: EvenRequest,
  state: HeadState,
  target: TargetPattern,
  lean: Lean,
  limits: SearchLimits,
): { plan: Plan; cost: number } {
  const { belief, byLug } = state
  const usual = secondAnswerPrior(head.hoop, head.lugs).mean
  const tolerance = toleranceCents ?? defaultToleranceCents(head, Math.sqrt(target.mean))
  const model = passCost(belief, target, head.lugs, lean, usual)
  const work = workCost(belief, target, head.lugs, tolerance, usual)
  const { cost: asPoles, blocked } = withCeiling(model, head.ceilingHz, head.lugs)
  // A reading that is to be taken again is no pitch of its own yet.
  const waits = state.leftOut.length > 0 && !lugsLead(state)
  const alone = byLug !== null && byLug.weight > LUGS_COUNT && !waits
  const asLugs = alone
    ? lugCost(byLug.picture, target, 'level' in asked || !isPitchKnown(state) ? FREE_MEAN : 1)
    : () => 0
  const part = alone ? byLug.weight : 0
  const cost = (turns: readonly number[]) => (1 - part) * asPoles(turns) + part * asLugs(turns) + work(turns)
  const found = searchRound(head.lugs, cost, { ...limits, alone })
  const turns = lean.none || alone ? found : shareWithinPairs(found, lean, limits)
  const plan = { turns, target, targetHz: Math.sqrt(target.mean), atCeiling: blocked(target) }
  return { plan, cost: cost(turns) }
}

/** Mean and second harmonic that are wanted. Offsets show in pitch by their second pattern, as this head answers to it. */
function patternOf(target: Exclude<EvenTarget, { level: true }>, belief: Belief): TargetPattern {
  if ('profileHz' in target) {
    const profile = target.profileHz.map((hz) => hz * hz)
    return { ...harmonicsOf(profile), profile }
  }
  const mean = target.hz ** 2
  if (!('offsetTurns' in target)) return { mean, cosine: 0, sine: 0 }
  const offset = harmonicsOf(target.offsetTurns)
  return { mean, cosine: belief.x[SECOND] * offset.cosine, sine: belief.x[SECOND] * offset.sine }
}

/** How the rods are known to pull away from an even pull, or from the offsets that are wanted. */
export function leanOf({ target, head, deadRods }: EvenRequest, state: HeadState): Lean {
  // With a rod that holds nothing no pull is even: pitch alone is what can still be brought right.
  if (deadRods?.length) return { turns: new Array<number>(head.lugs).fill(0), wanted: false, none: true }
  const pulls = rodPulls(state.rods)
  if (!('offsetTurns' in target)) return { turns: pulls.map(({ turns }) => turns), wanted: false }
  const mean = target.offsetTurns.reduce((sum, turn) => sum + turn, 0) / head.lugs
  return { turns: pulls.map(({ turns }, i) => turns - (target.offsetTurns[i] - mean)), wanted: true }
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
function cheapest(state: HeadState, towards: (meanHz2: number) => { plan: Plan; cost: number }): Plan {
  const { belief, lugs } = state
  const highest = Math.max(...stateLugHz(belief, lugs)) ** 2
  // Lug by lug the mean is all but free by itself.
  const steps = lugsLead(state) ? 2 : LEVEL_STEPS
  const options = Array.from({ length: steps + 1 }, (_, step) => {
    const mean = belief.x[MEAN] + ((highest - belief.x[MEAN]) * step) / steps
    const { plan, cost } = towards(mean)
    const effort = plan.turns.reduce((sum, t) => sum + (t === 0 ? 0 : ROD_PRICE * (1 + 4 * Math.abs(t))), 0)
    return { plan, total: cost + effort }
  })
  return options.reduce((a, b) => (b.total < a.total ? b : a)).plan
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

/** What every rod may turn: by the step school, above snug, none where it does not answer. */
function limitsFor(request: EvenRequest, state: HeadState, silent: readonly number[]): SearchLimits {
  const { head, rounds, start, target } = request
  const { belief } = state
  const asked = request.largestStepTurns ?? DEFAULT_LARGEST_STEP
  // What came otherwise than expected is met with care.
  const largest = Math.min(asked, carefulTurns(state))
  const quantumTurns = request.smallestStepTurns ?? DEFAULT_SMALLEST_STEP
  const done = Array.from({ length: head.lugs }, (_, rod) =>
    rounds.reduce((sum, round) => sum + (round.turns?.[rod] ?? 0), 0),
  )
  // Above slack the whole head holds mean / k turns; each rod that and its own part. From a slack start it is counted.
  const held = Math.max(0, belief.x[MEAN] / Math.max(1, belief.x[TURN_LAW]))
  const kept = 'offsetTurns' in target ? SLACK_SIDE_PART : SNUG_PART
  const lowest = rodPulls(state.rods).map(({ turns }, rod) => {
    const pull = start === 'slack' ? Math.min(held, Math.max(0, done[rod])) : held + Math.min(0, turns)
    return silent.includes(rod) ? 0 : -Math.min(largest, Math.max(0, pull - kept * held))
  })
  const highest = done.map((_, rod) => (silent.includes(rod) ? 0 : largest))
  return { lowest, highest, quantumTurns, singles: true, alone: false, turnedSoFar: done }
}
