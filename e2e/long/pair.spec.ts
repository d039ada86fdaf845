import { centsApart } from '../walk'
import { expect, openHead, test } from '../page'

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
