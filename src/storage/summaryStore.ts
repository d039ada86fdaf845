import type { Summary } from '@/core/log/summary'
import type { Db } from './schema'

/** Folded states of kits: a cache, which may be emptied at any time. */
export interface SummaryStore {
  read(kit: string): Promise<Summary | undefined>
  /** Kept unless another tab has come further; one that was folded from the whole log is `anew`. */
  write(summary: Summary, anew: boolean): Promise<void>
  clear(): Promise<void>
}

export function summaryStore(db: () => Promise<Db>): SummaryStore {
  return {
    read: async (kit) => (await db()).get('summaries', kit),
    async write(summary, anew) {
      const tx = (await db()).transaction('summaries', 'readwrite')
      const known = await tx.store.get(summary.kit)
      if (anew || !known || known.version !== summary.version || known.place < summary.place)
        await tx.store.put(summary)
      await tx.done
    },
    clear: async () => (await db()).clear('summaries'),
  }
}
