import type { HumbraEvent } from '@/core/records/event'
import { withOrder } from '@/core/records/migrations'
import type { PracticeState } from '@/core/records/practice'
import type { Settings } from '@/core/records/settings'
import type { Guard } from './guard'

/** What one act changed and the database has not confirmed yet. */
export interface Unsaved {
  events: readonly HumbraEvent[]
  practice: readonly PracticeState[]
  settings: Settings | null
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
  /** Keeps an act at once; @returns whether it fitted: else it is left to the database alone. */
  keep(entry: JournalEntry): boolean
  /** What was left behind, oldest first, and the names of what cannot be read, which stays where it is. */
  readAll(): Promise<{ acts: JournalEntry[]; damaged: string[] }>
  /** The text of an act, as it was left. */
  text(name: string): string | null
  drop(names: readonly string[]): void
}

const PREFIX = 'humbra-unsaved-'
/** The journal in the browser's synchronous store; `storage` is null where the browser gives none. */
export function browserJournal(storage: Storage | null, guard: Guard): Journal {
  const names = () =>
    Array.from({ length: storage?.length ?? 0 }, (_, i) => storage!.key(i)!)
      .filter((key) => key.startsWith(PREFIX))
      .map((key) => key.slice(PREFIX.length))
      .sort()
  return {
    keep({ name, ...unsaved }) {
      try {
        storage?.setItem(PREFIX + name, JSON.stringify(unsaved))
        return storage !== null
      } catch {
        return false
      }
    },
    async readAll() {
      const all = names()
      const read = await Promise.all(
        all.map((name) => entryOf(name, storage!.getItem(PREFIX + name) ?? '', guard)),
      )
      return {
        acts: read.filter((entry) => entry !== null),
        damaged: all.filter((_, i) => read[i] === null),
      }
    },
    text: (name) => storage?.getItem(PREFIX + name) ?? null,
    drop: (gone) => gone.forEach((name) => storage?.removeItem(PREFIX + name)),
  }
}

/** One act that was left behind; null where any part of it cannot be read. */
async function entryOf(name: string, text: string, guard: Guard): Promise<JournalEntry | null> {
  try {
    const { events, practice, settings } = JSON.parse(text) as Record<keyof Unsaved, unknown>
    if (!Array.isArray(events) || !Array.isArray(practice)) return null
    const checked = await Promise.all([guard.events(withOrder(events)), guard.practice(practice)])
    const kept = settings === null ? null : await guard.settings(settings)
    if (checked.flat().includes(null) || (settings !== null && kept === null)) return null
    return {
      name,
      events: checked[0] as HumbraEvent[],
      practice: checked[1] as PracticeState[],
      settings: kept,
    }
  } catch {
    return null
  }
}
