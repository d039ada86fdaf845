import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { microphonePlays, readHz } from '../microphone'
import { command, expect, move, openHead, test } from '../page'
import { centsApart, walkAround } from '../walk'

const FLOOR_TOM = [
  ...['--diameter', '15', '--depth', '13', '--lugs', '8', '--batter-hz', '104', '--plies', '7,7'],
  ...['--rods', '0.08,-0.05,0.02,0,-0.06,0.04,0,0.03', '--noise-db', '-45'],
]

test('a whole eight-lug head is read hands free, by opposite pairs, in room noise', async ({ page }) => {
  const order = [1, 5, 2, 6, 3, 7, 4, 8]
  const walk = walkAround({
    order,
    args: FLOOR_TOM,
    // Slowly enough for a machine that measures a tap in a second.
    seconds: 3.4,
    lead: 0.7,
    before: 3,
  })
  await microphonePlays(page, walk.wav)
  await openHead(page, 'Floor tom 15')
  await page.getByLabel('read from').selectOption('microphone')
  await page.keyboard.press('h')
  await page.getByRole('radio', { name: 'opposite pairs' }).click()
  await page.getByRole('radio', { name: 'a tick' }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  // Nothing is touched from here on.
  await expect(move(page).getByText(/^(move 1 of|done)/)).toBeVisible({ timeout: 90_000 })
  for (let lug = 1; lug <= 8; lug++) {
    expect(centsApart(await readHz(page, lug), walk.lugHz[lug - 1])).toBeLessThan(4)
  }
  await page.keyboard.press('w')
  const dialog = page.getByRole('dialog', { name: 'What was heard' })
  // The room itself may have been heard beginning; what was used are the eight taps.
  await expect(dialog.getByRole('listitem').filter({ hasNotText: 'refused' })).toHaveCount(8)
})

test('a walk recorded in the wrong place is moved, a tone is chosen, a tap is dropped', async ({ page }) => {
  const walk = walkAround({
    order: [2, 1],
    args: FLOOR_TOM,
    seconds: 2.2,
    lead: 0.5,
  })
  await openHead(page, 'Floor tom 15')
  await page.getByLabel('read from').selectOption('file')
  await page
    .getByLabel('Recording to read')
    .setInputFiles({ name: 'walk.wav', mimeType: 'audio/wav', buffer: walk.wav })
  await expect(page.getByRole('button', { name: /^Lug 2, [\d.]+ Hz/ })).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'What was heard' }).click()
  const dialog = page.getByRole('dialog', { name: 'What was heard' })
  await expect(dialog.getByRole('img', { name: /^Spectrum/ })).toBeVisible()
  const { violations } = await new AxeBuilder({ page }).include('[role="dialog"]').analyze()
  expect(
    violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id }) => id),
  ).toEqual([])
  // The second tap was lug 1, the first lug 2.
  await dialog.getByLabel('it was lug').selectOption('8')
  await dialog.getByRole('button', { name: /^lug 1:/ }).click()
  await dialog.getByLabel('it was lug').selectOption('2')
  await dialog.getByRole('button', { name: /^lug 8:/ }).click()
  await dialog.getByLabel('it was lug').selectOption('1')
  await expect(dialog.getByText('used for lug 1')).toBeVisible()
  await page.keyboard.press('Escape')
  expect(centsApart(await readHz(page, 1), walk.lugHz[0])).toBeLessThan(4)
  expect(centsApart(await readHz(page, 2), walk.lugHz[1])).toBeLessThan(4)
  // Another tone is taken as the lug's, and the next taps stay near it.
  await page.keyboard.press('w')
  const take = dialog.getByRole('button', { name: /^Take [\d.]+ Hz/ }).first()
  const hz = Number(/([\d.]+) Hz/.exec((await take.getAttribute('aria-label'))!)![1])
  await take.click()
  await expect(dialog.getByRole('button', { name: /^Stop staying near/ })).toBeVisible()
  await expect(dialog.getByText(/used for lug/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Not this one' }).click()
  await expect(dialog.getByText('Dropped by hand.')).toBeVisible()
  expect(hz).toBeGreaterThan(40)
})

test('sounds of taps are kept in the kit file when wanted, and come back', async ({ page }, info) => {
  await openHead(page, 'Tom 12')
  await page.keyboard.press('h')
  await page.getByRole('radio', { name: 'kept with the kit' }).click()
  await page.keyboard.press('Escape')
  await page.keyboard.press('t')
  await expect(page.getByRole('button', { name: /^Lug 1, [\d.]+ Hz/ })).toBeVisible({ timeout: 20_000 })
  await page.keyboard.press('h')
  await expect(
    page.getByText(/Kept with this kit: 1 tap, \d+ KB|Kept with this kit: 1 tap, [\d.]+ MB/),
  ).toBeVisible()
  await page.keyboard.press('Escape')
  const waiting = page.waitForEvent('download')
  await command(page, 'Export the kit to a file')
  const path = info.outputPath('kit.json')
  await (await waiting).saveAs(path)
  const file = JSON.parse(readFileSync(path, 'utf8')) as { takes: Array<{ wav: string }> }
  expect(file.takes.length).toBe(1)
  expect(Buffer.from(file.takes[0].wav, 'base64').subarray(0, 4).toString()).toBe('RIFF')
})
