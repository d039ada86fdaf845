import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import type { Page } from '@playwright/test'
import { expect, test } from './page'

const PLACES = [
  '/',
  '/bench',
  '/spacing',
  '/sheets',
  '/run',
  '/logbook',
  '/practice',
  '/handbook',
  '/welcome',
  '/settings',
  '/share',
  '/print',
]
/** Scripts that a page names itself, without those that only an old browser takes: before they are run nothing can be pressed. */
const FRAME_KB = 170
/** All scripts that come on a first visit until the place rests, with the place and the log's reader; workers beside. */
const AT_REST_KB: Record<string, number> = { '/': 310, '/bench': 530 }

test('no page names more script than its frame needs', async ({ request }) => {
  for (const place of PLACES) {
    const html = await (await request.get(place)).text()
    const scripts = [...html.matchAll(/<script[^>]*\bsrc="([^"]+)"[^>]*>/g)].filter(
      ([tag]) => !/nomodule/i.test(tag),
    )
    const weights = scripts.map(
      ([, src]) => gzipSync(readFileSync(`.next/${src.replace('/_next/', '').split('?')[0]}`)).length,
    )
    const kb = weights.reduce((sum, bytes) => sum + bytes, 0) / 1000
    expect(scripts.length).toBeGreaterThan(3)
    expect(kb, `${place} names ${kb.toFixed(0)} KB`).toBeLessThan(FRAME_KB)
  }
})

/** What came over the wire for this page's scripts, as its browser counts it. */
async function scriptKb(page: Page, place: string, shown: string): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  const scripts = new Set<string>()
  let bytes = 0
  session.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId))
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength
  })
  await page.goto(place)
  await expect(page.getByText(shown).first()).toBeVisible()
  await page.waitForLoadState('networkidle')
  return bytes / 1000
}

for (const [place, shown] of [
  ['/', 'Lounge kit'],
  ['/bench', 'look over'],
] as const)
  test(`what a first visit of ${place} brings stays light`, async ({ page }) => {
    const kb = await scriptKb(page, place, shown)
    expect(kb).toBeGreaterThan(100)
    expect(kb, `${kb.toFixed(0)} KB`).toBeLessThan(AT_REST_KB[place])
  })
