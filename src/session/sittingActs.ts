import { z } from 'zod'
import type { SessionDeps } from './deps'
import { NO_ACTS, type Acts } from './undo'

const KEY = 'humbra-sitting'
const act = z.object({
  at: z.number(),
  kit: z.string().nullable(),
  events: z.array(z.object({ id: z.string(), kit: z.string() })),
  kinds: z.array(z.string()),
  turns: z.array(z.number()).optional(),
  what: z.string(),
  settings: z.record(z.string(), z.unknown()).optional(),
  removes: z.string().optional(),
})
const actsSchema = z.object({ done: z.array(act), undone: z.array(act) })

/** What was done in this tab, through its reloads; another tab and another day have their own. */
export function browserSitting(storage: Storage | null): SessionDeps['sitting'] {
  return {
    read() {
      try {
        const parsed = actsSchema.safeParse(JSON.parse(storage?.getItem(KEY) ?? 'null'))
        return parsed.success ? (parsed.data as Acts) : NO_ACTS
      } catch {
        return NO_ACTS
      }
    },
    write(acts) {
      try {
        storage?.setItem(KEY, JSON.stringify(acts))
      } catch {
        // Full, or forbidden: Undo then ends with this page.
      }
    },
  }
}
