import { deriveAll } from '@/core/runs/derive'
import type { HumbraEvent } from '@/core/records/event'

/** Works out once all that the app would of a log; null where that went well, else what was wrong. */
export function tryLog(events: readonly HumbraEvent[], nowMs: number): string | null {
  try {
    deriveAll(events, nowMs)
    return null
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
}
