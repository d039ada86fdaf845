import { benchHead, lastKnown } from '@/core/keeping/bench'
import type { KitState } from '@/core/keeping/log'
import { sheetTarget, toleranceOf } from '@/core/keeping/targets'
import { SIDES, type Drum, type Side, type Target } from '@/core/records/kit'
import { centsBetween } from '@/core/units/pitch'
import type { SessionState } from './state'

/** One head as the Kit place shows it. */
export interface HeadSummary {
  side: Side
  meanHz: number | null
  /** Crest to trough of the fitted second harmonic, in cents. */
  spreadCents: number | null
  readAt: string | null
  target: Target | null
  /** From the target, positive when high; null where either is missing. */
  offCents: number | null
  toleranceCents: number
  state: 'not-read' | 'settled' | 'off' | 'uneven' | 'no-target'
}

export interface DrumSummary {
  drum: Drum
  heads: Record<Side, HeadSummary>
  /** Head most in need of work; null when nothing is. */
  worst: HeadSummary | null
}

export function headSummary(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
): HeadSummary {
  const known = lastKnown(benchHead(kit, drum, side, practice, nowMs))
  const target = sheetTarget(kit, drum.id, side)
  const meanHz = known?.meanHz ?? null
  const spreadCents = known ? 2 * Math.hypot(known.cosineCents, known.sineCents) : null
  const toleranceCents = target?.toleranceCents ?? toleranceOf(drum, side, meanHz ?? 150)
  const offCents = meanHz !== null && target ? centsBetween(target.meanHz, meanHz) : null
  return {
    side,
    meanHz,
    spreadCents,
    readAt: known?.at ?? null,
    target,
    offCents,
    toleranceCents,
    state: stateOf(meanHz, spreadCents, offCents, toleranceCents, target),
  }
}

function stateOf(
  meanHz: number | null,
  spread: number | null,
  off: number | null,
  tolerance: number,
  target: Target | null,
): HeadSummary['state'] {
  if (meanHz === null) return 'not-read'
  if (off !== null && Math.abs(off) > tolerance) return 'off'
  if (!target?.keepUneven && spread !== null && spread > tolerance) return 'uneven'
  return target ? 'settled' : 'no-target'
}

/** How far out a head is, in tolerances; 0 for what needs nothing. */
function need(head: HeadSummary): number {
  if (head.state === 'off') return Math.abs(head.offCents!) / head.toleranceCents
  if (head.state === 'uneven') return head.spreadCents! / head.toleranceCents
  return head.state === 'not-read' && head.target ? 0.5 : 0
}

export function kitSummary(state: SessionState, kit: KitState): DrumSummary[] {
  const practice = state.settings.source === 'practice'
  return kit.drums.map((drum) => {
    const [batter, resonant] = SIDES.map((side) => headSummary(kit, drum, side, practice, state.clockMs))
    const worst = need(batter) >= need(resonant) ? batter : resonant
    return { drum, heads: { batter, resonant }, worst: need(worst) > 0 ? worst : null }
  })
}
