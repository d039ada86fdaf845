import type { SessionDeps } from './deps'
import { NO_ACTS, type Act, type Acts } from './undo'

const KEY = 'humbra-sitting'

/** What was done in this tab, through its reloads; another tab and another day have their own. */
export function browserSitting(storage: Storage | null): SessionDeps['sitting'] {
  return {
    read() {
      try {
        const kept: unknown = JSON.parse(storage?.getItem(KEY) ?? 'null')
        return isActs(kept) ? kept : NO_ACTS
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

/** Of this tab's own writing, perhaps of an older form: its shape, without the schemas that a first look does not load. */
function isActs(kept: unknown): kept is Acts {
  const { done, undone } = (kept ?? {}) as Record<keyof Acts, unknown>
  return (
    Array.isArray(done) &&
    Array.isArray(undone) &&
    [...(done as unknown[]), ...(undone as unknown[])].every(isAct)
  )
}

function isAct(each: unknown): boolean {
  const { at, kit, events, kinds, what } = (each ?? {}) as Record<keyof Act, unknown>
  return (
    typeof at === 'number' &&
    typeof what === 'string' &&
    (kit === null || typeof kit === 'string') &&
    Array.isArray(kinds) &&
    Array.isArray(events) &&
    (events as unknown[]).every((event) => typeof (event as { id?: unknown } | null)?.id === 'string')
  )
}
