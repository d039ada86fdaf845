import { headAtHand } from '@/core/status/inputs'
import { hereOf } from '../here'
import { headReports, type HeadReport } from '@/core/runs/reports'
import { kitsFromLog } from '@/core/log/kitLog'
import { liveEvents } from '@/core/log/order'
import type { KitState } from '@/core/log/fold'
import type { Sitting } from '@/core/log/sittings'
import type { Drum, Side } from '@/core/records/kit'
import type { Session } from '../session'
import { kitEdit } from './edits'
import { chooseHead } from './kits'

/** A head is to be brought to where it once was. */
export function bringBackThere(session: Session, drum: Drum, side: Side, hz: number): void {
  const aim = { kind: 'hz' as const, hz: Math.round(100 * hz) / 100 }
  session.append([kitEdit({ what: 'aimSet', drum: drum.id, side, aim })])
  chooseHead(session, drum.id, side)
  session.notify(`${drum.name} ${side} is to be brought to ${hz.toFixed(1)} Hz, where it was.`, {
    undo: true,
  })
}

/** The bench as it was at a moment: what was known then and no more. */
export interface Then {
  kit: KitState
  drum: Drum
  sitting: Sitting | null
  report: HeadReport | null
}

/** Folds the log anew up to a moment. What was taken back since is taken back. @returns null where the drum was not there yet */
export async function benchThen(
  session: Session,
  drumId: string,
  side: Side,
  atMs: number,
): Promise<Then | null> {
  const id = session.kit()?.id
  if (!id) return null
  const log = liveEvents(await session.wholeLog(id)).filter(({ at }) => Date.parse(at) <= atMs)
  const kit = kitsFromLog(log).find((each) => each.id === id)
  const drum = kit?.drums.find((each) => each.id === drumId)
  if (!kit || !drum) return null
  const here = { ...hereOf(session.get(), kit), nowMs: atMs }
  const { sitting } = headAtHand(here, drum, side)
  const [report] = headReports(here, { drum: drumId, side })
  return { kit, drum, sitting, report: report ?? null }
}
