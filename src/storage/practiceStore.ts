import type { PracticeState } from '@/core/records/practice'
import type { Guard } from './guard'
import type { Db } from './schema'

export interface PracticeStore {
  readAll(): Promise<PracticeState[]>
}

/** Where the practice drum's rods stand, a record a head; written with the act that moved them (`eventLog`). */
export function practiceStore(db: () => Promise<Db>, guard: Guard): PracticeStore {
  return {
    async readAll() {
      const all = await (await db()).getAll('practice')
      if (all.length === 0) return []
      return (await guard.practice(all)).filter((state) => state !== null)
    },
  }
}
