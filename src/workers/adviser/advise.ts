import { even, fittedState } from '@/core/evening/even'
import type { EvenRequest } from '@/core/evening/types'
import type { Advice } from '../protocol'

/** The pass for a head, the state behind it, and, in mid-pass, the forecast after what was turned so far. */
export function advise(plan: EvenRequest, open: EvenRequest | null): Advice {
  return { plan: even(plan), fit: fittedState(plan), forecast: open && even(open) }
}
