import type { HumbraEvent } from '../records/event'

/** When an entry was done: its moment, which of the entries of that moment it is, and its id where two devices did both at once. */
export type Moment = Pick<HumbraEvent, 'at' | 'id' | 'nth'>

/** Order in which entries were done, wherever and whenever they came in; `at` has one form (migrations). */
export const byMoment = (a: Moment, b: Moment): number =>
  compared(a.at, b.at) || (a.nth ?? 0) - (b.nth ?? 0) || compared(a.id, b.id)

const compared = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** A log in the order in which it was done. */
export function inOrder<Each extends Moment>(log: readonly Each[]): readonly Each[] {
  const ordered = log.every((event, i) => i === 0 || byMoment(log[i - 1], event) < 0)
  return ordered ? log : [...log].sort(byMoment)
}

/**
 * Where the next entry stands: now, or right behind the newest one that is known here, so that what was done after it was seen
 * comes after it, whatever a clock says.
 */
export function nextMoment(newest: Moment | null, nowMs: number): { at: string; nth: number } {
  const at = new Date(nowMs).toISOString()
  return newest && newest.at >= at ? { at: newest.at, nth: (newest.nth ?? 0) + 1 } : { at, nth: 0 }
}

export type Withdrawal = Moment & { kind: 'withdrawn'; event: string }

/**
 * What withdrawals say. One that names an earlier withdrawal brings back what that took away (redo); of several words on one entry
 * the last one counts. A word counts only for what stands before it: rings and words on themselves say nothing.
 */
export class Withdrawals {
  readonly #meant = new Map<string, { entry: string; gone: boolean }>()
  readonly #last = new Map<string, { gone: boolean; word: Moment }>()

  /** @param words in the order in which they were done */
  constructor(words: Iterable<Withdrawal>) {
    for (const word of words) {
      const earlier = this.#meant.get(word.event)
      const meant = earlier
        ? { entry: earlier.entry, gone: !earlier.gone }
        : { entry: word.event, gone: true }
      this.#meant.set(word.id, meant)
      this.#last.set(meant.entry, { gone: meant.gone, word })
    }
  }

  /** The entry that a withdrawal takes away or brings back. */
  entryOf(withdrawal: string): string | undefined {
    return this.#meant.get(withdrawal)?.entry
  }

  takesAway(event: Moment): boolean {
    const last = this.#last.get(event.id)
    return last !== undefined && last.gone && byMoment(event, last.word) < 0
  }
}

export const isWithdrawal = (event: HumbraEvent): event is HumbraEvent & Withdrawal =>
  event.kind === 'withdrawn'

/** Entries that still hold, in the order in which they were done. */
export function liveEvents(log: readonly HumbraEvent[]): HumbraEvent[] {
  const ordered = inOrder(log)
  const withdrawals = new Withdrawals(ordered.filter(isWithdrawal))
  return ordered.filter((event) => !withdrawals.takesAway(event))
}

/** What a kit is called, by its log alone. */
export function nameIn(log: readonly HumbraEvent[]): string {
  return inOrder(log).reduce((name, event) => {
    if (event.kind !== 'kitEdited') return name
    return event.change.what === 'kitMade' || event.change.what === 'kitRenamed' ? event.change.name : name
  }, 'Kit')
}
