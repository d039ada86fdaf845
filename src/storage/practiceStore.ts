import type { PracticeState } from '@/core/records/practice'
import type { Guard } from './guard'
import type { Db } from './schema'

export interface PracticeStore {
  readAll(): Promise<PracticeState[]>
  write(states: readonly PracticeState[]): Promise<void>
}

/** Where the practice drum's rods stand, a record a head. */
export function practiceStore(db: () => Promise<Db>, guard: Guard): PracticeStore {
  return {
    async readAll() {
      const all = await (await db()).getAll('practice')
      if (all.length === 0) return []
      return (await guard.practice(all)).filter((state) => state !== null)
    },
    async write(states) {
      const tx = (await db()).transaction('practice', 'readwrite')
      for (const state of states) await tx.store.put(state, `${state.kit}/${state.drum}/${state.side}`)
      await tx.done
    },
  }
}
