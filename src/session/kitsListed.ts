import type { KitState } from '@/core/log/fold'
import type { KitLog } from '@/core/log/kitLog'

export interface ListedKit {
  kit: KitState
  /** When something was last done to it. */
  touchedAt: string
  /** What it is found by, in small letters. */
  words: string
}

/** The kits that are there, the one touched last first. */
export function kitsListed(logs: ReadonlyMap<string, KitLog>): ListedKit[] {
  return [...logs.values()]
    .flatMap(({ kit, tail, baseEnd }) => {
      if (!kit) return []
      const words = `${kit.name} ${kit.owner} ${kit.job}`.toLowerCase()
      return [{ kit, touchedAt: (tail.at(-1) ?? baseEnd)!.at, words }]
    })
    .sort((a, b) => (a.touchedAt < b.touchedAt ? 1 : -1))
}
