import { deadIds, newKitLog, WholeFold, withEvents, type KitLog } from '@/core/log/kitLog'
import { stateOfSummary } from '@/core/log/summary'
import type { Stores } from './deps'

export interface Opened {
  log: KitLog
  /** Place of the newest event that was read. */
  last: number
  unreadable: number
  /** Folded from the whole log: no summary helped. */
  anew: boolean
}

/** So many events are read at a time: some megabytes. */
const PIECE = 2000

/** One kit from its summary and what came after it; from the whole log where there is none that can be used. */
export async function openKitLog(stores: Stores, kit: string): Promise<Opened> {
  const summary = await stores.summaries.read(kit)
  const base = summary && stateOfSummary(summary)
  if (summary && base !== undefined) {
    const { entries, last, unreadable } = await stores.log.readKit(kit, summary.place)
    const log = withEvents(newKitLog(kit, base, summary.place, new Set(summary.settled)), entries)
    if (log) return { log, last, unreadable, anew: false }
  }
  return wholeKitLog(stores, kit)
}

/** One kit folded from its whole log, in pieces: once to see what is withdrawn, once for the rest. */
export async function wholeKitLog(stores: Stores, kit: string): Promise<Opened> {
  const dead = deadIds(await stores.log.withdrawals(kit))
  const fold = new WholeFold(kit, dead)
  let last = 0
  let unreadable = 0
  for (;;) {
    const slice = await stores.log.readKit(kit, last, PIECE)
    if (slice.last === last) return { log: fold.end(), last, unreadable, anew: true }
    fold.add(slice.entries)
    last = slice.last
    unreadable += slice.unreadable
  }
}
