import { centsApart } from './walk'
import { evenOut, expect, openHead, test } from './page'

test('the 12 inch tom is set to a fourth and a wanted centre pitch through the screen', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await page.keyboard.press('b')
  const dialog = page.getByRole('main')
  const figures = page.getByRole('region', { name: 'Figures of both heads' })
  const map = dialog.getByRole('application')
  await expect(map).toBeVisible({ timeout: 20_000 })
  await dialog.getByRole('button', { name: 'Strike the centre' }).click()
  await expect(dialog.getByText('1 centre reading has taught this drum.')).toBeVisible({ timeout: 20_000 })
  const wish = async (name: string, words: string) => {
    const field = dialog.getByRole('textbox', { name })
    await field.fill(words)
    await field.press('Enter')
  }
  await dialog.getByLabel('wanted', { exact: true }).selectOption({ label: 'centre pitch' })
  await wish('centre pitch', '104')
  await wish('resonant above', 'fourth')
  await expect(figures.getByText('→ 104.0 Hz')).toBeVisible({ timeout: 20_000 })
  // The goal answers to keys as well, and the wishes follow it.
  await map.focus()
  await page.keyboard.press('ArrowUp')
  await expect(dialog.getByLabel('wanted', { exact: true })).toHaveValue('batterHz')
  await page.keyboard.press('ArrowDown')
  await dialog.getByLabel('wanted', { exact: true }).selectOption({ label: 'centre pitch' })
  await wish('centre pitch', '104')
  await dialog.getByLabel('and', { exact: true }).selectOption({ label: 'relation' })
  await wish('resonant above', '498 c')
  await expect(figures.getByText('→ 104.0 Hz')).toBeVisible()
  await dialog.getByRole('button', { name: 'Aim both heads there' }).click()
  await evenOut(page, 8)
  // The thread is kept: the head that is left of the two is the next thing to do.
  await page.getByRole('button', { name: /^Next: the (batter|resonant)/ }).click()
  await evenOut(page, 8)
  await page.keyboard.press('b')
  await dialog.getByRole('button', { name: 'Strike the centre' }).click()
  await expect(dialog.getByText('2 centre readings have taught this drum.')).toBeVisible({ timeout: 20_000 })
  const row = await figures.innerText()
  expect(centsApart(Number(/centre\n+([\d.]+) →/.exec(row)![1]), 104)).toBeLessThan(25)
})

test('one turn on purpose goes on after a reload, and its strokes are compared', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await page.getByRole('button', { name: 'beside' }).click()
  await page.getByRole('menuitem', { name: /^one turn on purpose/ }).click()
  const dialog = page.getByRole('main')
  await dialog.getByRole('button', { name: /^Begin/ }).click()
  for (const place of ['as found', 'up', 'down', 'back']) {
    await expect(dialog.getByText(`Strike the centre, ${place}`)).toBeVisible({ timeout: 20_000 })
    await dialog.getByRole('button', { name: 'Strike it' }).click()
    if (place === 'back') break
    await dialog.getByRole('button', { name: 'Turned and pressed' }).click()
    if (place === 'as found') {
      await page.reload()
      await expect(page.getByRole('heading', { name: 'Tom 12' })).toBeVisible()
    }
    for (const read of [0, 1]) {
      await expect(dialog.getByText(`Read 2 lugs, ${read} read`)).toBeVisible({ timeout: 20_000 })
      await dialog.getByRole('button', { name: /^Tap lug/ }).click()
    }
  }
  await expect(dialog.getByText('Back where it was', { exact: true })).toBeVisible({ timeout: 20_000 })
  const centre = async (place: string) =>
    Number(
      /([\d.]+) Hz[^H]*$/.exec(
        await dialog.getByRole('row', { name: new RegExp(`^${place}`) }).innerText(),
      )![1],
    )
  expect(await centre('up')).toBeGreaterThan(await centre('as found'))
  expect(await centre('down')).toBeLessThan(await centre('as found'))
  expect(Math.abs(centsApart(await centre('back'), await centre('as found')))).toBeLessThan(60)
  await dialog.getByRole('button', { name: 'Done' }).click()
  await page.keyboard.press('v')
  const compare = page.getByRole('main')
  await expect(compare.getByRole('img', { name: /^Decay and tones/ })).toBeVisible()
  await compare.getByRole('button', { name: 'Hear the second' }).click()
})
