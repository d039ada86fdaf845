import { eventSchema, type HumbraEvent } from '@/core/records/event'
import type { Db } from './schema'

export interface LogSlice {
  events: HumbraEvent[]
  /** Place of the newest event; 0 for an empty log. */
  last: number
  /** Entries that could not be read; they stay in the database untouched. */
  unreadable: number
}

/** The log's repository: append and read, nothing else. */
export interface EventLog {
  /** All events after place `after`, oldest first. */
  readAfter(after: number): Promise<LogSlice>
  /** Appends all or none, in one transaction; @returns the place of the last. Rejects when the disk is full. */
  append(events: readonly HumbraEvent[]): Promise<number>
}

export function eventLog(db: Db): EventLog {
  return {
    async readAfter(after) {
      const stored = await db.getAll('events', IDBKeyRange.lowerBound(after, true))
      const slice: LogSlice = { events: [], last: stored.at(-1)?.seq ?? after, unreadable: 0 }
      for (const entry of stored) {
        const parsed = eventSchema.safeParse(entry.event)
        if (parsed.success) slice.events.push(parsed.data)
        else slice.unreadable++
      }
      return slice
    },
    async append(events) {
      const tx = db.transaction('events', 'readwrite', { durability: 'strict' })
      // All look-ups and all additions are under way at once: the demo's thousand events take a moment, not seconds.
      const index = tx.store.index('id')
      const known = await Promise.all(events.map(({ id }) => index.getKey(id)))
      // An event that is already there (a merge, a retry) is left as it is.
      const fresh = events.filter((_, i) => known[i] === undefined)
      const places = await Promise.all(fresh.map((event) => tx.store.add({ id: event.id, event })))
      await tx.done
      return places.at(-1) ?? 0
    },
  }
}
