import type { HumbraEvent } from '../records/event'
import { withEvent, type KitState } from './fold'
import { byMoment, inOrder, isWithdrawal, liveEvents, Withdrawals, type Moment } from './order'

/**
 * One kit's log, in the order in which it was done: its state as of some entry, and the entries since. An act costs one step of
 * the fold, an undo the few entries since, however long the log before.
 */
export interface KitLog {
  readonly id: string
  /** The state behind which nothing is looked at again, its last entry, and how many there are up to it. */
  readonly base: KitState | null
  readonly baseEnd: Moment | null
  readonly baseCount: number
  readonly tail: readonly HumbraEvent[]
  /** Withdrawals in the tail of what lies behind the base: it is made without that. */
  readonly settled: ReadonlySet<string>
  /** The state now; null where the kit was removed, or not made yet. */
  readonly kit: KitState | null
}

/** So many entries at least can be undone, or put in order, without the database. */
export const TAIL_KEPT = 200

export function newKitLog(id: string): KitLog {
  return { id, base: null, baseEnd: null, baseCount: 0, settled: new Set(), tail: [], kit: null }
}

/**
 * The log with more entries of its kit, from wherever they come; one that is known is taken once.
 * @param mayShorten false where no database has what the base would swallow
 * @returns null where an entry reaches back behind the base: then the whole log has to be read.
 */
export function withEvents(log: KitLog, events: readonly HumbraEvent[], mayShorten = true): KitLog | null {
  const known = new Set(log.tail.map(({ id }) => id))
  const fresh = inOrder(events.filter(({ id }) => !known.has(id) && known.add(id)))
  if (fresh.length === 0) return log
  const { baseEnd } = log
  if (baseEnd && byMoment(fresh[0], baseEnd) <= 0) return null
  const last = log.tail.at(-1) ?? baseEnd
  const isBehind = !last || byMoment(last, fresh[0]) < 0
  const tail = isBehind ? [...log.tail, ...fresh] : inOrder([...log.tail, ...fresh])
  const words = fresh.filter(isWithdrawal)
  if (baseEnd && words.length) {
    const beyond = wordsBeyond(tail)
    if (words.some(({ id }) => beyond.has(id) && !log.settled.has(id))) return null
  }
  const kit = isBehind && !words.length ? fresh.reduce(withEvent, log.kit) : replay(log.base, tail)
  return mayShorten ? shortened({ ...log, tail, kit }) : { ...log, tail, kit }
}

/** Withdrawals of what is not in the tail, directly or through others. */
function wordsBeyond(tail: readonly HumbraEvent[]): Set<string> {
  const words = tail.filter(isWithdrawal)
  const withdrawals = new Withdrawals(words)
  const here = new Set(tail.map(({ id }) => id))
  return new Set(words.filter(({ id }) => !here.has(withdrawals.entryOf(id)!)).map(({ id }) => id))
}

const replay = (base: KitState | null, tail: readonly HumbraEvent[]) =>
  liveEvents(tail).reduce<KitState | null>(withEvent, base)

/** A tail that grew twice as long as it has to be gives its older half to the base. */
function shortened(log: KitLog): KitLog {
  if (log.tail.length < 2 * TAIL_KEPT) return log
  const older = log.tail.slice(0, -TAIL_KEPT)
  const live = new Set(liveEvents(log.tail))
  const base = older.filter((event) => live.has(event)).reduce(withEvent, log.base)
  const tail = log.tail.slice(-TAIL_KEPT)
  const baseCount = log.baseCount + older.length
  return { ...log, base, baseEnd: older.at(-1)!, baseCount, tail, settled: wordsBeyond(tail) }
}

/** Folds a kit's whole log, piece by piece, in the order in which it was done; `withdrawals` are those of all of it. */
export class WholeFold {
  #base: KitState | null = null
  #baseEnd: Moment | null = null
  #baseCount = 0
  #tail: HumbraEvent[] = []

  constructor(
    readonly id: string,
    readonly withdrawals: Withdrawals,
  ) {}

  add(piece: readonly HumbraEvent[]): void {
    this.#tail.push(...piece)
    if (this.#tail.length < 2 * TAIL_KEPT) return
    const older = this.#tail.splice(0, this.#tail.length - TAIL_KEPT)
    for (const event of older)
      if (!this.withdrawals.takesAway(event)) this.#base = withEvent(this.#base, event)
    this.#baseEnd = older.at(-1)!
    this.#baseCount += older.length
  }

  end(): KitLog {
    const [base, baseEnd, baseCount, tail] = [this.#base, this.#baseEnd, this.#baseCount, this.#tail]
    const live = tail.filter((event) => !this.withdrawals.takesAway(event))
    const kit = live.reduce<KitState | null>(withEvent, base)
    return { id: this.id, base, baseEnd, baseCount, tail, kit, settled: wordsBeyond(tail) }
  }
}

/** The kits of a whole log at once, in the order in which they were made. */
export function kitsFromLog(log: readonly HumbraEvent[]): KitState[] {
  const kits = new Map<string, KitState | null>()
  for (const event of liveEvents(log)) kits.set(event.kit, withEvent(kits.get(event.kit) ?? null, event))
  return [...kits.values()].filter((kit) => kit !== null)
}
