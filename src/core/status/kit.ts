import { SIDES } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { openFindings, type NotedFinding } from '../log/findings'
import type { DrumRange } from '../kit/range'
import { rangeOf } from './range'
import { centsBetween } from '../units/pitch'
import { isOffPitch } from './targets'
import { outOf, wantsWork } from './worklist'
import { drumStatus, type DrumStatus } from './drum'
import type { HeadStatus } from './head'
import type { Here } from './inputs'

/** A head in its kit: whether it is likely still where it was. */
export interface KitHead extends HeadStatus {
  /** Probability that it is out of the sheet's band by now; null without a target or a pitch. */
  out: number | null
  /** It was in its band when it was read, and likely, or perhaps, is not any more. */
  moved: 'likely' | 'perhaps' | null
}

export interface DrumInKit extends Omit<DrumStatus, 'heads'> {
  heads: Record<Side, KitHead>
  /** Head most in need of work; null when nothing is. */
  worst: KitHead | null
  /** What looking over found and nobody put right yet. */
  findings: NotedFinding[]
  /** Where its batter speaks, as far as size, marks and sheets say. */
  range: DrumRange
}

/** Every drum of a kit as it stands. */
export function kitStatus(here: Here): DrumInKit[] {
  return here.kit.drums.map((drum) => drumInKit(here, drum))
}

function drumInKit(here: Here, drum: Drum): DrumInKit {
  const status = drumStatus(here, drum)
  const [batter, resonant] = SIDES.map((side) => inKit(status.heads[side]))
  const worst = drum.oneHeaded || needOf(batter) >= needOf(resonant) ? batter : resonant
  return {
    ...status,
    heads: { batter, resonant },
    worst: needOf(worst) > 0 ? worst : null,
    findings: openFindings(here.kit, drum.id, here.practice),
    range: rangeOf(here.kit, drum, here.practice),
  }
}

function inKit(head: HeadStatus): KitHead {
  const { kept, pitch, offCents, sitting, verdict, asRead } = head
  const out =
    kept && offCents !== null && pitch.errorCents !== null
      ? outOf(offCents, pitch.errorCents, verdict === 'uneven', kept)
      : null
  const wasIn =
    asRead !== null &&
    verdict !== 'uneven' &&
    kept !== null &&
    !isOffPitch(centsBetween(kept.meanHz, asRead.hz), kept.toleranceCents)
  const may = wasIn && sitting === null && out !== null && wantsWork({ out, known: false })
  const moved = may ? (out > 0.5 ? 'likely' : 'perhaps') : null
  return { ...head, out, moved }
}

/** How much a head wants work, in tolerances; 0 for what needs nothing. */
export function needOf({ verdict, offCents, evenness, toleranceCents, moved, out, kept }: KitHead): number {
  if (moved) return moved === 'likely' ? out! : 0
  if (verdict === 'off') return Math.abs(offCents!) / toleranceCents
  if (verdict === 'uneven') return Math.max(1, (evenness.spreadCents ?? 0) / toleranceCents)
  return verdict === 'unknown' && kept ? 0.5 : 0
}
