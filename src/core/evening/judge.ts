import { stateErrorCents } from '../head/belief'
import type { HeadState } from '../head/estimate'
import { MEAN } from '../head/kalman'
import { hoopPart } from '../head/rods'
import { dialCents } from '../head/gauge'
import { CENTS_PER_NEPER } from '../units/pitch'
import type { Against, AsRead, Disagreement } from './asRead'
import { lugsTogether, PITCH_PART, shownSpread, type Odds } from './confidence'
import { leanOf, type Plan } from './plan'
import { wantedOverLugs, type TargetPattern } from './cost'
import type { EvenRequest, Reason } from './types'

/** Done is said when within tolerance is likelier than this, and far out is less likely than that. */
export const LIKELY = 0.5
export const UNLIKELY = 0.02
/** Known well enough to plan a pass: lug pitches to within this, in cents. */
const ENOUGH_CENTS = 25
const ENOUGH_LUGS = 4
/** Three numbers are wanted of a head: with fewer lugs read since a turn nothing is called done. */
const LUGS_TO_BE_DONE = 3
/** So many readings that stand against the head, or this part of them, are no single slip. */
const DISAGREE = 2
const DISAGREE_PART = 0.34

/** ... or, where no turn helps any more, no likelier than that. */
const FAR = 0.12

/** That lugs differ by themselves is sure from this weight on; before, two poles may be all there is. */
const SURE = 0.98
const isSure = ({ byLug }: HeadState) => byLug !== null && byLug.weight > SURE

export interface Seen {
  state: HeadState
  plan: Plan
  now: Odds
  /** Probability of far out as two poles alone have it. */
  twoFar: number
  asRead: AsRead
  toleranceCents: number
  /** Readings that stand against the head, and what they contradict. */
  against: readonly Against[]
  disagree: readonly Disagreement[]
  suspected: boolean
  /** Opposite rods do not answer and are left out. */
  held: boolean
}

/** Why to stop, or that more must be read; null to make the pass. */
export function judge(request: EvenRequest, seen: Seen): Reason | null {
  const { state, plan, asRead, toleranceCents, against } = seen
  const { head } = request
  // Turns of a head that is to be uneven are a recipe: nothing need be read to turn them, and no reading contradicts them.
  const recipe = 'offsetTurns' in request.target
  if (state.knownBy === null && !recipe) return 'need-readings'
  const read = state.read.length
  const doubt = Math.max(...stateErrorCents(state.belief, head.lugs))
  // With some lugs read more would tell little: the pass is made from what there is.
  const few = read > 0 && state.readSinceTurn < Math.min(head.lugs, ENOUGH_LUGS)
  if (few && doubt > ENOUGH_CENTS && state.knownBy === 'pitch') return 'need-readings'
  const still = plan.turns.every((turn) => turn === 0)
  if (request.believe === 'readings') {
    if (read < LUGS_TO_BE_DONE) return 'need-readings'
    return still ? (asRead.outside ? 'no-turn-helps' : 'within-tolerance') : null
  }
  if (!recipe && doDisagree(state, against, seen.now.spreadErrorCents)) return 'readings-disagree'
  const tooFew = state.knownBy === 'pitch' && state.readSinceTurn < LUGS_TO_BE_DONE
  const unanswered = request.rounds.length > 1 && read === 0
  if (isWithin(request, seen)) {
    if (unanswered || tooFew) return 'need-readings'
    if (!asRead.outside && state.leftOut.length === 0) return 'within-tolerance'
    if (still) return 'readings-disagree'
  }
  if (seen.suspected) return 'suspect-rod'
  if (still) {
    if (unanswered || tooFew) return 'need-readings'
    const spread = shownSpread(state, plan.target)
    if (spread > toleranceCents && (request.hoopOrEdge || seen.held || drumPulls(state)))
      return 'hoop-or-edge'
    return plan.atCeiling ? 'ceiling' : 'no-turn-helps'
  }
  if (isPendulum(state.meanHistoryHz2, plan.target.mean)) return 'back-to-slack'
  return null
}

/** Whether readings cannot stand together, so that nothing is turned before some were taken again. */
export function doDisagree(
  { knownBy, read, byLug }: Pick<HeadState, 'knownBy' | 'read' | 'byLug'>,
  off: readonly Against[],
  spreadErrorCents: number,
): boolean {
  if (knownBy === 'ear') return false
  const unsure = off.length > 0 && spreadErrorCents > ENOUGH_CENTS && !byLug
  // What came again is no slip: what else it may be is asked.
  return isMany(off.length, read.length) || unsure || off.some(({ confirmed }) => confirmed)
}

/** Readings against the head are so many that it is no slip of one. */
export function isMany(against: number, read: number): boolean {
  return against >= Math.min(DISAGREE, DISAGREE_PART * Math.max(3, read))
}

function isWithin(request: EvenRequest, { state, plan, now, toleranceCents }: Seen): boolean {
  const off = Math.abs((CENTS_PER_NEPER * Math.log(state.belief.x[MEAN] / plan.target.mean)) / 2)
  const reached = !('offsetTurns' in request.target) || offsetsReached(request, state)
  if (state.knownBy !== 'pitch') {
    const onPitch = state.knownBy !== 'whole' || off <= PITCH_PART * toleranceCents
    return onPitch && evenByOwnMeasure(request, state, plan.target)
  }
  return (
    shownSpread(state, plan.target) <= toleranceCents &&
    off <= PITCH_PART * toleranceCents &&
    reached &&
    now.within >= LIKELY &&
    now.farOut <= UNLIKELY
  )
}

/** Dials further apart than this many of their errors are not even. */
const DIALS_APART = 3

/** Even as far as dial, ear or hand can tell: nothing of it stands out. */
export function evenByOwnMeasure(
  { rounds, gaugeError = 1, gaugeLaw }: EvenRequest,
  state: HeadState,
  target: TargetPattern,
): boolean {
  if (state.knownBy === 'whole') return true
  const round = rounds.at(-1)!
  const dials = (round.gauge ?? []).filter((dial): dial is number => dial !== null)
  if (dials.length) {
    if (dials.length < state.lugs) return false
    const cents = (dial: number) => dialCents(dial, dials[0], gaugeLaw ?? null).cents
    const within = cents(dials[0] + DIALS_APART * gaugeError)
    const wanted = wantedOverLugs(target, state.lugs, true)
    const off = dials.map((dial, lug) => cents(dial) - (CENTS_PER_NEPER / 2) * Math.log(wanted[lug]))
    if (Math.max(...off) - Math.min(...off) > within + 1e-9) return false
    return !state.byLug || lugsTogether(state.byLug.picture, target, within) >= 0.95
  }
  const words = [...(round.ear ?? []), ...(round.feel ?? [])].filter((word) => word !== null)
  return words.length > 0 && words.every((word) => word === 'alike')
}

/** An ear calls lugs alike within this, in cents: what it cannot tell from one reference, twice over. */
const EAR_CENTS = 20

/** As even as dial, ear or hand can bring it, once no turn helps. */
function nearlyEven(request: EvenRequest, state: HeadState, target: TargetPattern): boolean {
  if (evenByOwnMeasure(request, state, target)) return true
  const heard = state.knownBy === 'ear' && state.byLug !== null
  return heard && lugsTogether(state.byLug!.picture, target, EAR_CENTS) >= 0.8
}

/**
 * Whether a reason ends the work: never over readings that lie outside the tolerance, and never with one left out that was
 * not read again. The ceiling and what looking over found of hoop or edge are ends of their own.
 */
export function isDone(request: EvenRequest, reason: Reason | null, seen: Seen): boolean {
  const { asRead, state, now } = seen
  const outside = isOutside(seen)
  switch (reason) {
    case 'within-tolerance':
      return true
    case 'no-turn-helps':
      return (
        (state.knownBy !== 'pitch' || now.farOut <= FAR || (seen.twoFar <= FAR && !isSure(state))) &&
        !asRead.outside &&
        !outside &&
        state.leftOut.length === 0 &&
        (state.knownBy === 'pitch' || nearlyEven(request, state, seen.plan.target))
      )
    case 'hoop-or-edge':
      return Boolean(request.hoopOrEdge) || (!asRead.outside && state.leftOut.length === 0)
    case 'ceiling':
      return state.leftOut.length === 0
    default:
      return false
  }
}

/** A believed spread or pitch outside the tolerance by so many of its errors is outside, whatever little was read. */
export const SURELY_OUT = 1.3

function isOutside({ state, plan, now, toleranceCents }: Seen): boolean {
  const { belief, knownBy } = state
  if (knownBy !== 'pitch') return false
  const spread = shownSpread(state, plan.target)
  const toCents = CENTS_PER_NEPER / (2 * plan.target.mean)
  const off = Math.abs(belief.x[MEAN] - plan.target.mean) * toCents
  const offError = Math.sqrt(Math.max(0, belief.p[0])) * toCents
  return (
    spread - toleranceCents > SURELY_OUT * now.spreadErrorCents ||
    off - toleranceCents > SURELY_OUT * offError
  )
}

/** Rods of a deliberately uneven head stand within this of where they are wanted, in turns. */
const OFFSET_REACHED_TURNS = 1 / 16

function offsetsReached(request: EvenRequest, state: HeadState): boolean {
  return leanOf(request, state).turns.every((turn) => Math.abs(turn) <= OFFSET_REACHED_TURNS)
}

/** The drum itself pulls unevenly by at least this many turns, surely, before hoop or edge are named. */
const HOOP_TURNS = 0.12

/** Pitch shows more of the second pattern than hands leave in the rods. */
function drumPulls({ rods }: HeadState): boolean {
  const hoop = hoopPart(rods)
  return hoop.turns - hoop.error > HOOP_TURNS
}

/** The mean swings over the target and back without coming closer: three crossings, the last no smaller. */
function isPendulum(history: readonly number[], target: number): boolean {
  const errors = history.slice(-4).map((mean) => mean - target)
  if (errors.length < 4) return false
  const crosses = errors.slice(1).every((e, i) => e * errors[i] < 0)
  return crosses && Math.abs(errors[3]) > 0.8 * Math.abs(errors[0]) && Math.abs(errors[3]) > 0.01 * target
}
