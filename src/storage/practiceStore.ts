import { practiceStateSchema, type PracticeState } from '@/core/records/practice'
import type { Db } from './schema'

export interface PracticeStore {
  readAll(): Promise<PracticeState[]>
  write(states: readonly PracticeState[]): Promise<void>
}

/** Where the practice drum's rods stand, a record a head. */
export function practiceStore(db: () => Promise<Db>): PracticeStore {
  return {
    async readAll() {
      const all = await (await db()).getAll('practice')
      return all.flatMap((state) => {
        const parsed = practiceStateSchema.safeParse(state)
        return parsed.success ? [parsed.data] : []
      })
    },
    async write(states) {
      const tx = (await db()).transaction('practice', 'readwrite')
      for (const state of states) await tx.store.put(state, `${state.kit}/${state.drum}/${state.side}`)
      await tx.done
    },
  }
}
