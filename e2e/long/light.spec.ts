import type { Page } from '@playwright/test'
import { expect, test } from '../page'

/**
 * All scripts that come on a first visit until the place rests, with the place and the log's reader; workers beside. The
 * kit shows heads that the other head and the centre tell of: with it comes the model of two heads. What is said of a tab that hangs, of
 * acts and kits set aside must be there before anything goes wrong.
 */
const AT_REST_KB: Record<string, number> = { '/': 325, '/bench': 530 }

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
