import type { Placed } from '@/core/log/kitLog'
import type { HumbraEvent } from '@/core/records/event'
import type { Guard } from './guard'
import type { Db, StoredEvent } from './schema'

export interface LogSlice {
  entries: Placed[]
  /** Place of the newest event; as asked for where there is none. */
  last: number
  /** Entries that could not be read; they stay in the database untouched. */
  unreadable: number
}

/** What a withdrawal says, enough to see what is withdrawn. */
export interface Withdrawal {
  id: string
  kind: 'withdrawn'
  event: string
}

/** The log's repository: append and read, nothing else. */
export interface EventLog {
  /** Kits that have events, in the order of their first ones. */
  kits(): Promise<string[]>
  /** Events of all kits after a place, oldest first. */
  readAfter(after: number): Promise<LogSlice>
  /** At most so many events of one kit after a place, oldest first. */
  readKit(kit: string, after: number, most?: number): Promise<LogSlice>
  /** All withdrawals of a kit, oldest first. */
  withdrawals(kit: string): Promise<Withdrawal[]>
  /** Which of these ids are in the log already, and where. */
  placesOf(ids: readonly string[]): Promise<Map<string, number>>
  /**
   * Appends all or none, in one transaction, and resolves when it is complete: then it survives the browser. An event that is
   * there already, the same, is left as it is.
   * @returns the place of each. Rejects when the disk is full, or where an id is there already with other content.
   */
  append(events: readonly HumbraEvent[]): Promise<number[]>
  /** Begins the log anew with these events, in one transaction: for a database that was lost. */
  restart(events: readonly HumbraEvent[]): Promise<void>
}

/** So many events are read at a time. */
const PIECE = 2000

/** An id that is taken by another event. */
class RepeatedId extends Error {
  constructor(readonly id: string) {
    super(`the id ${id} is in the log already, with other content`)
    this.name = 'RepeatedId'
  }
}

export function eventLog(db: () => Promise<Db>, guard: Guard): EventLog {
  const sliceOf = async (stored: readonly StoredEvent[], after: number): Promise<LogSlice> => {
    const slice: LogSlice = { entries: [], last: stored.at(-1)?.seq ?? after, unreadable: 0 }
    if (stored.length === 0) return slice
    const events = await guard.events(stored.map(({ event }) => event))
    events.forEach((event, i) => {
      if (event) slice.entries.push({ event, place: stored[i].seq! })
      else slice.unreadable++
    })
    return slice
  }
  return {
    async kits() {
      const kits: Array<[string, number]> = []
      let cursor = await (await db()).transaction('events').store.index('kit').openKeyCursor()
      while (cursor) {
        const [kit] = cursor.key as [string, number]
        kits.push([kit, cursor.primaryKey])
        // Past all of this kit: an array sorts behind every number.
        cursor = await cursor.continue([kit, []] as never)
      }
      return kits.sort((a, b) => a[1] - b[1]).map(([kit]) => kit)
    },
    async readAfter(after) {
      return sliceOf(await (await db()).getAll('events', IDBKeyRange.lowerBound(after, true)), after)
    },
    async readKit(kit, after, most) {
      return sliceOf(await (await db()).getAllFromIndex('events', 'kit', behind(kit, after), most), after)
    },
    async withdrawals(kit) {
      const found: Withdrawal[] = []
      for (let after = 0; ;) {
        const piece = await (await db()).getAllFromIndex('events', 'kit', behind(kit, after), PIECE)
        for (const { event } of piece)
          if (event?.kind === 'withdrawn') found.push({ id: event.id, kind: event.kind, event: event.event })
        if (piece.length < PIECE) return found
        after = piece.at(-1)!.seq!
      }
    },
    async placesOf(ids) {
      const index = (await db()).transaction('events').store.index('id')
      const places = await Promise.all(ids.map((id) => index.getKey(id)))
      return new Map(ids.flatMap((id, i) => (places[i] === undefined ? [] : [[id, places[i]] as const])))
    },
    async restart(events) {
      const tx = (await db()).transaction(['events', 'summaries'], 'readwrite', { durability: 'strict' })
      void tx.objectStore('events').clear()
      void tx.objectStore('summaries').clear()
      for (const event of events) void tx.objectStore('events').add({ id: event.id, event })
      await tx.done
    },
    async append(events) {
      const tx = (await db()).transaction('events', 'readwrite', { durability: 'strict' })
      // A failed request must not go unheard while another one is awaited.
      tx.done.catch(() => undefined)
      const index = tx.store.index('id')
      const known = await inPieces(events, ({ id }) => index.getKey(id))
      for (const [i, place] of known.entries()) {
        if (place === undefined) continue
        const stored = await tx.store.get(place)
        if (JSON.stringify(stored?.event) !== JSON.stringify(events[i])) {
          tx.abort()
          throw new RepeatedId(events[i].id)
        }
      }
      const places = await inPieces(events, (event, i) => known[i] ?? tx.store.add({ id: event.id, event }))
      tx.commit()
      await tx.done
      return places
    },
  }
}

/** So many requests are under way at once: one after the other a thousand take seconds, all at once they hold up the page. */
const AT_ONCE = 50

/** Asks for each, some at a time; while a request is under way its transaction stays open. */
async function inPieces<Item, Result>(
  items: readonly Item[],
  ask: (item: Item, i: number) => Promise<Result> | Result,
): Promise<Result[]> {
  const results: Result[] = []
  for (let from = 0; from < items.length; from += AT_ONCE)
    results.push(
      ...(await Promise.all(items.slice(from, from + AT_ONCE).map((item, i) => ask(item, from + i)))),
    )
  return results
}

const behind = (kit: string, after: number) => IDBKeyRange.bound([kit, after], [kit, Infinity], true, true)
