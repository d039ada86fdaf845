import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { chromium, type Browser, type Page } from '@playwright/test'
import type { HumbraEvent } from '@/core/records/event'
import type { KitFile } from '@/core/records/kitFile'
import { median, printTable } from './stats'

/**
 * The app itself with a short and a long log, side by side in one run: what an act and the opening of each place cost. The log is
 * the demo kit's own eight weeks, over and over, each time eight weeks earlier.
 */
const PORT = 3298
const URL = `http://localhost:${PORT}`
const SHORT = 1000
const LONG = 100_000
const AIM_RATIO = 1.5
const AIM_MB = 120
const TIMES = 5
/** Fewer than the first drum has lugs: all of them find the field. */
const ACTS = 7
const PLACES = ['/', '/bench', '/spacing', '/sheets'] as const
const WEEKS_MS = 57 * 86_400_000

function logOf(events: number): HumbraEvent[] {
  const file = JSON.parse(readFileSync('public/demo/lounge.humbra.json', 'utf8')) as KitFile
  const made = file.events.filter(({ kind }) => kind === 'kitEdited')
  const rest = file.events.filter(({ kind }) => kind !== 'kitEdited')
  const newest = Date.parse(file.events.at(-1)!.at)
  const shift = Date.now() - 86_400_000 - newest
  const rounds = Math.ceil((events - made.length) / rest.length)
  const all = Array.from({ length: rounds }, (_, i) => {
    const back = (rounds - 1 - i) * WEEKS_MS
    return rest.map((event) => ({
      ...event,
      id: `${event.id}-${i}`,
      at: new Date(Date.parse(event.at) + shift - back).toISOString(),
    }))
  }).flat()
  const [first] = all
  return [
    ...made.map((event) => ({ ...event, at: first.at })),
    ...all.slice(all.length + made.length - events),
  ]
}

async function seed(browser: Browser, events: number): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await page.goto(`${URL}/sheets`)
  await page.getByRole('heading', { name: 'Sheets' }).waitFor()
  await page.route('**/long-log', (route) => route.fulfill({ json: logOf(events) }))
  await page.evaluate(async () => {
    const events = (await (await fetch('/long-log')).json()) as Array<{ id: string }>
    const db = await new Promise<IDBDatabase>((resolve) => {
      const open = indexedDB.open('humbra')
      open.onsuccess = () => resolve(open.result)
    })
    const tx = db.transaction(['events', 'summaries'], 'readwrite')
    tx.objectStore('events').clear()
    tx.objectStore('summaries').clear()
    for (const event of events) tx.objectStore('events').add({ id: event.id, event })
    await new Promise((resolve) => (tx.oncomplete = resolve))
    db.close()
  })
  return page
}

/** Until a place shows what it is for: time from the start of the page, in ms. */
async function opened(page: Page, place: string): Promise<number> {
  await page.goto(URL + place)
  const h1 = page.locator('main h1, main h2').first()
  await h1.waitFor({ timeout: 120_000 })
  return page.evaluate(() => Number(document.documentElement.dataset.shownAt))
}

async function heapMb(page: Page): Promise<number> {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('HeapProfiler.collectGarbage')
  const { usedSize } = await cdp.send('Runtime.getHeapUsage')
  return usedSize / 2 ** 20
}

/** From the key that enters a number to its mark on the strip, and to the mark that says it is kept, in ms. */
async function act(page: Page, times: number): Promise<{ shown: number; kept: number }> {
  const shown: number[] = []
  const kept: number[] = []
  const field = page.getByLabel('Pitch, Hz')
  for (let i = 0; i < times; i++) {
    await field.fill(String(200 + i / 10))
    const watched = page.evaluate(
      () =>
        new Promise<{ shown: number; kept: number }>((resolve) => {
          const marks = () => document.querySelectorAll('[data-kept]').length
          const pale = () => document.querySelectorAll('[data-kept=no]').length
          const text = () => document.querySelector('[aria-label="Rim strip"]')!.textContent + marks()
          const before = text()
          let start = 0
          let shown = 0
          window.addEventListener('keydown', () => (start = performance.now()), { once: true, capture: true })
          const look = () => {
            if (start && !shown && text() !== before) shown = performance.now() - start
            if (shown && pale() === 0) resolve({ shown, kept: performance.now() - start })
            else requestAnimationFrame(look)
          }
          look()
        }),
    )
    await field.press('Enter')
    const took = await watched
    shown.push(took.shown)
    kept.push(took.kept)
    await page.waitForTimeout(150)
  }
  return { shown: median(shown), kept: median(kept) }
}

export async function benchLongLog(): Promise<void> {
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-p', String(PORT)], {
    stdio: 'ignore',
    env: { ...process.env, HUMBRA_START: 'demo' },
  })
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(URL).then(
        () => true,
        () => false,
      )
    )
      break
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  try {
    const sizes = [SHORT, LONG]
    const pages: Page[] = []
    const rows: string[][] = []
    const first: number[] = []
    for (const size of sizes) {
      const page = await seed(browser, size)
      // The moment at which the place's own heading is there.
      await page.addInitScript(() => {
        const look = () => {
          const there = document.querySelector('main h1, main h2')
          const waiting = /Opening the log|Opening/.test(document.querySelector('main')?.textContent ?? '')
          if (there && !waiting) document.documentElement.dataset.shownAt = String(performance.now())
          else requestAnimationFrame(look)
        }
        look()
      })
      first.push(await opened(page, '/'))
      pages.push(page)
      await page.waitForTimeout(3000)
    }
    const table = new Map(PLACES.map((place) => [place, sizes.map(() => [] as number[])]))
    for (let i = 0; i < TIMES; i++)
      for (const place of PLACES)
        for (const [s, page] of pages.entries()) table.get(place)![s].push(await opened(page, place))
    const row = (name: string, [short, long]: number[], unit = 'ms') =>
      rows.push([
        name,
        `${short.toFixed(0)} ${unit}`,
        `${long.toFixed(0)} ${unit}`,
        (long / short).toFixed(2),
      ])
    for (const [place, times] of table) row(`opening ${place}`, times.map(median))
    row('first opening, no summary', first)
    const acts: Array<{ shown: number; kept: number }> = []
    const heaps: number[] = []
    for (const page of pages) {
      await page.goto(`${URL}/bench`)
      await page.getByRole('region', { name: 'Rim strip' }).waitFor()
      await page.getByLabel('read from').selectOption('typed')
      acts.push({ shown: 0, kept: 0 })
      heaps.push(await heapMb(page))
    }
    for (const [s, page] of pages.entries()) acts[s] = await act(page, ACTS)
    row(
      'a typed reading, shown',
      acts.map(({ shown }) => shown),
    )
    row(
      'a typed reading, kept',
      acts.map(({ kept }) => kept),
    )
    row('heap', heaps, 'MB')
    printTable(
      `The app with ${SHORT} and ${LONG} events (medians of ${TIMES}; aim ${AIM_RATIO} times, heap under ${AIM_MB} MB)`,
      ['', String(SHORT), String(LONG), 'ratio'],
      rows,
    )
  } finally {
    await browser.close()
    server.kill()
  }
}
