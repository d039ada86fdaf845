import { command, evenOut, expect, move, openHead, test } from '../page'

test('the demo snare: rough to even in three passes, kept, backed off, brought back', async ({ page }) => {
  await openHead(page, 'Snare 14')
  await page.getByRole('button', { name: 'Put it out of tune' }).click()
  await evenOut(page, 3)
  await expect(move(page).getByText('Even', { exact: true })).toBeVisible()

  await page.keyboard.press('k')
  await page.getByLabel(/The name of a room/).fill('Test room')
  await page.getByLabel(/Hold it against Test room/).check()
  await page.getByRole('button', { name: /^Keep (it|the batter)/ }).click()
  await page.keyboard.press('z')
  await expect(page.getByLabel('sheet', { exact: true })).toHaveValue(/.+/)
  await expect(page.getByLabel('cents from', { exact: true })).toHaveValue('sheet')
  const target = await page.getByLabel('cents from', { exact: true }).locator('option:checked').innerText()

  await command(page, 'Back off')
  await expect(page.getByText(/backed off/)).toBeVisible()
  await expect(move(page).getByText('0 of 10 lugs read')).toBeVisible()
  const passes = await evenOut(page, 4)
  expect(passes).toBeGreaterThan(0)
  await expect(move(page).getByText(/^(Even|Leave it)$/)).toBeVisible()
  expect(await page.getByLabel('cents from', { exact: true }).locator('option:checked').innerText()).toBe(
    target,
  )

  await page.goto('/sheets')
  await expect(page.getByRole('heading', { name: 'Test room' })).toBeVisible()
  await expect(page.getByRole('button', { name: /Snare 14 batter: bring it to/ }).last()).toContainText(
    /even, \d+ c|\d+ c (low|high)/,
  )
})
