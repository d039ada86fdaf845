import { kitsFromLog, redoable, undoable, type KitState } from '@/core/keeping/log'
import { DEFAULT_SETTINGS, settingsSchema, type Settings } from '@/core/keeping/settings'
import type { HumbraEvent } from '@/core/records/event'
import { SCHEMA_VERSION } from '@/core/records/kit'
import type { PracticeState } from '@/core/records/practice'
import type { StoredTake, TakeStore } from '@/storage/takeStore'
import type { JournalEntry, Unsaved } from '@/storage/journal'
import type { SessionDeps, Stores } from './deps'
import type { BenchUi, Notice, SessionState } from './state'

type Listener = () => void
type Distribute<T> = T extends unknown ? Omit<T, 'id' | 'at' | 'schema' | 'kit'> : never
/** An event as an action makes it; the session adds id, time, schema and kit. */
export type Draft = Distribute<HumbraEvent> & { kit?: string }

export const NO_BENCH: BenchUi = {
  lug: null,
  movedOn: false,
  lastTap: null,
  heard: [],
  ofHead: [],
  toneAsked: [],
  missed: null,
  refusedAt: null,
  looking: null,
  stayNearHz: null,
  busy: null,
  strike: 'lug',
  twoTaps: [],
  centreWhy: null,
  hung: undefined,
}
const SILENCE: SessionState['hearing'] = {
  state: 'off',
  trouble: null,
  level: 0,
  noise: 0,
  ringing: false,
  peaks: [],
  rateHz: 0,
  inputs: [],
}

export const INITIAL_STATE: SessionState = {
  phase: 'starting',
  log: [],
  kits: [],
  settings: DEFAULT_SETTINGS,
  source: DEFAULT_SETTINGS.source,
  practiceKit: null,
  practice: new Map(),
  unsaved: 0,
  saveFailed: false,
  unreadable: 0,
  bench: NO_BENCH,
  advice: null,
  hearing: SILENCE,
  notice: null,
  waitingImport: null,
  clockMs: 0,
}

export function practiceKey(state: Pick<PracticeState, 'kit' | 'drum' | 'side'>): string {
  return `${state.kit}/${state.drum}/${state.side}`
}

/** A drum of one's own is read from the practice drum only where its owner said so for this sitting. */
function sourceFor({ settings, kits, practiceKit }: SessionState): SessionState['source'] {
  const kit = kits.find(({ id }) => id === settings.kit) ?? kits[0]
  const made = !kit || kit.simulated || practiceKit === kit.id
  return settings.source === 'practice' && !made ? 'ask' : settings.source
}

const PLACES = 6

/**
 * The only mutable state: actions append events, the log goes to disk, everything shown is derived from it. Each act is in
 * the journal before the page can go away. What could not be saved stays here, is said, and is tried again with the next.
 */
export class Session {
  private state: SessionState = INITIAL_STATE
  private readonly listeners = new Set<Listener>()
  private storage: Stores | null = null
  private lastPlace = 0
  private pending: JournalEntry[] = []
  private acts = 0
  private saving: Promise<void> = Promise.resolve()
  private noticeCount = 0

  constructor(readonly deps: SessionDeps) {}

  readonly get = (): SessionState => this.state

  readonly subscribe = (listener: Listener): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** Replaces part of the state that is not in the log. */
  set(change: Partial<SessionState>): void {
    const state = { ...this.state, ...change, clockMs: this.deps.nowMs() }
    this.state = { ...state, source: sourceFor(state) }
    for (const listener of this.listeners) listener()
  }

  /** Reads everything kept; with an empty log the demo kit is brought in by `bringDemo`. */
  async start(bringDemo: (session: Session) => Promise<void>): Promise<void> {
    try {
      this.storage = await this.deps.openStorage()
    } catch {
      this.storage = null
    }
    if (!this.storage) {
      this.set({ phase: 'no-storage' })
      await bringDemo(this)
      return
    }
    // While nothing else writes: a page that is still saving must not be met halfway.
    await this.deps.exclusive(async () => {
      this.takeSettings(await this.storage?.settings.read())
      await this.follow()
      await this.adopt()
    })
    // Two tabs opened at once both bring the demo; its events have fixed ids, so the log takes them once.
    if (this.state.log.length === 0 && this.state.unreadable === 0) await bringDemo(this)
    this.deps.onAnnounced(() => void this.follow())
    this.set({ phase: 'ready' })
  }

  /** Takes in what other tabs appended. */
  private async follow(): Promise<void> {
    if (!this.storage) return
    const slice = await this.storage.log.readAfter(this.lastPlace)
    const practice = await this.storage.practice.readAll()
    this.lastPlace = slice.last
    const known = new Set(this.state.log.map((event) => event.id))
    const fresh = slice.events.filter((event) => !known.has(event.id))
    // What this tab has yet to write is newer than what it reads.
    const newest = [...practice, ...this.pending.flatMap((act) => act.practice)]
    this.set({ practice: new Map(newest.map((state) => [practiceKey(state), state])) })
    if (fresh.length || slice.unreadable) {
      this.withLog([...this.state.log, ...fresh], { unreadable: this.state.unreadable + slice.unreadable })
    }
  }

  /** Takes up what a page that went away too soon left in the journal. The caller holds the lock. */
  private async adopt(): Promise<void> {
    const left = this.deps.journal.readAll()
    if (left.length === 0) return
    const known = new Set(this.state.log.map((event) => event.id))
    const fresh = left.flatMap(({ events }) => events).filter(({ id }) => !known.has(id))
    const practice = new Map(this.state.practice)
    for (const state of left.flatMap((act) => act.practice)) practice.set(practiceKey(state), state)
    this.takeSettings(left.findLast((act) => act.settings)?.settings)
    this.pending.push(...left)
    this.withLog([...this.state.log, ...fresh], { practice, unsaved: this.unsavedEvents() })
    await this.write()
  }

  private takeSettings(kept: unknown): void {
    const settings = settingsSchema.safeParse(kept)
    if (settings.success) this.set({ settings: settings.data })
  }

  private withLog(log: HumbraEvent[], rest: Partial<SessionState> = {}): void {
    this.set({ log, kits: kitsFromLog(log), ...rest })
  }

  /** Completes drafts and appends them: shown at once, saved as soon as the disk answers. */
  append(drafts: readonly Draft[], kit = this.kit()?.id): HumbraEvent[] {
    const at = new Date(this.deps.nowMs()).toISOString()
    const events = drafts.map(
      (draft) =>
        ({
          ...draft,
          kit: draft.kit ?? kit,
          id: this.deps.newId(),
          at,
          schema: SCHEMA_VERSION,
        }) as HumbraEvent,
    )
    this.appendEvents(events)
    return events
  }

  /** Appends finished events, as an import brings them. */
  appendEvents(events: readonly HumbraEvent[]): void {
    const known = new Set(this.state.log.map((event) => event.id))
    const fresh = events.filter((event) => !known.has(event.id))
    this.keep({ events: fresh })
    this.withLog([...this.state.log, ...fresh], { unsaved: this.unsavedEvents() })
  }

  /** Sets where rods of the practice drum stand. */
  setPractice(states: readonly PracticeState[]): void {
    this.keep({ practice: states })
    const practice = new Map(this.state.practice)
    for (const state of states) practice.set(practiceKey(state), state)
    this.set({ practice })
  }

  /** Puts an act into the journal now, before it is shown, and on its way to the disk. */
  private keep(unsaved: Partial<Unsaved>): void {
    const { journal, nowMs, newId } = this.deps
    // Several acts fall into one millisecond, hence the count.
    const name = `${nowMs()}-${String(++this.acts).padStart(PLACES, '0')}-${newId()}`
    const act = { events: [], practice: [], settings: null, ...unsaved, name }
    this.pending.push(act)
    if (!this.storage) return
    journal.keep(act)
    void this.retrySave()
  }

  private unsavedEvents(): number {
    return this.pending.reduce((sum, { events }) => sum + events.length, 0)
  }

  /** Resolves when everything appended so far is on disk or has failed. */
  saved(): Promise<void> {
    return this.saving
  }

  /** Saves what is pending, again where it failed before. */
  retrySave(): Promise<void> {
    this.saving = this.saving
      .then(() => this.deps.exclusive(() => this.write()))
      .catch(() => this.set({ saveFailed: true }))
    return this.saving
  }

  /** Writes what is pending. The caller holds the lock. */
  private async write(): Promise<void> {
    const { storage, deps } = this
    const acts = [...this.pending]
    if (!storage || acts.length === 0) return
    const events = acts.flatMap((act) => act.events)
    const practice = acts.flatMap((act) => act.practice)
    const settings = acts.findLast((act) => act.settings)?.settings
    try {
      if (events.length) await storage.log.append(events)
      if (practice.length) await storage.practice.write(practice)
      if (settings) await storage.settings.write(settings)
      deps.journal.drop(acts.map(({ name }) => name))
      this.pending = this.pending.filter((act) => !acts.includes(act))
      this.set({ unsaved: this.unsavedEvents(), saveFailed: false })
      deps.announce()
    } catch {
      this.set({ saveFailed: true })
    }
  }

  /** The kept sounds; null where the browser keeps nothing. */
  takes(): TakeStore | null {
    return this.storage?.takes ?? null
  }

  /** Keeps sounds of readings; a full disk loses the sound, says so, and never the reading. */
  async keepTakes(takes: readonly StoredTake[]): Promise<void> {
    try {
      await this.storage?.takes.write(takes)
    } catch {
      this.notify('The sound of that tap could not be kept: the disk is full. The reading is kept.', {
        tone: 'caution',
      })
    }
  }

  setSettings(change: Partial<Settings>): void {
    const settings = { ...this.state.settings, ...change }
    this.keep({ settings })
    this.set({ settings })
  }

  /** The kit on screen: the chosen one, else the first. */
  kit(): KitState | null {
    const { kits, settings } = this.state
    return kits.find(({ id }) => id === settings.kit) ?? kits[0] ?? null
  }

  notify(text: string, options: Partial<Pick<Notice, 'tone' | 'undo'>> = {}): void {
    this.set({ notice: { id: ++this.noticeCount, text, tone: 'plain', undo: false, ...options } })
  }

  /** Withdraws the newest event of the kit that still holds; @returns it, or null when there was none. */
  undo(): HumbraEvent | null {
    const kit = this.kit()
    const event = kit && undoable(this.state.log, kit.id)
    // The kit itself is not undone away by one key too many: it is removed on purpose or not at all.
    if (!event || (event.kind === 'kitEdited' && event.change.what === 'kitMade')) return null
    this.append([{ kind: 'withdrawn', event: event.id, source: 'hand', algorithm: null }], event.kit)
    return event
  }

  redo(): boolean {
    const kit = this.kit()
    const event = kit && redoable(this.state.log, kit.id)
    if (!event) return false
    this.append([{ kind: 'withdrawn', event: event.id, source: 'hand', algorithm: null }], event.kit)
    return true
  }
}
