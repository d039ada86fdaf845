import { rmSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { Killable, shownAsKept, stored } from '../killable'
import { button, command, move } from '../page'

test('a browser that is killed at work: of all that was shown as kept nothing is missing', async ({
  baseURL,
}) => {
  const browser = new Killable()
  try {
    const page = await browser.open(`${baseURL}/bench`)
    await expect(move(page)).toBeVisible()
    const found = await stored(page)
    await page.getByRole('combobox', { name: 'read from' }).selectOption('typed')
    const field = page.getByLabel('Pitch, Hz')
    for (const hz of ['180.1', '180.2', '180.3']) {
      await field.fill(hz)
      await field.press('Enter')
    }
    await command(page, 'All rods up 1/8')
    await expect(page.getByPlaceholder('Type a word')).toHaveCount(0)
    expect(await shownAsKept(page)).toBe(true)
    await browser.kill()
    const again = await browser.open(`${baseURL}/bench`)
    await expect(move(again)).toBeVisible()
    const now = await stored(again)
    expect(now.readingTaken).toBe(found.readingTaken + 3)
    expect(now.rodsTurned).toBe(found.rodsTurned + 1)
    for (const [kind, count] of Object.entries(found)) expect(now[kind]).toBeGreaterThanOrEqual(count)
    await expect(button(again, /^Lug 1, /)).toBeVisible()
  } finally {
    await browser.kill().catch(() => undefined)
    rmSync(browser.profile, { recursive: true, force: true })
  }
})
