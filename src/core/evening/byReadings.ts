import type { HeadState } from '../head/estimate'
import { TURN_LAW } from '../head/kalman'
import { CENTS_PER_NEPER } from '../units/pitch'

/**
 * A pass lug by lug: every rod by its own lug's reading, as one school does. No whole head behaves so (a rod moves its
 * neighbours too), so the steps are small and the forecasts wide.
 */
const PART_OF_NEED = 0.6
const LARGEST_TURNS = 1 / 8
/** Of a correction by one rod alone this part may go elsewhere; and no forecast by this way is surer than that many cents. */
const ASTRAY = 0.7
const LEAST_ERROR_CENTS = 8

export function byReadings(
  state: HeadState,
  targetHz: number,
  smallestStepTurns: number,
  toleranceCents: number,
) {
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
