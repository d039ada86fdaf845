import type { HumbraEvent } from '@/core/records/event'
import type { JournalEntry, Unsaved } from '@/storage/journal'
import type { SessionDeps, Stores } from './deps'

/** Why an act is not in the database: the disk, or the database itself. */
export type Trouble = 'full' | 'closed' | 'newer'

/** An act that the database refuses for good; it stays in the journal until its user lets it go. */
export interface SetAside {
  name: string
  events: readonly HumbraEvent[]
  why: string
}

interface Hooks {
  /** These events are in the database, at these places. */
  onKept(events: readonly HumbraEvent[], places: readonly number[]): Promise<void>
  onChange(): void
}

const PLACES = 6
/** Names of errors for which no second try helps: the act itself is at fault. */
const REFUSED = new Set(['RepeatedId', 'ConstraintError', 'DataError', 'DataCloneError', 'TypeError'])

/**
 * Brings acts into the database, each in a transaction of its own, in order. Until that is complete an act stands in the
 * journal, where a reload finds it.
 */
export class Keeper {
  pending: readonly JournalEntry[] = []
  aside: readonly SetAside[] = []
  trouble: Trouble | null = null
  private count = 0
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
    this.pending = [...this.pending, act]
    if (!this.stores()) return
    journal.keep(act)
    void this.write()
  }

  /** Takes up what a page that went away too soon left behind. */
  adopt(acts: readonly JournalEntry[]): Promise<void> {
    this.pending = [...acts, ...this.pending]
    return this.write()
  }

  /** Ids of events that are not in the database yet. */
  onTheWay(): ReadonlySet<string> {
    return new Set(this.pending.flatMap(({ events }) => events.map(({ id }) => id)))
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
    for (const act of this.pending) {
      const kits = new Set(act.events.map(({ kit }) => kit))
      if ([...kits].some((kit) => waiting.has(kit))) continue
      const failed = await this.writeOne(act)
      if (failed === null) this.done(act)
      else if (failed === 'refused') this.done(act)
      else {
        trouble = failed
        if (failed !== 'full') break
        kits.forEach((kit) => waiting.add(kit))
      }
    }
    this.trouble = trouble
    this.hooks.onChange()
  }

  private done(act: JournalEntry): void {
    this.pending = this.pending.filter((each) => each !== act)
    this.hooks.onChange()
  }

  private async writeOne(act: JournalEntry, again = false): Promise<Trouble | 'refused' | null> {
    const stores = this.stores()
    if (!stores) return null
    try {
      const places = act.events.length ? await stores.log.append(act.events) : []
      if (act.practice.length) await stores.practice.write(act.practice)
      if (act.settings) await stores.settings.write(act.settings)
      await this.hooks.onKept(act.events, places)
      this.deps.journal.drop([act.name])
      if (act.events.length || act.practice.length) this.deps.announce()
      return null
    } catch (error) {
      const name = error instanceof Error || error instanceof DOMException ? error.name : ''
      if (name === 'QuotaExceededError') return 'full'
      if (REFUSED.has(name)) {
        const said = error instanceof Error ? error.message : String(error)
        const why = name === 'ConstraintError' ? 'one of the same number is kept there already' : said
        this.aside = [...this.aside, { name: act.name, events: act.events, why }]
        return 'refused'
      }
      // The connection was lost, or the database was deleted: it is opened anew with the next request.
      return again ? this.deps.closedBecause() : this.writeOne(act, true)
    }
  }
}
