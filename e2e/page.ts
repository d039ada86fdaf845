import { expect, test as base, type Locator, type Page } from '@playwright/test'

/** The processor's speed is divided by this in every page: `HUMBRA_SLOW=4 npm run e2e -- --repeat-each=10` tries a test's steadiness. */
const SLOW = Number(process.env.HUMBRA_SLOW ?? 1)

/** A test is failed by a request to another origin, an error in the page, and a broken content policy. */
function watch(page: Page, baseURL: string, wrong: string[]): void {
  page.on('request', (request) => {
    const url = request.url()
    if (!url.startsWith(baseURL) && !url.startsWith('blob:') && !url.startsWith('data:'))
      wrong.push(`request to ${url}`)
  })
  page.on('pageerror', (error) => wrong.push(`error: ${error.message}`))
  page.on('console', (message) => {
    if (message.type() === 'error' && /Content Security Policy|hydrat/i.test(message.text()))
      wrong.push(message.text())
  })
}

export const test = base.extend({
  context: async ({ context, baseURL }, run) => {
    const wrong: string[] = []
    context.on('page', (page) => watch(page, baseURL!, wrong))
    await run(context)
    expect(wrong).toEqual([])
  },
  page: async ({ page, context }, run) => {
    if (SLOW > 1) {
      const session = await context.newCDPSession(page)
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOW })
    }
    await run(page)
  },
})

export { expect }

export const move = (page: Page) => page.getByRole('region', { name: 'Next move' })

/** What the panel's whole text says. */
export const says = (page: Page, what: RegExp) => expect(move(page)).toHaveText(what)

/** What was said in a notice at the foot of the page. */
export const notice = (page: Page) => page.getByRole('region', { name: /^Notifications/ })

export const button = (within: Page | Locator, name: string | RegExp) =>
  within.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) })

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

/** Types one pitch after the other. */
export async function typePitches(page: Page, pitches: readonly (number | string)[]): Promise<void> {
  const field = page.getByLabel('Pitch, Hz')
  for (const pitch of pitches) {
    await field.fill(String(pitch))
    await page.keyboard.press('Enter')
  }
}

/** Reads what lugs are left on the practice drum, and waits for the answer. */
export async function readRound(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'All lugs left' }).click()
  await answered(page)
}

const ANSWERED = /^(move 1 of|done|not done|even, not settled)/

const BED = /^before anything is turned/

/** Waits for what the bench makes of the readings; the practice snare's bed lies where its readings show it. */
export async function answered(page: Page): Promise<void> {
  const either = new RegExp(`${ANSWERED.source}|${BED.source}`)
  await expect(move(page)).toHaveText(either, { timeout: 90_000 })
  if (!BED.test((await move(page).textContent()) ?? '')) return
  await button(page, 'They do').click()
  await expect(move(page)).toHaveText(ANSWERED, { timeout: 90_000 })
}

/** Makes passes until the bench says done; @returns how many it took. */
export async function evenOut(page: Page, most: number): Promise<number> {
  await readRound(page)
  for (let pass = 0; ; pass++) {
    const said = (await move(page).textContent()) ?? ''
    // Not done without a move: nothing a hand can turn would bring it closer. That ends it too.
    if (/^(done|not done)/.test(said)) return pass
    expect(pass).toBeLessThan(most)
    // A fresh head is pressed and read until pressing changes nothing.
    if (/^even, not settled/.test(said)) {
      await button(page, 'Pressed').click()
      await readRound(page)
      continue
    }
    // All moves are made and the head is pressed; the practice drum is tapped round by itself then.
    await page.keyboard.press('Shift+P')
    await expect(move(page)).toHaveText(/lugs read/)
    await answered(page)
  }
}
