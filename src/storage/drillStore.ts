import type { Practised } from '@/core/records/drill'
import type { Guard } from './guard'
import type { Db } from './schema'

export interface DrillStore {
  /** All that was practised, oldest first; what cannot be read is left where it is. */
  readAll(): Promise<Practised[]>
  /** Writes one, in place of an earlier state of the same. */
  write(records: readonly Practised[]): Promise<void>
}

/** What was done in Practice, a record a run; beside the log, never in a kit. */
export function drillStore(db: () => Promise<Db>, guard: Guard): DrillStore {
  return {
    async readAll() {
      const all = await (await db()).getAllFromIndex('drills', 'at')
      return (await guard.practised(all)).filter((record) => record !== null)
    },
    async write(records) {
      const tx = (await db()).transaction('drills', 'readwrite')
      for (const record of records) await tx.store.put(record)
      await tx.done
    },
  }
}
