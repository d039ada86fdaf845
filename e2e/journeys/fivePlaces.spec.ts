import type { Page } from '@playwright/test'
import { button, expect, move, says, test, typePitches } from '../page'
import { ownKit } from '../welcome'

const line = (page: Page) => page.getByRole('navigation', { name: /^The job of/ })

/** Both heads, Keep, the line, Kit and Logbook of a drum whose batter is on the bench, each by what it says of that head. */
async function fivePlaces(
  page: Page,
  drum: string,
  { heads, keep, head, kit, logbook }: Record<'heads' | 'keep' | 'head' | 'kit' | 'logbook', RegExp>,
): Promise<void> {
  await expect(line(page)).toContainText(head)
  await button(line(page), /^both heads/).click()
  await expect(page.getByRole('main')).toContainText(heads)
  await button(line(page), /^keep/).click()
  await expect(page.getByRole('main')).toContainText(keep)
  await expect(line(page)).toContainText(head)
  await page.goto('/')
  await expect(page.getByRole('listitem').filter({ hasText: drum }).first()).toContainText(kit)
  await page.goto('/logbook')
  await expect(page.getByRole('button', { name: new RegExp(`^${drum} batter`) })).toHaveAccessibleName(
    logbook,
  )
}

async function openBatter(page: Page, drum: string): Promise<void> {
  await page.goto('/')
  await button(page, `More for ${drum}`).click()
  await page.getByRole('menuitem', { name: /^batter/ }).click()
  await expect(page.getByRole('heading', { name: drum, level: 1 })).toBeVisible()
}

test('one number, an uneven head and a turn: five places say the same of the drum, with numbers no model made', async ({
  page,
}) => {
  await ownKit(page, '10x7 tom, 12x8 tom, 16x14 floor tom')

  // One number for the head: its pitch everywhere, and nowhere a word of its evenness.
  await openBatter(page, 'Tom 12')
  await button(page, 'One number for all lugs').click()
  await page.getByLabel('All lugs about, Hz or note').fill('150.3')
  await page.keyboard.press('Enter')
  await says(page, /^evenness not read150\.3 Hz/)
  await expect(move(page)).not.toHaveText(/even, done/i)
  await fivePlaces(page, 'Tom 12', {
    head: /150\.3 Hz, evenness not read/,
    heads: /about 150\.3|150\.3 →/,
    keep: /batter: 150\.3 Hz ± .*, evenness not read/,
    kit: /150\.3 Hz, evenness not read/,
    logbook: /1 reading .*150\.3 hertz/,
  })

  // All alike and one far off: nobody calls that even.
  await openBatter(page, 'Floor tom 16')
  await typePitches(page, [90, 90, 90, 90, 90, 90, 90, 102])
  await says(page, /Lug 8 reads 217 c over 4, opposite to it/)
  await expect(page.getByRole('main')).not.toHaveText(/even, done/i)

  // A turn of all rods on purpose is believed at once, and nowhere ordered again or back.
  await openBatter(page, 'Tom 10')
  await typePitches(page, [200, 200, 200.2, 199.9, 200, 200.1])
  await says(page, /^doneEven/)
  await button(page, 'Read it again').focus()
  await page.keyboard.press('e')
  const dialog = page.getByRole('dialog')
  await button(dialog, 'up 1/8').click()
  await button(dialog, 'That was turned').click()
  await says(page, /^turned otherwiseAll up 1\/8It is foretold \d+\.\d Hz ±\s\d+\sc/)
  const [foretold] = /foretold \d+\.\d Hz ±\s\d+\sc/.exec((await move(page).textContent())!)!
  const believed = new RegExp(foretold)
  const [hz] = /\d+\.\d/.exec(foretold)!
  await fivePlaces(page, 'Tom 10', {
    head: new RegExp(`batter${foretold}, press`),
    heads: new RegExp(`${hz} →`),
    keep: new RegExp(`batter: ${hz} Hz ± .*, foretold, not read since`),
    kit: believed,
    logbook: /Tom 10 batter: 1 reading .*turned 1 times/,
  })
})
