import { z } from 'zod'
import { eventSchema, type HumbraEvent } from '@/core/records/event'
import { practiceStateSchema, type PracticeState } from '@/core/records/practice'

/** What one act changed and the database has not confirmed yet. */
export interface Unsaved {
  events: readonly HumbraEvent[]
  practice: readonly PracticeState[]
  /** Its reader checks it. */
  settings: object | null
}

export interface JournalEntry extends Unsaved {
  /** Names sort by the time of the act. */
  name: string
}

/**
 * What is on its way to the database. A database answers later, and a reload or a crash right behind an act cuts that
 * off: the act is written here at once, taken up at the next start, and dropped when the database has it.
 */
export interface Journal {
  /** Keeps an act at once; what does not fit is left to the database alone. */
  keep(entry: JournalEntry): void
  /** What was left behind, oldest first. What cannot be read, as from a newer Humbra, stays where it is. */
  readAll(): JournalEntry[]
  drop(names: readonly string[]): void
}

const PREFIX = 'humbra-unsaved-'
const entrySchema = z.strictObject({
  events: z.array(eventSchema),
  practice: z.array(practiceStateSchema),
  settings: z.looseObject({}).nullable(),
})

/** The journal in the browser's synchronous store; `storage` is null where the browser gives none. */
export function browserJournal(storage: Storage | null): Journal {
  const names = () =>
    Array.from({ length: storage?.length ?? 0 }, (_, i) => storage!.key(i)!)
      .filter((key) => key.startsWith(PREFIX))
      .map((key) => key.slice(PREFIX.length))
      .sort()
  return {
    keep({ name, ...unsaved }) {
      try {
        storage?.setItem(PREFIX + name, JSON.stringify(unsaved))
      } catch {
        // Full: the database is on its way all the same.
      }
    },
    readAll: () =>
      names().flatMap((name) => {
        try {
          const parsed = entrySchema.safeParse(JSON.parse(storage!.getItem(PREFIX + name)!))
          return parsed.success ? [{ name, ...parsed.data }] : []
        } catch {
          return []
        }
      }),
    drop: (gone) => gone.forEach((name) => storage?.removeItem(PREFIX + name)),
  }
}
