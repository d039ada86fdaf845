import { stateErrorCents, stateLugHz } from '../head/belief'
import { type HeadState } from '../head/estimate'
import { MEAN } from '../head/kalman'
import { hoopPart } from '../head/rods'
import { CENTS_PER_NEPER } from '../units/pitch'
import { spreadAgainst, type oddsOf } from './confidence'
import { leanOf, type Plan } from './plan'
import type { Silent } from './silent'
import type { EvenRequest, Reason } from './types'

/** Done is said when within tolerance is likelier than this, and far out is less likely than that. */
const LIKELY = 0.5
const UNLIKELY = 0.01
/** Known well enough to plan a pass: lug pitches to within this, in cents. */
const ENOUGH_CENTS = 25

/** Why to stop, or that more must be read; null to make the pass. */
export function judge(
  request: EvenRequest,
  state: HeadState,
  plan: Plan,
  now: ReturnType<typeof oddsOf>,
  toleranceCents: number,
  silent: Silent | null,
): Reason | null {
  const { head } = request
  const unread = head.lugs - state.read.length
  const doubt = Math.max(...stateErrorCents(state.belief, head.lugs))
  // With every lug read there is nothing more to ask for: the pass is made from what there is.
  if (!state.anyReading || (doubt > ENOUGH_CENTS && unread > 0)) return 'need-readings'

  const lugHz = stateLugHz(state.belief, head.lugs)
  const off = Math.abs((CENTS_PER_NEPER * Math.log(state.belief.x[MEAN] / plan.target.mean)) / 2)
  const spread = spreadAgainst(lugHz, plan.target)
  const reached = !('offsetTurns' in request.target) || offsetsReached(request, state)
  if (
    spread <= toleranceCents &&
    off <= toleranceCents &&
    reached &&
    now.within >= LIKELY &&
    now.farOut <= UNLIKELY
  ) {
    return 'within-tolerance'
  }
  if (silent?.reason === 'dead-rod') return 'dead-rod'
  if (plan.turns.every((turn) => turn === 0)) {
    const drum = request.hoopOrEdge || drumPulls(state)
    if (silent || (spread > toleranceCents && drum)) return 'hoop-or-edge'
    return plan.atCeiling ? 'ceiling' : 'no-turn-helps'
  }
  // Rods that do not answer explain a mean that missed; slackening all would change nothing about them.
  if (!silent && isPendulum(state.meanHistoryHz2, plan.target.mean)) return 'back-to-slack'
  return null
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
