import { SCHEMA_VERSION } from '../../src/core/records/plain'
import { readFileSync } from 'node:fs'
import { expect, test } from '../page'

test('a drum is added, edited, copied, moved, deleted and brought back', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Add a drum' }).click()
  await page.getByLabel('Kind').selectOption('floor-tom')
  await expect(page.getByLabel('Diameter, inches')).toHaveValue('16')
  await expect(page.getByLabel('Lugs on each head')).toHaveValue('8')
  await page.getByLabel('Lugs on each head').fill('2')
  await page.getByRole('button', { name: 'Add the drum' }).click()
  await expect(page.getByText('A whole number from 3 to 24.')).toBeVisible()
  await page.getByLabel('Lugs on each head').fill('8')
  await page.getByRole('button', { name: 'Add the drum' }).click()
  const menu = async (drum: string, item: string) => {
    await page.getByRole('button', { name: `More for ${drum}`, exact: true }).click()
    await page.getByRole('menuitem', { name: item, exact: true }).click()
  }
  await menu('Floor tom 16', 'Edit')
  await page.getByRole('button', { name: /^more:/ }).click()
  await page.getByLabel('Name').fill('Low one')
  await page.getByRole('button', { name: 'Save' }).click()
  await menu('Low one', 'Duplicate')
  await menu('Low one copy', 'Move up')
  const names = page
    .getByRole('main')
    .getByRole('listitem')
    .getByRole('button', { name: /^More for/ })
  await expect(names.nth(5)).toHaveAccessibleName('More for Low one copy')
  await menu('Low one copy', 'Delete')
  await expect(names).toHaveCount(6)
  await page.keyboard.press('Control+z')
  await expect(names).toHaveCount(7)
  await page.reload()
  await expect(names).toHaveCount(7)
})

test('a kit goes out to a file and comes back; files that are none change nothing', async ({
  page,
}, info) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Lounge kit' })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Kits' }).click()
  await page.getByRole('menuitem', { name: 'Export to a file' }).click()
  const path = info.outputPath('kit.json')
  await (await download).saveAs(path)
  const file = JSON.parse(readFileSync(path, 'utf8'))
  expect(file).toMatchObject({ format: 'humbra-kit', schema: SCHEMA_VERSION })

  const choose = (name: string, text: string) =>
    page
      .getByLabel('Kit file to import')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await choose('broken.json', readFileSync(path, 'utf8').slice(0, 5000))
  await expect(page.getByText(/damaged or no kit file/)).toBeVisible()
  await choose('foreign.json', '{"hello":"there"}')
  await expect(page.getByText(/not a Humbra kit file/)).toBeVisible()
  await choose('newer.json', JSON.stringify({ ...file, schema: 99 }))
  await expect(page.getByText(/newer Humbra/)).toBeVisible()

  await choose('kit.json', JSON.stringify(file))
  await page.getByRole('button', { name: 'Keep both' }).click()
  await expect(page.getByRole('heading', { name: 'Lounge kit (file)' })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Drums' }).getByRole('listitem')).toHaveCount(5)
})
