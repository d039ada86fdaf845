import type { Page } from '@playwright/test'
import { evenOut, expect, move, openHead, test } from './page'

/** Presses Tab until what has the focus fits. */
async function tabTo(page: Page, fits: (element: Element) => boolean): Promise<void> {
  for (let i = 0; i < 40; i++) {
    await page.keyboard.press('Tab')
    const focused = await page.evaluateHandle(() => document.activeElement!)
    if (await focused.evaluate(fits)) return
  }
  throw new Error('nothing fitting has the focus')
}

test('a head change on the 12 inch tom, from slack to even to settled, by keyboard only', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await page.goto('/bench')
  const heading = page.getByRole('heading', { level: 1 })
  await expect(heading).toBeVisible()
  for (let i = 0; i < 8 && (await heading.innerText()) !== 'Tom 12'; i++) await page.keyboard.press(']')
  await expect(heading).toHaveText('Tom 12')
  await page.keyboard.press('i')
  const dialog = page.getByRole('dialog', { name: 'Fit the batter head of Tom 12' })
  await expect(dialog).toBeVisible()
  for (let step = 0; step < 4; step++) {
    await tabTo(page, (element) => element.matches('input[type=checkbox]:not(:checked)'))
    await page.keyboard.press('Space')
  }
  await expect(dialog.getByRole('checkbox', { checked: true })).toHaveCount(4)
  await page.keyboard.press('Enter')
  await expect(dialog).toBeHidden()
  await expect(move(page).getByText(/^up from slack, round 1/)).toBeVisible()

  // What the panel asks for, key by key, until nothing more is asked.
  const seen = { rounds: 0, passes: 0, presses: 0, settling: 0 }
  const panel = move(page)
  await expect(async () => {
    const before = await panel.innerText()
    if (/^up from slack/.test(before)) {
      seen.rounds++
      await page.keyboard.press('Enter')
    } else if (/lugs read/.test(before)) await page.keyboard.press('a')
    else if (/^move/.test(before)) {
      seen.passes++
      await page.keyboard.press('Shift+Enter')
    } else if (/^(all moves made|even, not settled)/.test(before)) {
      if (/not settled/.test(before)) seen.settling++
      else seen.presses++
      await page.keyboard.press('p')
    }
    await expect(panel).not.toHaveText(before, { timeout: 5_000, useInnerText: true })
    await expect(panel.getByText('done', { exact: true })).toBeVisible({ timeout: 1_500 })
  }).toPass({ timeout: 200_000, intervals: [50] })
  expect(seen.rounds).toBeGreaterThan(0)
  expect(seen.passes).toBeGreaterThan(0)
  expect(seen.settling).toBeGreaterThan(0)
  await expect(panel.getByText('Even', { exact: true })).toBeVisible()
  await expect(panel.getByText(/Pressing changes nothing any more/)).toBeVisible()
})

test('the stripped rod on the practice drum is found, noted and left out of the passes', async ({ page }) => {
  test.setTimeout(240_000)
  await openHead(page, 'Tom 12')
  await page.getByRole('button', { name: 'Work on this head' }).click()
  await page.getByRole('menuitem', { name: /^Hide a fault/ }).click()
  await page.getByLabel('Which').selectOption({ label: 'Stripped thread' })
  await page.getByRole('button', { name: 'Do it' }).click()
  await expect(page.getByText('A fault is hidden in the practice drum. Find it.')).toBeVisible()
  await page.keyboard.press('x')
  const dialog = page.getByRole('dialog', { name: /^What is wrong with Tom 12/ })
  const answer = dialog.getByRole('button', { name: 'Let the practice drum answer' })
  const named = dialog.getByText('most likely', { exact: true })
  for (let question = 0; question <= 5 && !(await named.isVisible()); question++) {
    const done = await dialog.getByRole('list', { name: 'Answers so far' }).getByRole('listitem').count()
    await answer.click()
    await expect(dialog.getByRole('list', { name: 'Answers so far' }).getByRole('listitem')).toHaveCount(
      done + 1,
    )
  }
  await expect(named).toBeVisible()
  await expect(dialog.getByText('Stripped thread', { exact: true }).first()).toBeVisible()
  await dialog.getByRole('button', { name: 'Note it on the drum' }).click()
  const work = page.getByRole('button', { name: /^Work on this head: thread holds nothing, rod \d/ })
  await expect(work).toBeVisible()
  const rod = Number(/rod (\d)/.exec((await work.getAttribute('aria-label'))!)![1])
  // A reload loses nothing of it, and the passes work around that rod.
  await page.reload()
  await expect(work).toBeVisible()
  await evenOut(page, 8)
  await expect(
    move(page)
      .getByText(new RegExp(`Rod ${rod} holds nothing and is left alone`))
      .first(),
  ).toBeVisible()
})
