import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { HumbraEvent } from '@/core/records/event'
import type { PracticeState } from '@/core/records/practice'
import type { StoredTake } from './takeStore'

/** The browser's database. A shipped version is never edited: a change of form adds one. */
export interface HumbraDb extends DBSchema {
  events: { key: number; value: StoredEvent; indexes: { id: string } }
  practice: { key: string; value: PracticeState }
  settings: { key: string; value: unknown }
  takes: { key: string; value: StoredTake; indexes: { kit: string } }
}

/** An event with its place in the log. */
export interface StoredEvent {
  seq?: number
  id: string
  event: HumbraEvent
}

export type Db = IDBPDatabase<HumbraDb>

export const DB_NAME = 'humbra'
export const DB_VERSION = 2

/** Opens the database; `onBlocked` is told when another tab holds an older form open. */
export function openHumbraDb(onBlocked: () => void = () => undefined): Promise<Db> {
  return openDB<HumbraDb>(DB_NAME, DB_VERSION, {
    upgrade(db, oldVersion) {
      if (oldVersion < 1) {
        const events = db.createObjectStore('events', { keyPath: 'seq', autoIncrement: true })
        events.createIndex('id', 'id', { unique: true })
        db.createObjectStore('practice')
        db.createObjectStore('settings')
      }
      if (oldVersion < 2) db.createObjectStore('takes', { keyPath: 'reading' }).createIndex('kit', 'kit')
    },
    blocked: onBlocked,
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  })
}
