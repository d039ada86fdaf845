import type { Page } from '@playwright/test'
import { expect } from './page'

/** A device on which nothing was done yet, at a Humbra that was started without the demo. */
export async function emptyDevice(page: Page): Promise<void> {
  await page.route('**/api/start', (route) => route.fulfill({ json: { demo: false, addresses: [] } }))
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'My kit', level: 1 })).toBeVisible()
}

export const drumLine = (page: Page) => page.getByRole('textbox', { name: /The drums you have/ })

/** A kit of one's own by a line of sizes, its first drum on the bench, read by typed numbers. */
export async function ownKit(page: Page, sizes: string): Promise<void> {
  await emptyDevice(page)
  await drumLine(page).fill(sizes)
  await page.getByRole('button', { name: /^typed/ }).click()
  await page.waitForURL(/bench/)
  await expect(page.getByRole('textbox', { name: 'Pitch, Hz or note' })).toBeVisible()
}
