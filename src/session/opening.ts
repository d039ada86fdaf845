import { practiceKey } from '@/core/records/plain'
import type { Settings } from '@/core/records/settings'
import type { Stores } from './deps'
import type { Following } from './following'
import type { Keeper } from './keeper'
import type { Session } from './session'

/** So long another tab may hold the log before that is said. */
const HELD_MS = 5000

/** How a page comes to what is kept: it is read, also past a tab that hangs, and what was left behind is taken up. */
export class Opening {
  /** Reads the log although another tab holds it; nothing is kept until that lets go. */
  readAnyway: () => void = () => undefined

  constructor(
    private readonly session: Session,
    private readonly keeper: Keeper,
    private readonly following: Following,
  ) {}

  /** @returns false where the browser keeps nothing */
  async open(): Promise<boolean> {
    const storage = await this.session.deps.openStorage().catch(() => null)
    this.following.storage = storage
    if (!storage) return false
    await this.read(storage)
    await this.adopt()
    return true
  }

  /**
   * Reads what is kept while nothing else writes: a page that is still saving must not be met halfway. One that hangs would hold up
   * everybody: after a while that is said, and reading goes on without the lock where its user wants it.
   */
  private async read(storage: Stores): Promise<void> {
    let begun: Promise<void> | null = null
    const read = async () => {
      const before = this.session.get().settings
      this.takeSettings(await storage.settings.read(), before)
      await this.following.open(storage)
    }
    const readOnce = () => (begun ??= read())
    const patience = setTimeout(() => !begun && this.session.set({ held: 'unread' }), HELD_MS)
    const anyway = new Promise<void>((resolve, reject) => {
      this.readAnyway = () => void readOnce().then(resolve, reject)
    })
    const locked = this.session.deps.exclusive(async () => {
      this.session.set({ held: null })
      await readOnce()
    })
    await Promise.race([locked, anyway])
    clearTimeout(patience)
    if (this.session.get().held) this.session.set({ held: 'unkept' })
  }

  /** Takes up what a page that went away too soon left in the journal. */
  private async adopt(): Promise<void> {
    const before = this.session.get()
    const found = await this.session.deps.journal.readAll()
    const left = await Promise.all(found.acts.map((act) => this.following.withoutOld(act)))
    if (left.length === 0 && found.damaged.length === 0) return
    const { practice: now } = this.session.get()
    const practice = new Map(now)
    // What was done here while it was read is newer than what was left.
    for (const state of left.flatMap((act) => act.practice)) {
      const key = practiceKey(state)
      if (now.get(key) === before.practice.get(key)) practice.set(key, state)
    }
    this.takeSettings(left.findLast((act) => act.settings)?.settings, before.settings)
    this.session.set({ practice })
    this.following.take(left.flatMap(({ events }) => events))
    const written = this.keeper
      .adopt({ acts: left, damaged: found.damaged })
      .then(() => this.keeper.settled())
    // While another tab holds the log they wait, and are shown all the same.
    if (!this.session.get().held) await written
  }

  /** @param before as they were when these were asked for: what was changed since is newer */
  private takeSettings(settings: Settings | null | undefined, before: Settings): void {
    if (settings && this.session.get().settings === before) this.session.set({ settings })
  }
}
