import { button, evenOut, expect, move, openHead, test } from '../page'
import { centsApart } from '../walk'

test('both heads to a wanted pitch and relation, and onto a sheet that brings the drum back', async ({
  page,
}) => {
  await openHead(page, 'Tom 12')
  await page.keyboard.press('b')
  const figures = page.getByRole('region', { name: 'Figures of both heads' })
  const map = page.getByRole('application', { name: /^Map of both heads/ })
  await expect(map).toBeVisible()
  await button(page, 'Strike the centre').click()
  await expect(page.getByRole('main')).toContainText('1 centre reading has taught this drum.')
  const wish = async (name: string, words: string) => {
    const field = move(page).getByRole('textbox', { name })
    await field.fill(words)
    await field.press('Enter')
  }
  await page.getByRole('combobox', { name: 'wanted', exact: true }).selectOption({ label: 'centre pitch' })
  await wish('centre pitch', '104')
  await wish('resonant above', 'fourth')
  await expect(figures).toContainText('→ 104.0 Hz')
  // The goal answers to keys as well, and the wishes follow it.
  await map.focus()
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('combobox', { name: 'wanted', exact: true })).toHaveValue('batterHz')
  await page.keyboard.press('ArrowDown')
  await page.getByRole('combobox', { name: 'wanted', exact: true }).selectOption({ label: 'centre pitch' })
  await wish('centre pitch', '104')
  await page.getByRole('combobox', { name: 'and', exact: true }).selectOption({ label: 'relation' })
  await wish('resonant above', '498 c')
  await expect(figures).toContainText('→ 104.0 Hz')
  await button(move(page), 'Aim both heads there').click()
  await evenOut(page, 8)
  // The thread is kept: the head that is left of the two is the next thing to do.
  await button(page, /^Next: the (batter|resonant)/).click()
  await evenOut(page, 8)
  await page.keyboard.press('b')
  await button(page, 'Strike the centre').click()
  await expect(page.getByRole('main')).toContainText('2 centre readings have taught this drum.')
  const row = await figures.innerText()
  expect(centsApart(Number(/centre\n+([\d.]+) →/.exec(row)![1]), 104)).toBeLessThan(25)
  await page.keyboard.press('k')
  await page.getByRole('combobox', { name: /^Sheet/ }).fill('Saloon')
  await button(move(page), 'Keep it').click()
  await page.getByRole('link', { name: 'Sheets', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Saloon' })).toBeVisible()
})
