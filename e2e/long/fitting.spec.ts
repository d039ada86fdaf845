import { evenOut, expect, move, openHead, test } from '../page'

test('the stripped rod on the practice drum is found, noted and left out of the passes', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await page.getByRole('button', { name: 'beside' }).click()
  await page.getByRole('menuitem', { name: /^hide a fault/ }).click()
  await page.getByLabel('Which').selectOption({ label: 'Stripped thread' })
  await page.getByRole('button', { name: 'Do it' }).click()
  await expect(page.getByText('A fault is hidden in the practice drum. Find it.')).toBeVisible()
  await page.keyboard.press('x')
  const odds = page.getByRole('region', { name: 'Odds' })
  const dialog = move(page)
  const answer = dialog.getByRole('button', { name: 'Let the practice drum answer' })
  const named = dialog.getByText('most likely', { exact: true })
  for (let question = 0; question <= 5 && !(await named.isVisible()); question++) {
    const done = await odds.getByRole('list', { name: 'Answers so far' }).getByRole('listitem').count()
    await answer.click()
    await expect(odds.getByRole('list', { name: 'Answers so far' }).getByRole('listitem')).toHaveCount(
      done + 1,
    )
  }
  await expect(named).toBeVisible()
  await expect(dialog.getByText('Stripped thread', { exact: true }).first()).toBeVisible()
  await dialog.getByRole('button', { name: 'Note it on the drum' }).click()
  const look = page.getByRole('button', { name: /^look over,.* 1 open/ })
  await expect(look).toBeVisible()
  // A reload loses nothing of it, and the passes work around that rod.
  await page.reload()
  await look.click()
  const found = page
    .getByRole('region', { name: 'Parts of the drum' })
    .getByText(/^thread holds nothing, rod \d/)
  const rod = Number(/rod (\d)/.exec(await found.innerText())![1])
  await page.goBack()
  await evenOut(page, 8)
  await expect(
    move(page)
      .getByText(new RegExp(`Rod ${rod} holds nothing and is left alone`))
      .first(),
  ).toBeVisible()
})
