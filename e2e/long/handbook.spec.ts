import { command, expect, test } from '../page'

const panel = 'complementary'

test('a reading order for beginners, from entry to entry, and back by the browser', async ({ page }) => {
  await page.goto('/handbook')
  await page
    .getByRole('region', { name: 'To begin with' })
    .getByRole('button', { name: '1. The order of work' })
    .click()
  await page.getByRole('button', { name: /^Next: Batter and resonant head/ }).click()
  await expect(page.getByRole('heading', { name: 'Batter and resonant head' })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'The order of work' }).last()).toBeVisible()
})

test('a setting, a place and the palette lead to their entries', async ({ page }) => {
  await page.goto('/settings')
  await page.getByRole('button', { name: 'One key or two in the Handbook' }).click()
  await expect(page.getByRole(panel, { name: 'Handbook' })).toContainText('both rods of an opposite pair')
  await page.getByRole('button', { name: 'Close the Handbook' }).click()
  await page.keyboard.press('Shift+H')
  await expect(page.getByRole(panel, { name: 'Handbook' }).getByRole('heading', { level: 2 })).toHaveText(
    'Where readings come from',
  )
  await page.keyboard.press('Escape')
  await command(page, 'coming down sticks')
  await expect(page).toHaveURL(/\/handbook\?entry=coming-down-sticks/)
})
