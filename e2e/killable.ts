import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, expect, test, type Browser, type Page } from '@playwright/test'

/** Of the first worker; the next ones have the next ones. */
const PORT = 9444

/** A Chromium with a profile on disk, which can be killed outright. */
export class Killable {
  private readonly port = PORT + test.info().parallelIndex
  readonly profile = mkdtempSync(join(tmpdir(), 'humbra-killed-'))
  private process: ChildProcess | null = null
  private browser: Browser | null = null

  async open(url: string): Promise<Page> {
    this.process = spawn(
      '/usr/bin/chromium',
      [
        ...['--headless=new', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-sync'],
        ...['--disable-background-networking', '--disable-component-update', '--window-size=1280,800'],
        ...[`--user-data-dir=${this.profile}`, `--remote-debugging-port=${this.port}`, 'about:blank'],
      ],
      { stdio: 'ignore', detached: true },
    )
    await expect
      .poll(
        () =>
          fetch(`http://127.0.0.1:${this.port}/json/version`).then(
            (r) => r.ok,
            () => false,
          ),
        { timeout: 20_000, intervals: [50] },
      )
      .toBe(true)
    this.browser = await chromium.connectOverCDP(`http://127.0.0.1:${this.port}`)
    const [context] = this.browser.contexts()
    // Keeping the whole app on the device has tests of its own, and costs more than all of this one.
    await context.addInitScript(() => (navigator.serviceWorker.register = () => new Promise(() => undefined)))
    const page = await context.newPage()
    await page.goto(url)
    return page
  }

  /** All of its processes, at once, without a word. */
  async kill(): Promise<void> {
    process.kill(-this.process!.pid!, 'SIGKILL')
    await new Promise((resolve) => this.process!.once('exit', resolve))
    await this.browser?.close().catch(() => undefined)
  }
}

/** All records of a store of the page's database. */
export function records<Kept>(page: Page, store: string): Promise<Kept[]> {
  return page.evaluate(async (name) => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const open = indexedDB.open('humbra')
      open.onsuccess = () => resolve(open.result)
      open.onerror = () => reject(open.error)
    })
    const all = await new Promise<never[]>((resolve) => {
      const get = db.transaction(name).objectStore(name).getAll()
      get.onsuccess = () => resolve(get.result as never[])
    })
    db.close()
    return all
  }, store)
}

interface StoredEvent {
  event: { id: string; kind: string; source: string; change?: { what: string } }
}

/** How many events of each kind the database holds, and what it is that a user sees of them. */
export async function stored(page: Page): Promise<Record<string, number>> {
  await expect(page.locator('[data-on-the-way="0"]').first()).toBeAttached()
  const counts: Record<string, number> = {}
  for (const { event } of await records<StoredEvent>(page, 'events')) {
    const kind = event.change?.what ?? event.kind
    counts[kind] = (counts[kind] ?? 0) + 1
  }
  return counts
}

/** How often the practice drum's rods were turned by the log (what files brought not counted), and where they stand by their own records. */
export async function practised(page: Page): Promise<{ turns: number; rods: string }> {
  const events = await records<StoredEvent>(page, 'events')
  const states = await records<{ kit: string; drum: string; side: string; rods: number[] }>(page, 'practice')
  return {
    turns: events.filter(
      ({ event: { kind, id, source } }) =>
        kind === 'rodsTurned' && source === 'practice' && !id.startsWith('demo-'),
    ).length,
    rods: JSON.stringify(states.map(({ kit, drum, side, rods }) => [kit, drum, side, rods])),
  }
}

/** Waits until what was just done is shown as kept; @returns false where the browser was killed before. */
export const shownAsKept = (page: Page) =>
  page
    .locator('[data-on-the-way="0"]')
    .first()
    .waitFor({ state: 'attached', timeout: 10_000 })
    .then(
      () => true,
      () => false,
    )
