import { WholeFold, withEvents, type KitLog } from '@/core/log/kitLog'
import { Withdrawals, type Moment } from '@/core/log/order'
import { logOfSummary } from '@/core/log/summary'
import type { Stores } from './deps'

export interface Opened {
  log: KitLog
  unreadable: number
  /** Folded from the whole log: no summary helped. */
  anew: boolean
}

/** So many events are read at a time: some megabytes. */
const PIECE = 2000

/** One kit from its summary and what was done after it; from the whole log where there is none that can be used. */
export async function openKitLog(stores: Stores, kit: string): Promise<Opened> {
  const summary = await stores.summaries.read(kit)
  const before = summary && logOfSummary(summary)
  if (summary && before && !(await stores.log.cameLate(kit, summary.place, summary.end))) {
    const { events, unreadable } = await stores.log.readKit(kit, summary.end)
    const log = withEvents(before, events)
    if (log) return { log, unreadable, anew: false }
  }
  return wholeKitLog(stores, kit)
}

/** One kit folded from its whole log, in pieces: once to see what is withdrawn, once for the rest. */
export async function wholeKitLog(stores: Stores, kit: string): Promise<Opened> {
  const fold = new WholeFold(kit, new Withdrawals(await stores.log.withdrawals(kit)))
  let unreadable = 0
  for await (const slice of piecesOf(stores, kit)) {
    fold.add(slice.events)
    unreadable += slice.unreadable
  }
  return { log: fold.end(), unreadable, anew: true }
}

/** A kit's whole log as the database has it, some of it at a time, in the order in which it was done. */
export async function* piecesOf(stores: Stores, kit: string) {
  for (let behind: Moment | null = null; ;) {
    const slice = await stores.log.readKit(kit, behind, PIECE)
    yield slice
    if (!slice.end) return
    behind = slice.end
  }
}
