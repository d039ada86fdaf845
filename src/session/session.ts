import { createStore } from 'zustand/vanilla'
import type { KitState } from '@/core/log/fold'
import { nextMoment, type Moment } from '@/core/log/order'
import type { HumbraEvent } from '@/core/records/event'
import { practiceKey, SCHEMA_VERSION } from '@/core/records/plain'
import type { PracticeState } from '@/core/records/practice'
import type { Settings } from '@/core/records/settings'
import type { StoredTake, TakeStore } from '@/storage/takeStore'
import { actText, SETTING_WORDS } from '@/text/acts'
import { setShown } from '@/text/shown'
import type { SessionDeps, Stores } from './deps'
import { atRest, failedAtStart, opens } from './failures'
import { Following } from './following'
import { Keeper, type Trouble } from './keeper'
import { quietLine, type Line } from './line'
import { Opening } from './opening'
import { INITIAL_STATE, kitOf, type Notice, type SessionState } from './state'
import { asOne, did, redoable, undoable, type Act } from './undo'

type Made = 'id' | 'at' | 'nth' | 'schema' | 'kit' | 'device' | 'by'
type Distribute<T> = T extends unknown ? Omit<T, Made> : never
/** An event as an action makes it; the session adds id, moment, form, kit, device and person. */
export type Draft = Distribute<HumbraEvent> & { kit?: string }

/** A drum of one's own is read from the practice drum only where its owner said so for this sitting. */
function sourceFor(state: SessionState): SessionState['source'] {
  const kit = kitOf(state)
  const made = !kit || kit.simulated || state.practiceKit === kit.id
  return state.settings.source === 'practice' && !made ? 'ask' : state.settings.source
}

/** Clocks of devices that are set right differ by less. */
const CLOCK_OFF_MS = 2 * 60_000

/** How an act is taken back, where that is not by withdrawing its events. */
type UndoWays = Partial<Pick<Act, 'what' | 'removes' | 'settings'>> & { never?: boolean }

/**
 * The only mutable state: actions append events, which are folded into the state of their kit and go to the database. An act
 * is shown at once, as on its way; it counts as kept when its transaction is complete.
 */
export class Session {
  readonly store = createStore<SessionState>(() => INITIAL_STATE)
  /** The open microphone and what came in through it. */
  readonly line: Line = quietLine()
  /** What is to be done when the ear was started anew in the middle of listening. */
  onEarRestarted: () => void = () => undefined
  private given = 0
  private readonly clockSaid = new Set<string>()
  private readonly keeper: Keeper
  private readonly following: Following
  private readonly opening: Opening

  constructor(readonly deps: SessionDeps) {
    this.keeper = new Keeper(deps, () => this.following.storage, {
      onKept: (events, places) => this.following.placed(events, places),
      onChange: () => this.showKeeping(),
    })
    this.following = new Following(this, this.keeper)
    this.opening = new Opening(this, this.keeper, this.following)
  }

  readonly get = (): SessionState => this.store.getState()

  readonly subscribe = (listener: () => void): (() => void) => this.store.subscribe(listener)

  /** Replaces part of the state that is not in the log. */
  set(change: Partial<SessionState>): void {
    const state = { ...this.get(), ...change }
    if (change.settings) setShown(change.settings)
    this.store.setState({ ...state, source: sourceFor(state) }, true)
  }

  /** Reads what is kept, as far as the places need it; an empty log takes in the demo kit by `bringDemo`, or is left to the welcome. */
  async start(bringDemo: (session: Session) => Promise<unknown>): Promise<void> {
    this.tick()
    this.watchWorkers()
    const { deps, keeper, following } = this
    deps.onTrouble((trouble) => this.showTrouble(trouble))
    this.set({ failed: failedAtStart(deps.failures) })
    if (!(await this.opening.open())) {
      this.set({ phase: 'no-storage' })
      if (await deps.beginsWithDemo()) await bringDemo(this)
      return
    }
    if (!this.get().settings.device) this.keepSettings({ ...this.get().settings, device: deps.newId() })
    // Two tabs opened at once both bring the demo; its events have fixed ids, so the log takes them once.
    const { logs, unreadable, failed } = this.get()
    const isEmpty = logs.size === 0 && unreadable === 0 && failed.length === 0
    if (isEmpty && (await deps.beginsWithDemo())) await bringDemo(this)
    deps.onAnnounced(() => void keeper.inTurn(() => following.follow()))
    const kit = this.kit()
    if (kit) opens(deps.failures, kit)
    this.set({ phase: 'ready', acts: deps.sitting.read() })
    // Drawn, and nothing more to do: this kit does no harm.
    deps.whenIdle(() => deps.whenIdle(() => atRest(deps.failures)))
  }

  /** Reads the log although another tab holds it; nothing is kept until that lets go. */
  readAnyway(): void {
    this.opening.readAnyway()
  }

  private watchWorkers(): void {
    this.deps.onWorker((which, what) => {
      const { lostWorkers } = this.get()
      if (what === 'again' && which === 'ear') this.onEarRestarted()
      if (what === 'lost') this.set({ lostWorkers: new Set([...lostWorkers, which]) })
      if (what === 'answers' && lostWorkers.has(which))
        this.set({ lostWorkers: new Set([...lostWorkers].filter((each) => each !== which)) })
    })
  }

  /** The time that is shown: moved on by acts and by the minute, not by every block of sound. */
  tick(): void {
    this.set({ clockMs: this.deps.nowMs() })
  }

  /** Completes drafts and appends them as one act: shown at once, kept when the database has it. */
  append(drafts: readonly Draft[], kit = this.kit()?.id, undo: UndoWays = {}): HumbraEvent[] {
    const { device, person } = this.get().settings
    this.watchClock(kit)
    const newest = new Map<string, Moment | null>()
    const events = drafts.map((draft) => {
      const id = this.deps.newId()
      const own = (draft.kit ?? kit)!
      const moment = nextMoment(newest.get(own) ?? this.newest(own), this.deps.nowMs())
      newest.set(own, { ...moment, id })
      return {
        ...draft,
        ...{ kit: own, id, ...moment, schema: SCHEMA_VERSION },
        ...(device ? { device } : {}),
        ...(person ? { by: person } : {}),
      } as HumbraEvent
    })
    this.appendEvents(events, undo)
    return events
  }

  /** Appends finished events, as an import brings them. */
  appendEvents(events: readonly HumbraEvent[], undo: UndoWays = {}): void {
    if (events.length === 0) return
    const [first] = events
    if (!undo.never)
      this.remember({
        kit: first.kit,
        events: undo.removes ? [] : events.map(({ id, kit }) => ({ id, kit })),
        kinds: [...new Set(events.map(({ kind }) => kind))],
        ...(events.length === 1 && first.kind === 'rodsTurned' ? { turns: first.turns } : {}),
        what: undo.what ?? actText(events, this.get().logs.get(first.kit)?.kit ?? null),
        ...(undo.removes ? { removes: undo.removes } : {}),
        ...(undo.settings ? { settings: undo.settings } : {}),
      })
    this.following.take(events)
    this.keeper.keep({ events })
    this.showKeeping()
  }

  /** Says once a sitting that the clock stands behind what a kit's log holds: it went back, or another device's runs ahead. */
  watchClock(kit: string | undefined): void {
    const newest = kit === undefined ? null : this.newest(kit)
    const nowMs = this.deps.nowMs()
    if (!kit || !newest || this.clockSaid.has(kit) || Date.parse(newest.at) - nowMs < CLOCK_OFF_MS) return
    this.clockSaid.add(kit)
    const name = this.get().logs.get(kit)?.kit?.name ?? 'the kit'
    // What says it is needed where a clock is wrong.
    void import('@/text/clock').then(({ behindText }) =>
      this.notify(behindText(name, newest.at, nowMs), { tone: 'caution' }),
    )
  }

  /** The newest entry of a kit that is known here. */
  private newest(kit: string): Moment | null {
    const log = this.get().logs.get(kit)
    return log?.tail.at(-1) ?? log?.baseEnd ?? null
  }

  private remember(act: Omit<Act, 'at'>): void {
    const acts = did(this.get().acts, { ...act, at: this.deps.nowMs() })
    this.deps.sitting.write(acts)
    this.set({ acts })
  }

  /** What a task does is one act, for Undo. */
  together<Result>(what: string, task: () => Result): Result {
    const last = this.get().acts.done.at(-1)
    const result = task()
    const { done } = this.get().acts
    const from = last ? done.indexOf(last) + 1 : 0
    const merged = asOne(done.slice(from), what)
    if (merged) {
      const acts = { done: [...done.slice(0, from), merged], undone: [] }
      this.deps.sitting.write(acts)
      this.set({ acts })
    }
    return result
  }

  /** Sets where rods of the practice drum stand. */
  setPractice(states: readonly PracticeState[]): void {
    this.keeper.keep({ practice: states })
    const practice = new Map(this.get().practice)
    for (const state of states) practice.set(practiceKey(state), state)
    this.set({ practice })
  }

  private showKeeping(): void {
    const { pending, trouble } = this.keeper
    const aside = this.keeper.aside.map((each) => ({
      ...each,
      what: each.events.length
        ? actText(each.events, this.get().logs.get(each.events[0].kit)?.kit ?? null)
        : '',
    }))
    const onTheWay = this.keeper.onTheWay()
    this.set({
      onTheWay,
      unsaved: onTheWay.size || pending.length,
      aside,
      trouble: trouble ?? (this.get().trouble === 'blocked' ? 'blocked' : null),
    })
  }

  private showTrouble(trouble: Trouble | 'blocked' | 'emptied' | null): void {
    if (trouble === 'emptied') {
      this.following.emptied = true
      return
    }
    this.set({ trouble })
    // The database was lost and is there again, perhaps empty: what is pending goes into it.
    if (trouble === null) void this.keeper.write()
  }

  /** Resolves when everything appended so far is in the database or has failed. */
  async saved(): Promise<void> {
    await this.keeper.settled()
    await this.keeper.settled()
  }

  /** Something done here is kept nowhere yet: too large for the journal, it waits for the database. */
  get atRisk(): boolean {
    return this.keeper.atRisk
  }

  /** Resolves when what was done outlives the page; @returns false where it could not be kept. */
  async safe(): Promise<boolean> {
    if (this.atRisk) await this.saved()
    return !this.atRisk
  }

  /** Saves what is pending, again where it failed before. */
  retrySave(): Promise<void> {
    return this.keeper.write()
  }

  /** Asks the workers anew for what they owe. */
  askAgain(): void {
    this.set({ lostWorkers: new Set(), advice: null })
  }

  letGo(name: string): void {
    this.keeper.letGo(name)
  }

  /** The whole log of a kit as the database has it, with what is on its way. */
  wholeLog(kit: string): Promise<HumbraEvent[]> {
    return this.following.wholeLog(kit)
  }

  /** What of a kit's entries is new here, and the ids that another kit here has. */
  newHere(kit: string, events: readonly HumbraEvent[]): Promise<{ fresh: HumbraEvent[]; taken: string[] }> {
    return this.following.newHere(kit, events)
  }

  /** An event of late by its id; null where it is not known here. */
  event(id: string): HumbraEvent | null {
    for (const { tail } of this.get().logs.values()) {
      const found = tail.findLast((event) => event.id === id)
      if (found) return found
    }
    return null
  }

  /** What the browser keeps beside the log; null where it keeps nothing. */
  stores(): Pick<Stores, 'drills'> | null {
    return this.following.storage
  }

  /** The kept sounds; null where the browser keeps nothing. */
  takes(): TakeStore | null {
    return this.following.storage?.takes ?? null
  }

  /** Keeps sounds of readings; a full disk loses the sound, says so, and never the reading. */
  async keepTakes(takes: readonly StoredTake[]): Promise<void> {
    try {
      await this.following.storage?.takes.write(takes)
    } catch (error) {
      const full = error instanceof DOMException && error.name === 'QuotaExceededError'
      const why = full ? 'the disk is full' : 'the browser refused it'
      this.notify(`The sound of that tap could not be kept: ${why}. The reading is kept.`, {
        tone: 'caution',
      })
    }
  }

  /** Changes how a person works; choices (not places) can be undone. */
  setSettings(change: Partial<Settings>): void {
    const before = this.get().settings
    const settings = { ...before, ...change }
    const named = (Object.keys(change) as Array<keyof Settings>).filter(
      (key) => SETTING_WORDS[key] && !Object.is(before[key], change[key]),
    )
    if (named.length)
      this.remember({
        kit: null,
        events: [],
        kinds: [],
        what: named.map((key) => SETTING_WORDS[key]).join(', '),
        settings: Object.fromEntries(named.map((key) => [key, before[key]])),
      })
    this.keepSettings(settings)
  }

  private keepSettings(settings: Settings): void {
    this.keeper.keep({ settings })
    this.set({ settings })
  }

  /** The kit on screen: the chosen one, else the first. */
  kit(): KitState | null {
    return kitOf(this.get())
  }

  notify(
    text: string,
    options: Partial<Pick<Notice, 'tone' | 'undo' | 'by' | 'details' | 'stop'>> = {},
  ): void {
    this.set({ notice: { id: this.number(), text, tone: 'plain', undo: false, ...options } })
  }

  /** A number that was not given before: notices and taps are told apart by it. */
  number(): number {
    return ++this.given
  }

  /** Takes back the newest act of this sitting; @returns it, or null when there was none. */
  undo(): Act | null {
    const act = undoable(this.get().acts, this.deps.nowMs())
    if (act) this.turnBack(act, 'done')
    return act
  }

  /** Does again what was taken back last. */
  redo(): Act | null {
    const act = redoable(this.get().acts)
    if (act) this.turnBack(act, 'undone')
    return act
  }

  /** Withdraws what an act appended (or took back) and sets settings as they were; the way back joins the other list. */
  private turnBack(act: Act, from: 'done' | 'undone'): void {
    const byHand = { source: 'hand' as const, algorithm: null }
    const drafts: Draft[] = [...act.events]
      .reverse()
      .map(({ id, kit }): Draft => ({ kind: 'withdrawn', event: id, kit, ...byHand }))
    if (act.removes)
      drafts.push({ kind: 'kitEdited', change: { what: 'kitRemoved' }, kit: act.removes, ...byHand })
    const { settings } = this.get()
    const made = drafts.length ? this.append(drafts, undefined, { never: true }) : []
    const back: Act = {
      ...act,
      events: made.map(({ id, kit }) => ({ id, kit })),
      ...(act.settings
        ? {
            settings: Object.fromEntries(
              Object.keys(act.settings).map((key) => [key, settings[key as keyof Settings]]),
            ),
          }
        : {}),
    }
    delete back.removes
    const { done, undone } = this.get().acts
    const acts =
      from === 'done'
        ? { done: done.slice(0, -1), undone: [...undone, back] }
        : { done: [...done, back], undone: undone.slice(0, -1) }
    this.deps.sitting.write(acts)
    this.set({ acts })
    if (act.settings) this.keepSettings({ ...settings, ...act.settings })
  }
}
