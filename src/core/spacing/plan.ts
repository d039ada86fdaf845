import { alternativesTo } from './alternatives'
import { bestPlan } from './solve'
import type { Curves } from './states'
import type { PlanAnswer, PlanRequest } from './types'

/**
 * Plans a kit: the best plan there is, then others that differ in kind. Kick and snare stay where they are unless they are
 * asked to move, or what they stand on is to be avoided; then they are placed together with the toms.
 * @throws nothing; a kit that cannot be planned is answered with why
 */
export function planKit(request: PlanRequest): PlanAnswer {
  const curves: Curves = new Map()
  const best = bestPlan(request, { kind: 'best' }, curves)
  if (!best.solved) return { plans: [], why: best.trouble }
  return { plans: [best.solved.plan, ...alternativesTo(request, best.solved, curves)], why: null }
}
