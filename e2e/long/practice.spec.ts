import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { microphonePlays } from '../microphone'
import { expect, test } from '../page'
import { hearWhatIsPlayed, playedDb } from '../played'

const answers = (page: Page) => page.getByRole('group', { name: 'Answers' }).getByRole('button')
const strip = (page: Page) => page.getByRole('region', { name: 'Strip of trials' })

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

test('answers by knocking on the table', async ({ page }, info) => {
  // A knock every five seconds, each a tap on the practice drum: once is the first answer.
  const path = info.outputPath('knock.wav')
  const how = '--diameter 12 --lugs 6 --batter-hz 180 --noise-db -50 --rate 44100 --lead 2.5 --seconds 5'
  execFileSync('node', ['cli/run.mjs', 'tap', ...how.split(' '), '--out', path])
  const one = readFileSync(path)
  const sound = one.subarray(44)
  const many = Buffer.concat([one.subarray(0, 44), ...Array.from({ length: 12 }, () => sound)])
  many.writeUInt32LE(many.length - 8, 4)
  many.writeUInt32LE(many.length - 44, 40)
  await microphonePlays(page, many)
  await openPractice(page)
  await page.getByRole('button', { name: 'Begin, three minutes' }).click()
  await asked(page)
  await page.getByRole('button', { name: 'Answer by knocking' }).click()
  await expect(page.getByText('Microphone open.')).toBeVisible()
  await expect(strip(page)).toContainText('Trial 2:', { timeout: 90_000 })
  await page.getByRole('button', { name: 'Stop here' }).click()
  await expect(page.getByText('Microphone open.')).toBeHidden()
})

test('a head by ear alone is judged beside the tool’s own way', async ({ page }) => {
  await openPractice(page)
  await page.getByRole('radio', { name: 'by ear alone' }).click()
  await page.keyboard.press('1')
  await page.keyboard.press('2')
  // By ear alone: no number is shown before it is judged.
  await expect(page.getByText(/Hz|Spread/)).toHaveCount(0)
  // What is wanted can be heard, and is no tap of the head.
  await page.getByRole('button', { name: 'Hear the pitch wanted' }).click()
  await page.getByRole('button', { name: 'up 1/8' }).click()
  await page.getByRole('button', { name: 'Done: judge it' }).click()
  const judged = page.getByRole('table', { name: /By your way/ })
  await expect(judged).toContainText('1 pass, 1/4 turn of the key', { timeout: 60_000 })
  await expect(judged.getByRole('row')).toHaveCount(3)
  const strip = page.getByRole('region', { name: 'Spread left, in cents, head by head' })
  await expect(strip.getByRole('listitem')).toHaveCount(1)
  // Kept: another day's head stands beside it.
  await page.reload()
  await page.getByRole('radio', { name: 'by ear alone' }).click()
  await expect(strip.getByRole('listitem')).toHaveCount(1)
})

test('how far to turn is said first, then seen', async ({ page }) => {
  await openPractice(page)
  await page.getByRole('radio', { name: 'how far' }).click()
  await page.getByRole('button', { name: 'Hear the first one' }).click()
  await page.getByRole('button', { name: 'up 1/4' }).click()
  await expect(page.getByText(/would do it, by the usual turn law/)).toBeVisible()
  await expect(page.getByText(/^1 said, off by/)).toBeVisible()
})
