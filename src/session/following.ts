import { lugsThen } from '@/core/status/strokes'
import { newKitLog, withEvents, type KitLog } from '@/core/log/kitLog'
import { byMoment, inOrder, nameIn } from '@/core/log/order'
import { restated } from '@/core/log/restate'
import { summaryOf } from '@/core/log/summary'
import type { HumbraEvent } from '@/core/records/event'
import { practiceKey } from '@/core/records/plain'
import { besideKeys } from '@/storage/eventLog'
import type { JournalEntry } from '@/storage/journal'
import { believeFirst } from './believe'
import type { SessionDeps, Stores } from './deps'
import { couldNotShow } from './failures'
import type { Keeper } from './keeper'
import { openKitLog, piecesOf, wholeKitLog, type Opened } from './openKit'
import type { Notice, SessionState } from './state'

interface Host {
  readonly deps: SessionDeps
  get(): SessionState
  set(change: Partial<SessionState>): void
  notify(text: string, options?: Partial<Pick<Notice, 'tone'>>): void
}

/** So many kits are read at a time: the next do not wait for the database while these are folded. */
const AT_ONCE = 16

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
    this.followed = await storage.log.lastPlace()
    const there = (await storage.log.kits()).filter((kit) => !this.isLeftOut(kit))
    for (let i = 0; i < there.length; i += AT_ONCE)
      for (const opened of await Promise.all(
        there.slice(i, i + AT_ONCE).map((kit) => this.openKit(storage, kit)),
      )) {
        if (!opened) continue
        logs.set(opened.log.id, opened.log)
        if (opened.anew) this.keepSummary(opened.log.id, true)
        unreadable += opened.unreadable
      }
    const practice = await storage.practice.readAll()
    this.host.set({ practice: new Map(practice.map((state) => [practiceKey(state), state])), unreadable })
    const kits = [...logs.values()].flatMap(({ kit }) => (kit ? [kit] : []))
    const rest = await believeFirst(this.host.deps, kits, this.host.get().settings)
    this.withLogs(logs)
    this.host.deps.whenIdle(() => void rest())
    this.take(this.keeper.pending.flatMap(({ events }) => events))
    await this.follow()
  }

  private async openKit(storage: Stores, kit: string): Promise<Opened | null> {
    try {
      return await openKitLog(storage, kit)
    } catch (error) {
      await this.leaveOut(kit, error)
      return null
    }
  }

  private isLeftOut(kit: string): boolean {
    return this.host.get().failed.some((each) => each.kit === kit)
  }

  /** A kit that cannot be folded: the others open without it. An error of the database itself is none of the kit's. */
  private async leaveOut(kit: string, error: unknown): Promise<void> {
    if (error instanceof DOMException) throw error
    const name = nameIn(await this.wholeLog(kit))
    const { failures } = this.host.deps
    const why = error instanceof Error ? error.message : String(error)
    couldNotShow(failures, { id: kit, name }, why)
    this.host.set({ failed: failures.read().failed })
  }

  /** An act that was left behind, without what a later one has replaced in the database since. */
  async withoutOld(act: JournalEntry): Promise<JournalEntry> {
    const newer = (await this.storage?.log.newerThan(act.name, besideKeys(act))) ?? new Set()
    if (newer.size === 0) return act
    const practice = act.practice.filter((state) => !newer.has(practiceKey(state)))
    return { ...act, practice, settings: newer.has('settings') ? null : act.settings }
  }

  /** Takes in what the database has beyond what is known here. */
  async follow(): Promise<void> {
    const { storage } = this
    if (!storage) return
    const slice = await storage.log.readAfter(this.followed)
    this.followed = Math.max(this.followed, slice.last)
    if (slice.events.length) this.take(slice.events)
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
  take(events: readonly HumbraEvent[]): void {
    const logs = new Map(this.host.get().logs)
    for (const [kit, own] of byKit(events)) {
      if (this.isLeftOut(kit)) continue
      const before = logs.get(kit) ?? newKitLog(kit)
      const after = withEvents(before, own, this.storage !== null)
      if (after === null) this.stale.add(kit)
      else logs.set(kit, after)
      if (after && after.baseCount > before.baseCount) this.keepSummary(kit)
    }
    this.withLogs(logs)
  }

  /** Reads kits anew whose past was changed. */
  private async refold(): Promise<void> {
    const { storage } = this
    for (const kit of storage ? this.stale : []) {
      const onTheWay = this.keeper.onTheWay()
      const { log } = await wholeKitLog(storage!, kit)
      // What was done meanwhile, or is on its way, is not in what was read.
      const since = (this.host.get().logs.get(kit)?.tail ?? []).filter(
        (event) => onTheWay.has(event.id) || !log.baseEnd || byMoment(event, log.baseEnd) > 0,
      )
      const whole = withEvents(log, since)
      if (whole === null) continue
      this.stale.delete(kit)
      this.withLogs(new Map(this.host.get().logs).set(kit, whole))
      this.keepSummary(kit, true)
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
      ...tail,
    ])
    // Another tab may have been quicker; what it has not is told behind it.
    const there = await storage.log.placesOf(told.map(({ id }) => id))
    const mine = [...logs.values()].some(({ base }) => base !== null)
    if (!mine && (await storage.log.kits()).length > 1) {
      await storage.log.append(told.filter(({ id }) => !there.has(id)))
    } else await storage.log.restart(told)
    await storage.log.append([], { act: '', practice: [...practice.values()], settings })
    this.followed = 0
    await this.open(storage)
    this.host.notify(
      'The browser lost this page’s database. What was open here is kept in a new one; older sittings are only in kit files that you exported.',
      { tone: 'caution' },
    )
  }

  /** Keeps a kit's summary once all that it holds is in the database. */
  private keepSummary(kit: string, anew = false): void {
    this.host.deps.whenIdle(() => {
      const log = this.host.get().logs.get(kit)
      if (!log || this.stale.has(kit) || this.keeper.pending.length > 0) return
      const summary = summaryOf(log, this.followed, lugsThen)
      if (summary) void this.storage?.summaries.write(summary, anew).catch(() => undefined)
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
    const last = Math.max(...places)
    // Anything in between came from another tab.
    if (last === this.followed + events.length && this.stale.size === 0) this.followed = last
    else void this.keeper.inTurn(() => this.follow())
  }

  /** The whole log of a kit as the database has it, with what is on its way. */
  async wholeLog(kit: string): Promise<HumbraEvent[]> {
    const here = this.host.get().logs.get(kit)?.tail ?? []
    if (!this.storage) return [...here]
    const events: HumbraEvent[] = []
    for await (const slice of piecesOf(this.storage, kit)) events.push(...slice.events)
    const known = new Set(events.map(({ id }) => id))
    return [...inOrder([...events, ...here.filter(({ id }) => !known.has(id))])]
  }

  /**
   * What of a kit's entries that come in is new here, and the ids that another kit here has: taken one by one, those would be lost.
   */
  async newHere(
    kit: string,
    events: readonly HumbraEvent[],
  ): Promise<{ fresh: HumbraEvent[]; taken: string[] }> {
    const here = new Map(
      [...this.host.get().logs.values()].flatMap(({ id, tail }) =>
        tail.map((event) => [event.id, id] as const),
      ),
    )
    const ids = events.map(({ id }) => id)
    const places = (await this.storage?.log.placesOf(ids)) ?? new Map<string, number>()
    const own = (await this.storage?.log.placesOfKit(kit)) ?? new Set<number>()
    const isTaken = (id: string) => {
      const place = places.get(id)
      return place === undefined ? here.has(id) && here.get(id) !== kit : !own.has(place)
    }
    return {
      fresh: events.filter(({ id }) => !here.has(id) && !places.has(id)),
      taken: ids.filter(isTaken),
    }
  }
}

function byKit(events: readonly HumbraEvent[]): Map<string, HumbraEvent[]> {
  const kits = new Map<string, HumbraEvent[]>()
  for (const event of events) {
    const own = kits.get(event.kit)
    if (own) own.push(event)
    else kits.set(event.kit, [event])
  }
  return kits
}
