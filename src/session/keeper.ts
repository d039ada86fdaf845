import type { HumbraEvent } from '@/core/records/event'
import type { JournalEntry, Unsaved } from '@/storage/journal'
import type { SessionDeps, Stores } from './deps'

/** Why an act is not in the database: the disk, or the database itself. */
export type Trouble = 'full' | 'closed' | 'newer'

/** An act that the database refuses for good, or that cannot be read; it stays in the journal until its user lets it go. */
export interface SetAside {
  name: string
  /** None where it cannot be read. */
  events: readonly HumbraEvent[]
  why: string
  /** In words, where the session has said them. */
  what?: string
}

interface Pending extends JournalEntry {
  /** Acts of one tick are one transaction. */
  tick: number
  /** A page that is left now would leave it behind. */
  inJournal: boolean
}

interface Hooks {
  /** These events are in the database, at these places. */
  onKept(events: readonly HumbraEvent[], places: readonly number[]): Promise<void>
  onChange(): void
}

const PLACES = 6
const UNREADABLE = 'it is damaged, or was written by a newer Humbra'
/** Names of errors for which no second try helps: the act itself is at fault. */
const REFUSED = new Set(['RepeatedId', 'ConstraintError', 'DataError', 'DataCloneError', 'TypeError'])

/**
 * Brings acts into the database, each in a transaction of its own, in order. Until that is complete an act stands in the
 * journal, where a reload finds it.
 */
export class Keeper {
  pending: readonly Pending[] = []
  aside: readonly SetAside[] = []
  trouble: Trouble | null = null
  private count = 0
  private tick = 0
  private queue: Promise<void> = Promise.resolve()

  constructor(
    private readonly deps: SessionDeps,
    private readonly stores: () => Stores | null,
    private readonly hooks: Hooks,
  ) {}

  /** Puts an act into the journal now, before it is shown, and on its way to the database. */
  keep(unsaved: Partial<Unsaved>): void {
    const { journal, nowMs, newId } = this.deps
    // Several acts fall into one millisecond, hence the count.
    const name = `${nowMs()}-${String(++this.count).padStart(PLACES, '0')}-${newId()}`
    const act = { events: [], practice: [], settings: null, ...unsaved, name }
    // What one act changes is kept together or not at all.
    const tick = this.tick
    queueMicrotask(() => (this.tick = Math.max(this.tick, tick + 1)))
    const stores = this.stores()
    const inJournal = stores !== null && journal.keep(act)
    this.pending = [...this.pending, { ...act, tick, inJournal }]
    if (stores) void this.write()
  }

  /** Takes up what a page that went away too soon left behind. */
  async adopt({ acts, damaged }: Awaited<ReturnType<SessionDeps['journal']['readAll']>>): Promise<void> {
    const left = damaged.map((name) => ({ name, events: [], why: UNREADABLE }))
    this.aside = [...this.aside, ...left]
    // Ticks of their own, before all that this page does.
    this.pending = [
      ...acts.map((act, i) => ({ ...act, tick: i - acts.length, inJournal: true })),
      ...this.pending,
    ]
    await this.write()
  }

  /** Ids of events that are not in the database yet. */
  onTheWay(): ReadonlySet<string> {
    return new Set(this.pending.flatMap(({ events }) => events.map(({ id }) => id)))
  }

  /** Some act is neither in the database nor in the journal: it would be lost with the page. */
  get atRisk(): boolean {
    return this.stores() !== null && this.pending.some(({ inJournal }) => !inJournal)
  }

  /** Resolves when everything so far is in the database or was refused. */
  settled(): Promise<void> {
    return this.queue
  }

  /** Writes what is pending, again where it failed before. */
  write(): Promise<void> {
    return this.inTurn(() => this.deps.exclusive(() => this.writeAll()))
  }

  /** Runs a task after all that is under way. */
  inTurn(task: () => Promise<void>): Promise<void> {
    this.queue = this.queue.then(task).catch(() => {
      this.trouble = 'closed'
      this.hooks.onChange()
    })
    return this.queue
  }

  /** An act that was set aside is given up. */
  letGo(name: string): void {
    this.deps.journal.drop([name])
    this.aside = this.aside.filter((act) => act.name !== name)
    this.hooks.onChange()
  }

  private async writeAll(): Promise<void> {
    // What follows an act that did not fit belongs behind it, within one kit.
    const waiting = new Set<string>()
    let trouble: Trouble | null = null
    const groups = byTick(this.pending)
    for (let acts = groups.shift(); acts; acts = groups.shift()) {
      const kits = new Set(acts.flatMap(({ events }) => events.map(({ kit }) => kit)))
      if ([...kits].some((kit) => waiting.has(kit))) continue
      const failed = await this.tryWriting(acts)
      if (failed === null) this.done(acts)
      // What cannot be kept together is kept apart, as far as it can.
      else if ((failed === 'refused' || failed === 'full') && acts.length > 1)
        groups.unshift(...acts.map((act) => [act]))
      else if (failed === 'refused') this.done(acts)
      else {
        trouble = failed
        if (failed !== 'full') break
        kits.forEach((kit) => waiting.add(kit))
      }
    }
    this.trouble = trouble
    this.hooks.onChange()
  }

  private done(acts: readonly Pending[]): void {
    this.pending = this.pending.filter((each) => !acts.includes(each))
    this.hooks.onChange()
  }

  private async tryWriting(acts: readonly Pending[], again = false): Promise<Trouble | 'refused' | null> {
    const stores = this.stores()
    if (!stores) return null
    const events = acts.flatMap((act) => act.events)
    const practice = acts.flatMap((act) => act.practice)
    const settings = acts.findLast((act) => act.settings)?.settings ?? null
    try {
      const places = await stores.log.append(events, { act: acts.at(-1)!.name, practice, settings })
      await this.hooks.onKept(events, places)
      this.deps.journal.drop(acts.map(({ name }) => name))
      if (events.length || practice.length) this.deps.announce()
      return null
    } catch (error) {
      const name = error instanceof Error || error instanceof DOMException ? error.name : ''
      if (name === 'QuotaExceededError') return 'full'
      if (REFUSED.has(name)) {
        const said = error instanceof Error ? error.message : String(error)
        const why = name === 'ConstraintError' ? 'one of the same number is kept there already' : said
        if (acts.length === 1) this.aside = [...this.aside, { name: acts[0].name, events, why }]
        return 'refused'
      }
      // The connection was lost, or the database was deleted: it is opened anew with the next request.
      return again ? this.deps.closedBecause() : this.tryWriting(acts, true)
    }
  }
}

function byTick(pending: readonly Pending[]): Pending[][] {
  const groups: Pending[][] = []
  for (const act of pending) {
    const last = groups.at(-1)
    if (last && last[0].tick === act.tick) last.push(act)
    else groups.push([act])
  }
  return groups
}
