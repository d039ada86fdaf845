import type { Page } from '@playwright/test'
import { command, expect, move, openHead, test } from '../page'

/** Numbers that the model did not make, typed, dialled and heard as a new user would. */

async function level(page: Page): Promise<void> {
  await page.getByLabel('cents from', { exact: true }).selectOption('level')
}

async function typeAll(page: Page, numbers: readonly (number | string)[]): Promise<void> {
  await page.getByLabel('read from').selectOption('typed')
  const field = page.getByLabel('Pitch, Hz')
  for (const hz of numbers) {
    await field.fill(String(hz))
    await page.keyboard.press('Enter')
  }
}

const strip = (page: Page) => page.getByRole('region', { name: 'Rim strip' })

for (const { drum, numbers, spread, first } of [
  {
    drum: 'Floor tom 15',
    numbers: [110, 112.5, 115, 112.4, 110.3, 112.5, 115.2, 112.6],
    spread: /spread (7|8)\d c/,
    first: 1,
  },
  { drum: 'Tom 12', numbers: [170, 180, 175, 170, 180, 175], spread: /spread (9|10)\d c/, first: 1 },
])
  test(`typed ${numbers.join(', ')}: uneven, and the low pair goes up`, async ({ page }) => {
    await openHead(page, drum)
    await level(page)
    await typeAll(page, numbers)
    await expect(move(page).getByText(/^move 1 of/)).toBeVisible()
    await expect(strip(page).getByText(spread)).toBeVisible()
    await expect(move(page).getByText(new RegExp(`^${first} and .* under the target`))).toBeVisible()
    await expect(move(page).getByText(/The spread should come within \d+ c/)).toBeVisible()
    // One spread, wherever it is shown.
    const words = await strip(page).getByText(spread).innerText()
    const cents = /spread (\d+) c/.exec(words)![1]
    await expect(page.getByRole('region', { name: 'Passes' }).getByText(`spread ${cents} c`)).toBeVisible()
  })

test('typed 145, 160 in turn: no head does that; which lugs, and not a word of even', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await level(page)
  await typeAll(page, [145, 160, 145, 160, 145, 160])
  await expect(move(page).getByText('not done: these disagree')).toBeVisible()
  await expect(move(page).getByText(/lie 170 c apart, and opposite lugs of a head sound alike/)).toBeVisible()
  await expect(move(page).getByText(/^Even/)).toHaveCount(0)
  // Who says that they are so gets a pass lug by lug, in small steps.
  await page.getByRole('button', { name: 'They are so' }).click()
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible()
})

test('one lug at 163 among 150: asked for again; the newest reading stands', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await level(page)
  await typeAll(page, [150, 150, 151, 150, 150, 163])
  const again = page.getByRole('button', { name: /^Tap [36] again$/ })
  await expect(again).toBeVisible()
  await page.keyboard.press('6')
  await page.getByLabel('Pitch, Hz').fill('151.2')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Lug 6, 151\.2 Hz/ })).toBeVisible()
  await expect(again).toHaveCount(0)
})

test('a gauge alone evens a head; the pitch is said not to be read', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('gauge')
  const dial = page.getByRole('textbox', { name: 'Dial' })
  for (const value of [66, 70, 74, 66, 70, 74]) {
    await dial.fill(String(value))
    await page.keyboard.press('Enter')
  }
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible()
  await expect(move(page).getByText(/^1 and 4 lie/)).toBeVisible()
  await expect(strip(page).getByText('pitch not read')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Lug 3, dial 74/ })).toBeVisible()
})

test('ears alone: five words against a reference lug; words that contradict are asked about', async ({
  page,
}) => {
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('ear')
  const say = async (words: readonly string[]) => {
    for (const word of words) await page.getByRole('button', { name: word, exact: true }).click()
  }
  await say(['higher', 'much higher', 'alike', 'higher', 'much higher'])
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible()
  await expect(move(page).getByText(/^1 and 4 lie/)).toBeVisible()
  await openHead(page, 'Tom 10')
  await page.getByLabel('read from').selectOption('ear')
  await say(['higher', 'much higher', 'alike', 'lower', 'alike'])
  await expect(move(page).getByText('not done: these disagree')).toBeVisible()
})

test('one number for a whole head, and the whole head at once', async ({ page }) => {
  await openHead(page, 'Kick 20')
  await page.getByLabel('read from').selectOption('typed')
  await page.getByRole('button', { name: 'One number for all lugs' }).click()
  await page.getByLabel('All lugs about, Hz').fill('58')
  await page.keyboard.press('Enter')
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible()
  await expect(move(page).getByText(/The whole head is \d+ c low/)).toBeVisible()
  await page.getByRole('button', { name: 'Something else' }).click()
  await page.getByRole('group', { name: 'All rods at once' }).getByRole('button', { name: 'up 1/8' }).click()
  await page.getByRole('button', { name: 'That was turned' }).click()
  await expect(page.getByRole('region', { name: 'Passes' }).getByText(/^all up 1\/8/)).toBeVisible()
})

test('the snare bed is the drum’s own: chosen lug by lug, kept, and never raised to match', async ({
  page,
}) => {
  await openHead(page, 'Snare 14', 'resonant')
  await command(page, 'Snare: snare')
  await page.getByRole('button', { name: 'Choose the bed’s lugs' }).click()
  const dialog = page.getByRole('dialog', { name: /beside the bed/ })
  for (const lug of [1, 2, 6, 7])
    await dialog.getByRole('button', { name: `Beside the bed: lug ${lug}`, exact: true }).click()
  await dialog.getByLabel(/they may read lower by/).fill('20')
  await dialog.getByRole('button', { name: 'Keep the bed' }).click()
  await page.keyboard.press('z')
  const low = 368.5
  const high = 373.5
  await typeAll(page, [low, low, high, high, high, low, low, high, high, high])
  await expect(move(page).getByText(/^(move 1 of|done|not done)/)).toBeVisible()
  // The bed's lugs lie 23 cents under the others, and no rod beside it is asked for alone.
  const text = await move(page).innerText()
  expect(text).not.toMatch(/^(1|2|6|7) and (1|2|6|7)\n.*\nup/m)
})

test('a drum of one’s own asks where readings come from; what is simulated says so and is kept nowhere', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  await page.getByRole('button', { name: 'Kits' }).click()
  await page.getByRole('menuitem', { name: /borrowed kit/i }).click()
  await page.getByLabel('Sizes in inches').fill('12 tom')
  await page.getByRole('button', { name: 'Make it and plan' }).click()
  await page.waitForURL(/spacing/)
  await page.goto('/bench')
  await expect(move(page).getByText('Where do readings come from?')).toBeVisible()
  await page.getByRole('button', { name: /The practice drum/ }).click()
  await page.getByRole('button', { name: 'Tap', exact: true }).click()
  await expect(page.getByText('simulated').first()).toBeVisible()
  // A reload is another sitting: it is asked again, and nothing of the practice drum stands on the kit.
  await page.reload()
  await expect(move(page).getByText('Where do readings come from?')).toBeVisible()
  await page.getByRole('button', { name: /Typed numbers/ }).click()
  await expect(page.getByLabel('Pitch, Hz')).toBeVisible()
  await page.goto('/')
  await expect(page.getByText(/not read/).first()).toBeVisible()
})

test('two taps: which is higher, and by how much', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('typed')
  await command(page, 'Two taps')
  const dialog = page.getByRole('dialog', { name: 'Two taps' })
  for (const hz of ['146.8', '148.1']) {
    await dialog.getByRole('textbox').fill(hz)
    await page.keyboard.press('Enter')
  }
  // 1200 log2(148.1 / 146.8)
  await expect(dialog.getByText('The second is 15 c higher (1.3 Hz).')).toBeVisible()
})
