import { spawn } from 'node:child_process'
import { createServer } from 'node:http'
import { chromium, type Browser, type Page } from '@playwright/test'
import { printTable } from './stats'

const PORT = 3226
const STATIC_PORT = 3227
/** A phone of the middle price on a poor connection: as Lighthouse's mobile preset has it (docs of Lighthouse, throttling). */
const SLOWER = 4
const BYTES_PER_SECOND = (1.6 * 1024 * 1024) / 8
const LATENCY_MS = 150
/** What blocks: the part of a task behind 50 ms (W3C Long Tasks API). */
const LONG_TASK_MS = 50
const WATCHED_MS = 9000

/** One page with a heading and a chart of the rail's size, and no script: how fast anything can be on this machine. */
const STATIC_PAGE = `<!doctype html><html lang="en"><title>static</title><body style="font:16px sans-serif"><h1>Lounge kit</h1>
<svg width="1000" height="500" role="img" aria-label="chart">${Array.from({ length: 60 }, (_, i) => `<rect x="${(i * 37) % 960}" y="${i * 8}" width="40" height="6" fill="#555"/>`).join('')}</svg></body></html>`

interface Seen {
  largestMs: number
  blockedMs: number
  kb: number
}

async function watch(page: Page, url: string): Promise<Seen> {
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  await session.send('Network.emulateNetworkConditions', {
    ...{ offline: false, latency: LATENCY_MS },
    downloadThroughput: BYTES_PER_SECOND,
    uploadThroughput: BYTES_PER_SECOND,
  })
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  let bytes = 0
  session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
  await page.addInitScript(() => {
    const seen = { largestMs: 0, tasks: [] as number[] }
    Object.assign(window, { seen })
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.largestMs = Math.max(seen.largestMs, entry.startTime)
    }).observe({ type: 'largest-contentful-paint', buffered: true })
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.tasks.push(entry.duration)
    }).observe({ type: 'longtask', buffered: true })
  })
  await page.goto(url, { waitUntil: 'commit' })
  await page.waitForTimeout(WATCHED_MS)
  const seen = await page.evaluate(
    () => (window as unknown as { seen: { largestMs: number; tasks: number[] } }).seen,
  )
  const blockedMs = seen.tasks.reduce((sum, ms) => sum + Math.max(0, ms - LONG_TASK_MS), 0)
  return { largestMs: seen.largestMs, blockedMs, kb: bytes / 1000 }
}

async function visit(browser: Browser, url: string, before?: string): Promise<Seen> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
  const page = await context.newPage()
  if (before) {
    // A visit before, unhurried; then everything of it but the kept data is forgotten.
    await page.goto(before)
    await page.waitForTimeout(6000)
    await page.close()
  }
  const again = await context.newPage()
  const seen = await watch(again, url)
  await context.close()
  return seen
}

/** First visits and returns on a slowed machine and line, beside a static page with one chart made the same way. */
export async function benchLight(): Promise<void> {
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-p', String(PORT)], {
    stdio: 'ignore',
    env: { ...process.env, HUMBRA_START: 'demo' },
  })
  const plain = createServer((_, response) =>
    response.setHeader('content-type', 'text/html').end(STATIC_PAGE),
  )
  plain.listen(STATIC_PORT)
  const url = `http://localhost:${PORT}`
  for (let i = 0; i < 100; i++) {
    const up = await fetch(url).then(
      () => true,
      () => false,
    )
    if (up) break
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
  try {
    const rows: string[][] = []
    const row = (name: string, { largestMs, blockedMs, kb }: Seen) =>
      rows.push([
        name,
        `${(largestMs / 1000).toFixed(2)} s`,
        `${blockedMs.toFixed(0)} ms`,
        `${kb.toFixed(0)} KB`,
      ])
    row('static page, one chart', await visit(browser, `http://localhost:${STATIC_PORT}`))
    for (const place of ['/', '/bench', '/sheets', '/welcome'])
      row(`first visit of ${place}`, await visit(browser, `${url}${place}`))
    row('return to /', await visit(browser, `${url}/`, `${url}/`))
    printTable(
      `A processor slowed ${SLOWER} times, 1.6 Mbit/s, ${LATENCY_MS} ms (aims: largest paint 2.5 s, blocking 300 ms)`,
      ['', 'largest paint', 'blocking', 'everything'],
      rows,
    )
  } finally {
    await browser.close()
    server.kill()
    plain.close()
  }
}
