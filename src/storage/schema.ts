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
    indexes: { id: string; kit: [string, number]; head: [string, string, string, string] }
  }
  practice: { key: string; value: PracticeState }
  settings: { key: string; value: unknown }
  takes: { key: string; value: StoredTake; indexes: { kit: string } }
  /** What was done in Practice. */
  drills: { key: string; value: Practised; indexes: { at: string } }
  /** A cache: the folded state of every kit up to a place of its log. */
  summaries: { key: string; value: Summary }
}

/** An event with its place in the log. */
export interface StoredEvent {
  seq?: number
  id: string
  event: HumbraEvent
}

export type Db = IDBPDatabase<HumbraDb>

const DB_NAME = 'humbra'

type Upgrade = (db: Db, tx: IDBPTransaction<HumbraDb, StoreNames<HumbraDb>[], 'versionchange'>) => void

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
    events.createIndex('head', ['event.kit', 'event.drum', 'event.side', 'event.at'])
    db.createObjectStore('summaries', { keyPath: 'kit' })
  },
  (db) => void db.createObjectStore('drills', { keyPath: 'id' }).createIndex('at', 'at'),
]

const DB_VERSION = UPGRADES.length

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
      UPGRADES.slice(oldVersion).forEach((step) => step(db, tx))
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
