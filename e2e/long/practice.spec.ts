import type { Page } from '@playwright/test'
import { expect, test } from '../page'
import { hearWhatIsPlayed, playedDb } from '../played'

const answers = (page: Page) => page.getByRole('group', { name: 'Answers' }).getByRole('button')

/** The page asks: both taps were played, or are. */
const asked = (page: Page) => expect(answers(page).first()).toBeEnabled({ timeout: 60_000 })

async function openPractice(page: Page): Promise<void> {
  await page.goto('/practice')
  await expect(page.getByRole('heading', { name: 'Practice', level: 1 })).toBeVisible()
}

test('a drill by touch: an answer is pressed, the taps are heard again', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })
  const page = await context.newPage()
  await hearWhatIsPlayed(page)
  await openPractice(page)
  await page.getByLabel('drill', { exact: true }).selectOption({ label: 'which lug is off' })
  await page.getByRole('button', { name: 'Begin, three minutes' }).tap()
  await asked(page)
  await expect(answers(page)).toHaveCount(6)
  const again = page.getByRole('button', { name: 'Hear it again' })
  await expect(again).toBeEnabled({ timeout: 30_000 })
  const before = (await playedDb(page)).length
  await again.tap()
  await expect.poll(async () => (await playedDb(page)).length).toBe(before + 3)
  await answers(page).nth(2).tap()
  await expect(page.getByText(/Lug \d+, tapped (first|second|third), was/)).toBeVisible()
  await context.close()
})

test('a head by ear alone is judged, kept and seen again', async ({ page }) => {
  await openPractice(page)
  await page.getByRole('radio', { name: 'by ear alone' }).click()
  await page.keyboard.press('1')
  await page.keyboard.press('2')
  // By ear alone: no number is shown before it is judged.
  await expect(page.getByText(/Hz|Spread|spread/)).toHaveCount(0)
  // What is wanted can be heard, and is no tap of the head.
  await page.getByRole('button', { name: 'Hear the pitch wanted' }).click()
  await page.getByRole('button', { name: 'up 1/8' }).click()
  await page.getByRole('button', { name: 'Done: judge it' }).click()
  await expect(page.getByText(/^Found: spread .*after 1 pass, 1\/4 turn of the key/)).toBeVisible()
  const strip = page.getByRole('region', { name: 'Set by ear before' })
  await expect(strip.getByRole('listitem')).toHaveCount(1)
  // Kept: another day's head stands beside it.
  await page.reload()
  await page.getByRole('radio', { name: 'by ear alone' }).click()
  await expect(strip.getByRole('listitem')).toHaveCount(1)
})
