import { byMoment, type Moment, type Withdrawal } from '@/core/log/order'
import type { HumbraEvent } from '@/core/records/event'
import { practiceKey } from '@/core/records/plain'
import type { PracticeState } from '@/core/records/practice'
import { sameEvent } from '@/core/records/same'
import type { Settings } from '@/core/records/settings'
import type { Guard } from './guard'
import { doneKey, type Db, type StoredEvent } from './schema'

export interface LogSlice {
  events: HumbraEvent[]
  /** Place of the newest event; as asked for where there is none. */
  last: number
  /** Entries that could not be read; they stay in the database untouched. */
  unreadable: number
}

/** Some entries of one kit, in the order in which they were done. */
export interface KitSlice {
  events: HumbraEvent[]
  /** The last entry, readable or not; null where there are no more. */
  end: Moment | null
  unreadable: number
}

/** The log's repository: append and read, nothing else. An entry has a place, by when it came, and a moment, by when it was done. */
export interface EventLog {
  /** Kits that have events, in the order of their first ones. */
  kits(): Promise<string[]>
  /** Place of the newest event of all; 0 for none. */
  lastPlace(): Promise<number>
  /** Events of all kits after a place, as they came. */
  readAfter(after: number): Promise<LogSlice>
  /** At most about so many events of one kit behind a moment, as they were done; all where no number is given. */
  readKit(kit: string, behind: Moment | null, most?: number): Promise<KitSlice>
  /** Whether something came to a kit after a place that was done before a moment. */
  cameLate(kit: string, after: number, before: Moment): Promise<boolean>
  /** All withdrawals of a kit, as they were done. */
  withdrawals(kit: string): Promise<Withdrawal[]>
  /** Which of these ids are in the log already, and where. */
  placesOf(ids: readonly string[]): Promise<Map<string, number>>
  /** Places of all entries of a kit. */
  placesOfKit(kit: string): Promise<Set<number>>
  /**
   * Appends all or none, in one transaction, and resolves when it is complete: then it survives the browser. An event that is
   * there already, the same, is left as it is.
   * @param beside what the same act changed beside the log
   * @returns the place of each. Rejects when the disk is full, or where an id is there already with other content.
   */
  append(events: readonly HumbraEvent[], beside?: Beside): Promise<number[]>
  /** Those of these records that were written by a later act than this one, by their keys (`besideKeys`). */
  newerThan(act: string, keys: readonly string[]): Promise<Set<string>>
  /** Begins the log anew with these events, in one transaction: for a database that was lost. */
  restart(events: readonly HumbraEvent[]): Promise<void>
}

/** Records that an act replaces, and its name, which sorts by its time. */
export interface Beside {
  act: string
  practice: readonly PracticeState[]
  settings: Settings | null
}

/** Keys of what an act replaces. */
export const besideKeys = ({ practice, settings }: Pick<Beside, 'practice' | 'settings'>): string[] => [
  ...practice.map(practiceKey),
  ...(settings ? [SETTINGS] : []),
]

const SETTINGS = 'settings'
/** Under this, with a record's key, stands which act wrote it last. */
const WRITTEN = 'written '

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
  const checked = async (stored: readonly StoredEvent[]) => {
    if (stored.length === 0) return { events: [], unreadable: 0 }
    const read = await guard.events(stored.map(({ event }) => event))
    const events = read.filter((event) => event !== null)
    return { events, unreadable: read.length - events.length }
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
    async lastPlace() {
      const cursor = await (await db()).transaction('events').store.openKeyCursor(null, 'prev')
      return cursor?.primaryKey ?? 0
    },
    async readAfter(after) {
      const stored = await (await db()).getAll('events', IDBKeyRange.lowerBound(after, true))
      return { ...(await checked(stored)), last: stored.at(-1)?.seq ?? after }
    },
    async readKit(kit, behind, most) {
      const stored = await (await db()).getAllFromIndex('events', 'done', doneBehind(kit, behind), most)
      return { ...(await checked(stored)), end: momentOf(stored.at(-1)) }
    },
    async cameLate(kit, after, before) {
      const range = IDBKeyRange.bound([kit, after], [kit, Infinity], true, true)
      const came = await (await db()).getAllFromIndex('events', 'kit', range)
      return came.map(momentOf).some((moment) => moment !== null && byMoment(moment, before) <= 0)
    },
    async withdrawals(kit) {
      const found: Withdrawal[] = []
      for (let end: Moment | null = null; ;) {
        const range = doneBehind(kit, end)
        const piece: StoredEvent[] = await (await db()).getAllFromIndex('events', 'done', range, PIECE)
        for (const { event } of piece) if (event?.kind === 'withdrawn') found.push(event)
        if (piece.length < PIECE) return found
        end = momentOf(piece.at(-1))
      }
    },
    async placesOf(ids) {
      const index = (await db()).transaction('events').store.index('id')
      const places = await inPieces(ids, (id) => index.getKey(id))
      return new Map(ids.flatMap((id, i) => (places[i] === undefined ? [] : [[id, places[i]] as const])))
    },
    async placesOfKit(kit) {
      return new Set(await (await db()).getAllKeysFromIndex('events', 'done', doneBehind(kit, null)))
    },
    async restart(events) {
      const tx = (await db()).transaction(['events', 'summaries'], 'readwrite', { durability: 'strict' })
      void tx.objectStore('events').clear()
      void tx.objectStore('summaries').clear()
      for (const event of events) void tx.objectStore('events').add(storedOf(event))
      await tx.done
    },
    async newerThan(act, keys) {
      const store = (await db()).transaction('settings').store
      const written = await inPieces(keys, (key) => store.get(WRITTEN + key))
      return new Set(keys.filter((_, i) => typeof written[i] === 'string' && written[i] > act))
    },
    async append(events, beside) {
      const stores = ['events', 'practice', 'settings'] as const
      const tx = (await db()).transaction(stores, 'readwrite', { durability: 'strict' })
      const log = tx.objectStore('events')
      // A failed request must not go unheard while another one is awaited.
      tx.done.catch(() => undefined)
      const index = log.index('id')
      const known = await inPieces(events, ({ id }) => index.getKey(id))
      for (const [i, place] of known.entries()) {
        if (place === undefined) continue
        const stored = await log.get(place)
        if (!stored || !sameEvent(stored.event, events[i])) {
          tx.abort()
          throw new RepeatedId(events[i].id)
        }
      }
      const places = await inPieces(events, (event, i) => known[i] ?? log.add(storedOf(event)))
      if (beside) {
        const { act, practice, settings } = beside
        for (const state of practice) void tx.objectStore('practice').put(state, practiceKey(state))
        if (settings) void tx.objectStore('settings').put(settings, SETTINGS)
        for (const key of besideKeys(beside)) void tx.objectStore('settings').put(act, WRITTEN + key)
      }
      tx.commit()
      await tx.done
      return places
    },
  }
}

const storedOf = (event: HumbraEvent): StoredEvent => ({ id: event.id, event, done: doneKey(event) })

function momentOf(stored: StoredEvent | undefined): Moment | null {
  if (!stored?.done) return null
  const [, at, nth, id] = stored.done
  return { at, nth, id }
}

/** All of a kit behind a moment: an array sorts behind every text. */
const doneBehind = (kit: string, behind: Moment | null) =>
  behind
    ? IDBKeyRange.bound(doneKey({ ...behind, kit }), [kit, []], true, true)
    : IDBKeyRange.bound([kit], [kit, []], false, true)

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
