import type { HumbraEvent } from '../records/event'
import { withEvent, type KitState } from './fold'

/** An event and its place in the order that all tabs share; Infinity while the database has not said. */
export interface Placed {
  event: HumbraEvent
  place: number
}

/**
 * One kit's log: its state as of some place, and the events since. An act costs one step of the fold, an undo the few events
 * since that place, however long the log before it.
 */
export interface KitLog {
  readonly id: string
  /** The state behind which nothing is looked at again, and the place of its last event; 0 for the very beginning. */
  readonly base: KitState | null
  readonly basePlace: number
  readonly tail: readonly Placed[]
  /** Withdrawals in the tail of what lies behind the base: it is made without that. */
  readonly settled: ReadonlySet<string>
  /** The state now; null where the kit was removed, or not made yet. */
  readonly kit: KitState | null
}

/** So many events at least can be undone, or put in order, without the database. */
export const TAIL_KEPT = 200

export function newKitLog(
  id: string,
  base: KitState | null = null,
  basePlace = 0,
  settled: ReadonlySet<string> = new Set(),
): KitLog {
  return { id, base, basePlace, settled, tail: [], kit: base }
}

/**
 * The log with more events of its kit: acts of this tab, without a place, or what the database holds. An event that is known
 * is taken once; its place is noted.
 * @returns null where an event reaches back behind the base: then the whole log has to be read.
 */
export function withEvents(log: KitLog, entries: readonly Placed[]): KitLog | null {
  const known = new Map(log.tail.map(({ event }, i) => [event.id, i]))
  const tail = [...log.tail]
  const fresh: Placed[] = []
  for (const entry of entries) {
    const at = known.get(entry.event.id)
    if (at === undefined) {
      known.set(entry.event.id, tail.length)
      tail.push(entry)
      fresh.push(entry)
    } else if (entry.place < tail[at].place) tail[at] = entry
  }
  // A stable sort: what has no place yet stays behind, in the order in which it was done.
  const sorted = tail
    .map((entry, i) => ({ entry, i }))
    .sort((a, b) => a.entry.place - b.entry.place || a.i - b.i)
  const inOrder = sorted.every(({ i }, at) => i === at)
  const ordered = inOrder ? tail : sorted.map(({ entry }) => entry)
  const beyond = (event: HumbraEvent) => !log.settled.has(event.id) && !isInReach(event, ordered)
  if (log.basePlace > 0 && fresh.some(({ event }) => beyond(event))) return null
  const stepwise = inOrder && fresh.every(({ event }) => event.kind !== 'withdrawn')
  const kit = stepwise
    ? fresh.reduce<KitState | null>((state, { event }) => withEvent(state, event), log.kit)
    : replay(log.base, ordered)
  return shortened({ ...log, tail: ordered, kit })
}

/** Whether what an event withdraws lies in the tail, down to the event that it brings back or takes away. */
function isInReach(event: HumbraEvent, tail: readonly Placed[]): boolean {
  let target: HumbraEvent | undefined = event
  while (target?.kind === 'withdrawn') {
    const named: string = target.event
    target = tail.find((entry) => entry.event.id === named)?.event
  }
  return target !== undefined
}

const replay = (base: KitState | null, tail: readonly Placed[]) =>
  liveEvents(tail.map(({ event }) => event)).reduce<KitState | null>(withEvent, base)

/** A tail that grew twice as long as it has to be gives its older half to the base. */
function shortened(log: KitLog): KitLog {
  if (log.tail.length < 2 * TAIL_KEPT) return log
  const older = log.tail.slice(0, -TAIL_KEPT)
  const last = older.at(-1)!
  if (last.place === Infinity) return log
  const live = new Set(liveEvents(log.tail.map(({ event }) => event)))
  const base = older
    .filter(({ event }) => live.has(event))
    .reduce((kit, { event }) => withEvent(kit, event), log.base)
  const tail = log.tail.slice(-TAIL_KEPT)
  return { ...log, base, basePlace: last.place, tail, settled: settledIn(tail) }
}

const settledIn = (tail: readonly Placed[]) =>
  new Set(tail.flatMap(({ event }) => (isInReach(event, tail) ? [] : [event.id])))

/** Ids of what is withdrawn, by the withdrawals of a whole log, oldest first: a withdrawal may itself be withdrawn. */
export function deadIds(
  log: ReadonlyArray<Pick<HumbraEvent, 'id' | 'kind'> & { event?: string }>,
): Set<string> {
  const dead = new Set<string>()
  for (const { id, kind, event } of [...log].reverse()) {
    if (kind === 'withdrawn' && event !== undefined && !dead.has(id)) dead.add(event)
  }
  return dead
}

/** Events that still hold: those that no live `withdrawn` names. */
export function liveEvents(log: readonly HumbraEvent[]): HumbraEvent[] {
  const dead = deadIds(log)
  return log.filter((event) => !dead.has(event.id))
}

/** Folds a kit's whole log, piece by piece, oldest first; `dead` is what its withdrawals name. */
export class WholeFold {
  #base: KitState | null = null
  #basePlace = 0
  #tail: Placed[] = []

  constructor(
    readonly id: string,
    readonly dead: ReadonlySet<string>,
  ) {}

  add(piece: readonly Placed[]): void {
    this.#tail.push(...piece)
    if (this.#tail.length < 2 * TAIL_KEPT) return
    const older = this.#tail.splice(0, this.#tail.length - TAIL_KEPT)
    for (const { event, place } of older) {
      if (!this.dead.has(event.id)) this.#base = withEvent(this.#base, event)
      this.#basePlace = place
    }
  }

  end(): KitLog {
    const [base, basePlace, tail] = [this.#base, this.#basePlace, this.#tail]
    const live = tail.filter(({ event }) => !this.dead.has(event.id))
    const kit = live.reduce<KitState | null>((state, { event }) => withEvent(state, event), base)
    return { id: this.id, base, basePlace, tail, kit, settled: settledIn(tail) }
  }
}

/** The kits of a whole log at once, in the order in which they were made. */
export function kitsFromLog(log: readonly HumbraEvent[]): KitState[] {
  const kits = new Map<string, KitState | null>()
  for (const event of liveEvents(log)) kits.set(event.kit, withEvent(kits.get(event.kit) ?? null, event))
  return [...kits.values()].filter((kit) => kit !== null)
}
