import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb'
import type { Summary } from '@/core/log/summary'
import type { HumbraEvent } from '@/core/records/event'
import type { Practised } from '@/core/records/drill'
import type { PracticeState } from '@/core/records/practice'
import type { StoredTake } from './takeStore'

/** The browser's database. A shipped version is never edited: a change of form adds one. */
export interface HumbraDb extends DBSchema {
  events: {
    key: number
    value: StoredEvent
    indexes: { id: string; kit: [string, number]; done: [string, string, number, string] }
  }
  practice: { key: string; value: PracticeState }
  settings: { key: string; value: unknown }
  takes: { key: string; value: StoredTake; indexes: { kit: string } }
  /** What was done in Practice. */
  drills: { key: string; value: Practised; indexes: { at: string } }
  /** A cache: the folded state of every kit up to a place of its log. */
  summaries: { key: string; value: Summary }
}

/** An event, its place in the log as it came in, and when it was done (`doneKey`). */
export interface StoredEvent {
  seq?: number
  id: string
  event: HumbraEvent
  done: DoneKey
}

/** Kit, moment, which of that moment, id: as `byMoment` orders. */
export type DoneKey = [kit: string, at: string, nth: number, id: string]

export const doneKey = ({ kit, at, nth, id }: Pick<HumbraEvent, 'kit' | 'at' | 'nth' | 'id'>): DoneKey => [
  ...([kit, at, nth ?? 0, id] as const),
]

export type Db = IDBPDatabase<HumbraDb>

const DB_NAME = 'humbra'

type Upgrade = (
  db: Db,
  tx: IDBPTransaction<HumbraDb, StoreNames<HumbraDb>[], 'versionchange'>,
) => void | Promise<void>

/** One step a version, in order; what was shipped is never edited. */
export const UPGRADES: readonly Upgrade[] = [
  (db) => {
    const events = db.createObjectStore('events', { keyPath: 'seq', autoIncrement: true })
    events.createIndex('id', 'id', { unique: true })
    db.createObjectStore('practice')
    db.createObjectStore('settings')
  },
  (db) => void db.createObjectStore('takes', { keyPath: 'reading' }).createIndex('kit', 'kit'),
  (db, tx) => {
    const events = tx.objectStore('events')
    events.createIndex('kit', ['event.kit', 'seq'])
    events.createIndex('head' as never, ['event.kit', 'event.drum', 'event.side', 'event.at'])
    db.createObjectStore('summaries', { keyPath: 'kit' })
  },
  (db) => void db.createObjectStore('drills', { keyPath: 'id' }).createIndex('at', 'at'),
  async (_db, tx) => {
    const events = tx.objectStore('events')
    events.deleteIndex('head' as never)
    events.createIndex('done', 'done')
    void tx.objectStore('summaries').clear()
    // Entries of one moment were in the order of the log, which the next form says of each.
    const moments = new Map<string, number>()
    for (let cursor = await events.openCursor(); cursor; cursor = await cursor.continue()) {
      const { value } = cursor
      const { kit, at } = value.event
      const nth = moments.get(`${kit} ${at}`) ?? 0
      moments.set(`${kit} ${at}`, nth + 1)
      const event = nth > 0 ? { ...value.event, nth } : value.event
      void cursor.update({ ...value, event, done: doneKey(event) })
    }
  },
]

const DB_VERSION = UPGRADES.length

/** One step after the other: those that wait do so for requests of this transaction. */
async function upgraded(db: Db, from: number, tx: Parameters<Upgrade>[1]): Promise<void> {
  for (const step of UPGRADES.slice(from)) await step(db, tx)
}

/** What may befall an open database from outside. */
export interface DbWatch {
  /** Another tab holds an older form open: this one waits until it is closed. */
  onBlocked(): void
  /** It is open no more: deleted, or ended by the browser, or given up for a newer tab. */
  onClosed(why: 'newer' | 'ended'): void
  /** It was not there and is made now, empty. */
  onMade(): void
}

export function openHumbraDb(watch: Partial<DbWatch> = {}): Promise<Db> {
  return openDB<HumbraDb>(DB_NAME, DB_VERSION, {
    upgrade(db, oldVersion, _newVersion, tx) {
      if (oldVersion === 0) watch.onMade?.()
      void upgraded(db, oldVersion, tx).catch(() => tx.abort())
    },
    blocked: () => watch.onBlocked?.(),
    blocking(_current, wanted, event) {
      ;(event.target as IDBDatabase).close()
      // Deleted (no version) or upgraded by a newer Humbra in another tab.
      watch.onClosed?.(wanted === null ? 'ended' : 'newer')
    },
    terminated: () => watch.onClosed?.('ended'),
  })
}
