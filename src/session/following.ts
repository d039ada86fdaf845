import { lugsThen } from '@/core/status/strokes'
import { newKitLog, withEvents, type KitLog, type Placed } from '@/core/log/kitLog'
import { restated } from '@/core/log/restate'
import { summaryOf } from '@/core/log/summary'
import type { HumbraEvent } from '@/core/records/event'
import type { PracticeState } from '@/core/records/practice'
import { believeFirst } from './believe'
import type { SessionDeps, Stores } from './deps'
import type { Keeper } from './keeper'
import { openKitLog, wholeKitLog } from './openKit'
import type { Notice, SessionState } from './state'

export function practiceKey(state: Pick<PracticeState, 'kit' | 'drum' | 'side'>): string {
  return `${state.kit}/${state.drum}/${state.side}`
}

interface Host {
  readonly deps: SessionDeps
  get(): SessionState
  set(change: Partial<SessionState>): void
  notify(text: string, options?: Partial<Pick<Notice, 'tone'>>): void
}

/** What the page knows of the log, and what the database has: folded into kits, followed across tabs, rescued where it was lost. */
export class Following {
  storage: Stores | null = null
  /** The database was lost and is there again, empty. */
  emptied = false
  private followed = 0
  private readonly stale = new Set<string>()

  constructor(
    private readonly host: Host,
    private readonly keeper: Keeper,
  ) {}

  async open(storage: Stores): Promise<void> {
    const logs = new Map<string, KitLog>()
    let unreadable = 0
    for (const kit of await storage.log.kits()) {
      const opened = await openKitLog(storage, kit)
      logs.set(kit, opened.log)
      if (opened.anew && opened.log.basePlace > 0) this.keepSummary(opened.log, true)
      unreadable += opened.unreadable
      this.followed = Math.max(this.followed, opened.last)
    }
    const practice = await storage.practice.readAll()
    this.host.set({ practice: new Map(practice.map((state) => [practiceKey(state), state])), unreadable })
    const kits = [...logs.values()].flatMap(({ kit }) => (kit ? [kit] : []))
    const rest = await believeFirst(this.host.deps, kits, this.host.get().settings)
    this.withLogs(logs)
    this.host.deps.whenIdle(() => void rest())
    const waiting = this.keeper.pending.flatMap(({ events }) => events)
    this.take(waiting.map((event) => ({ event, place: Infinity })))
    await this.follow()
  }

  /** Takes in what the database has beyond what is known here. */
  async follow(): Promise<void> {
    const { storage } = this
    if (!storage) return
    const slice = await storage.log.readAfter(this.followed)
    this.followed = Math.max(this.followed, slice.last)
    if (slice.entries.length) this.take(slice.entries)
    await this.refold()
    // What this tab has yet to write is newer than what it reads.
    const practice = [
      ...(await storage.practice.readAll()),
      ...this.keeper.pending.flatMap((act) => act.practice),
    ]
    this.host.set({
      practice: new Map(practice.map((state) => [practiceKey(state), state])),
      unreadable: this.host.get().unreadable + slice.unreadable,
    })
  }

  /** Folds events into the state of their kits; what reaches too far back is folded anew once it is in the database. */
  take(entries: readonly Placed[]): void {
    const logs = new Map(this.host.get().logs)
    for (const [kit, own] of byKit(entries)) {
      const before = logs.get(kit) ?? newKitLog(kit)
      const after = withEvents(before, own)
      if (after === null) this.stale.add(kit)
      else logs.set(kit, after)
      if (after && after.basePlace > before.basePlace) this.keepSummary(after)
    }
    this.withLogs(logs)
  }

  /** Reads kits anew whose past was changed. */
  private async refold(): Promise<void> {
    const { storage } = this
    for (const kit of storage ? this.stale : []) {
      const { log, last } = await wholeKitLog(storage!, kit)
      // What was done meanwhile is not in what was read.
      const since = (this.host.get().logs.get(kit)?.tail ?? []).filter(({ place }) => place > last)
      const whole = withEvents(log, since)
      if (whole === null) continue
      this.stale.delete(kit)
      this.withLogs(new Map(this.host.get().logs).set(kit, whole))
      this.keepSummary(whole, true)
    }
  }

  /** Puts what is still known here into a database that was lost while the page was open. The caller holds the lock. */
  private async rescue(): Promise<void> {
    const { storage } = this
    const { deps } = this.host
    if (!this.emptied || !storage) return
    this.emptied = false
    const { logs, practice, settings } = this.host.get()
    const told = [...logs.values()].flatMap(({ base, tail }) => [
      ...(base ? restated(base, deps.newId) : []),
      ...tail.map(({ event }) => event),
    ])
    // Another tab may have been quicker; what it has not is told behind it.
    const there = await storage.log.placesOf(told.map(({ id }) => id))
    const mine = [...logs.values()].some(({ base }) => base !== null)
    if (!mine && (await storage.log.kits()).length > 1) {
      await storage.log.append(told.filter(({ id }) => !there.has(id)))
    } else await storage.log.restart(told)
    await storage.practice.write([...practice.values()])
    await storage.settings.write(settings)
    this.followed = 0
    await this.open(storage)
    this.host.notify(
      'The browser lost this page’s database. What was open here is kept in a new one; older sittings are only in kit files that you exported.',
      { tone: 'caution' },
    )
  }

  private keepSummary(log: KitLog, anew = false): void {
    this.host.deps.whenIdle(() => {
      void this.storage?.summaries.write(summaryOf(log, lugsThen), anew).catch(() => undefined)
    })
  }

  private withLogs(logs: ReadonlyMap<string, KitLog>): void {
    const kits = [...logs.values()].flatMap(({ kit }) => (kit ? [kit] : []))
    const same =
      kits.length === this.host.get().kits.length && kits.every((kit, i) => kit === this.host.get().kits[i])
    this.host.set({ logs, ...(same ? {} : { kits }), clockMs: this.host.deps.nowMs() })
  }

  async placed(events: readonly HumbraEvent[], places: readonly number[]): Promise<void> {
    if (this.emptied) return this.rescue()
    if (events.length === 0) return
    this.take(events.map((event, i) => ({ event, place: places[i] })))
    const last = Math.max(...places)
    // Anything in between came from another tab.
    if (last === this.followed + events.length && this.stale.size === 0) this.followed = last
    else void this.keeper.inTurn(() => this.follow())
  }

  /** The whole log of a kit as the database has it, with what is on its way. */
  async wholeLog(kit: string): Promise<HumbraEvent[]> {
    const here = this.host.get().logs.get(kit)?.tail ?? []
    const { storage } = this
    if (!storage) return here.map(({ event }) => event)
    const events: HumbraEvent[] = []
    const PIECE = 2000
    for (let after = 0; ;) {
      const slice = await storage.log.readKit(kit, after, PIECE)
      events.push(...slice.entries.map(({ event }) => event))
      if (slice.last === after) break
      after = slice.last
    }
    const known = new Set(events.map(({ id }) => id))
    return [...events, ...here.map(({ event }) => event).filter(({ id }) => !known.has(id))]
  }

  /** Those of the events that the log does not have. */
  async unknownOf(events: readonly HumbraEvent[]): Promise<HumbraEvent[]> {
    const here = new Set(
      [...this.host.get().logs.values()].flatMap(({ tail }) => tail.map(({ event }) => event.id)),
    )
    const kept = await this.storage?.log.placesOf(events.map(({ id }) => id))
    return events.filter(({ id }) => !here.has(id) && !kept?.has(id))
  }
}

function byKit(entries: readonly Placed[]): Map<string, Placed[]> {
  const kits = new Map<string, Placed[]>()
  for (const entry of entries) {
    const own = kits.get(entry.event.kit)
    if (own) own.push(entry)
    else kits.set(entry.event.kit, [entry])
  }
  return kits
}
