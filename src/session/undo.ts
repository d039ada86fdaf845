import type { HumbraEvent } from '@/core/records/event'
import type { Settings } from '@/core/records/settings'

/** One thing that this person did on this device, as it is taken back. */
export interface Act {
  at: number
  kit: string | null
  /** Events that it appended, and their kits; they are withdrawn. */
  events: ReadonlyArray<{ id: string; kit: string }>
  /** What kind each of them is, and the turns of a turn: a rod does not undo. */
  kinds: readonly HumbraEvent['kind'][]
  turns?: readonly number[]
  /** In words: "the reading of lug 3 on Snare 14". */
  what: string
  /** Settings as they were before it. */
  settings?: Partial<Settings>
  /** A kit that came in: it goes as a whole. */
  removes?: string
}

/** Acts of this sitting at this device, newest last, and those that were taken back. */
export interface Acts {
  done: readonly Act[]
  undone: readonly Act[]
}

export const NO_ACTS: Acts = { done: [], undone: [] }

/** A pause this long ends a sitting: what was done before is not taken back by a key. */
const SITTING_MS = 3 * 3600 * 1000
const ACTS_KEPT = 200

export function did(acts: Acts, act: Act): Acts {
  return { done: [...acts.done, act].slice(-ACTS_KEPT), undone: [] }
}

/** The act that Undo would take back now; null for none. */
export function undoable({ done }: Acts, nowMs: number): Act | null {
  const last = done.at(-1)
  return last && nowMs - last.at < SITTING_MS ? last : null
}

export function redoable({ undone }: Acts): Act | null {
  return undone.at(-1) ?? null
}

/** Several acts as one, taken back together; null of none. */
export function asOne(acts: readonly Act[], what: string): Act | null {
  const [first] = acts
  if (!first) return null
  if (acts.length === 1) return { ...first, what }
  const settings = acts.flatMap((act) => (act.settings ? [act.settings] : []))
  const removes = acts.find((act) => act.removes)?.removes
  return {
    ...{ at: acts.at(-1)!.at, kit: acts.find(({ kit }) => kit)?.kit ?? null, what },
    events: acts.flatMap(({ events }) => events),
    kinds: [...new Set(acts.flatMap(({ kinds }) => kinds))],
    // The oldest of each is how it was before all of them.
    ...(settings.length ? { settings: Object.assign({}, ...settings.reverse()) } : {}),
    ...(removes ? { removes } : {}),
  }
}
