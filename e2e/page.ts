import { expect, test as base, type Page } from '@playwright/test'

/** Every test fails on a request to another origin, on an error in the page, and on a broken content policy. */
export const test = base.extend({
  page: async ({ page, baseURL }, run) => {
    const wrong: string[] = []
    page.on('request', (request) => {
      const url = request.url()
      if (!url.startsWith(baseURL!) && !url.startsWith('blob:') && !url.startsWith('data:'))
        wrong.push(`request to ${url}`)
    })
    page.on('pageerror', (error) => wrong.push(`error: ${error.message}`))
    page.on('console', (message) => {
      if (message.type() === 'error' && /Content Security Policy|hydrat/i.test(message.text()))
        wrong.push(message.text())
    })
    await run(page)
    expect(wrong).toEqual([])
  },
})

export { expect }

export const move = (page: Page) => page.getByRole('region', { name: 'Next move' })

/** Opens a head of the demo kit on the bench. */
export async function openHead(
  page: Page,
  drum: string,
  side: 'batter' | 'resonant' = 'batter',
): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: `More for ${drum}` }).click()
  await page.getByRole('menuitem', { name: new RegExp(`^${side}`) }).click()
  await expect(page.getByRole('heading', { name: drum, level: 1 })).toBeVisible()
}

/** Runs a command by the words that find it, once the palette's field is there to be typed into. */
export async function command(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder('Type a word').fill(words)
  await page.keyboard.press('Enter')
}

/** Reads what lugs are left on the practice drum, and waits for the answer. */
export async function readRound(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'All lugs left' }).click()
  await answered(page)
}

/** Waits for what the bench makes of the readings. */
export async function answered(page: Page): Promise<void> {
  await expect(move(page).getByText(/^(move 1 of|done|not done|even, not settled)/)).toBeVisible({
    timeout: 90_000,
  })
}

/** Makes passes until the bench says done; @returns how many it took. */
export async function evenOut(page: Page, most: number): Promise<number> {
  for (let pass = 0; ; pass++) {
    await readRound(page)
    if (await move(page).getByText('done', { exact: true }).isVisible()) return pass
    // Nothing a hand can turn would bring it closer, though the readings lie outside what was asked for: that ends it too.
    const stuck = move(page).getByText('not done', { exact: true })
    if (await stuck.isVisible()) return pass
    const pressed = page.getByRole('button', { name: 'Pressed', exact: true })
    if (await move(page).getByText('even, not settled yet').isVisible()) {
      // A fresh head is pressed and read until pressing changes nothing.
      await pressed.click()
      continue
    }
    expect(pass).toBeLessThan(most)
    const turned = page.getByRole('button', { name: 'Turned', exact: true })
    while (!(await pressed.isVisible())) {
      await turned.click()
      await expect(turned.or(pressed)).toBeVisible()
    }
    await pressed.click()
  }
}
