import { readFileSync } from 'node:fs'
import { button, expect, notice, test } from '../page'
import { emptyDevice, ownKit } from '../welcome'

test('a kit of one’s own, a recorded tom and a table dropped on it; a backup brings all to another device, once', async ({
  page,
  browser,
  baseURL,
}) => {
  await ownKit(page, '12 tom')
  await page.goto('/share')
  // Debian's sonic-pi-samples: a real tom, which settles near 120 Hz by its late spectrum. A picture beside it is none.
  await page
    .getByLabel('Choose files: files')
    .setInputFiles(['docs/screenshots/bench.png', '/usr/share/sonic-pi/samples/drum_tom_mid_soft.flac'])
  await page.waitForURL(/bench/)
  await expect(notice(page)).toContainText('bench.png: no kit, no recording, no weather and no table')
  await expect(button(page, /^Lug 1, 1(19\.[5-9]|20\.\d)/)).toBeVisible()
  // Six numbers pasted fill six lugs, from the one asked for on; seven are said.
  await page.getByRole('combobox', { name: 'read from' }).selectOption('typed')
  const paste = (text: string) =>
    page.getByRole('textbox', { name: 'Pitch, Hz or note' }).evaluate((element, pasted) => {
      const clipboardData = new DataTransfer()
      clipboardData.setData('text', pasted)
      element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
    }, text)
  await paste('150 151 152 153 154 155 156')
  await expect(page.getByRole('alert').filter({ hasText: '7 numbers for 6 lugs' })).toBeVisible()
  await paste('120,5\t121\n119.5\t120.2\n121.1\t119.9')
  await expect(button(page, /^Lug 1, 119\.9 Hz/)).toBeVisible()
  await page.goto('/settings')
  await page.getByRole('radiogroup', { name: 'Decimal sign' }).getByText('233,5').click()
  await page.goto('/bench')
  await expect(button(page, /^Lug 2, 12\d,\d Hz/)).toBeVisible()
  // A table dropped anywhere is looked at, and becomes a sheet.
  await page.evaluate(() => {
    const dataTransfer = new DataTransfer()
    const table = 'drum;batter;resonant\nTom 12;146,8;F#3+12\n'
    dataTransfer.items.add(new File([table], 'kit.csv', { type: 'text/csv' }))
    for (const kind of ['dragover', 'drop'])
      document.body.dispatchEvent(new DragEvent(kind, { dataTransfer, bubbles: true, cancelable: true }))
  })
  const look = page.getByRole('dialog', { name: 'A table of drums and pitches' })
  await expect(look.getByRole('row').nth(1)).toContainText('146,8 Hz')
  await look.getByLabel('Name').fill('From the old list')
  await button(look, /Make it a sheet/).click()
  await page.goto('/share')
  const saved = page.waitForEvent('download')
  await button(page, 'Back up this device').click()
  const path = await (await saved).path()
  const backup = JSON.parse(readFileSync(path, 'utf8')) as { kits: Array<{ events: unknown[] }> }
  expect(backup.kits.reduce((sum, kit) => sum + kit.events.length, 0)).toBeGreaterThan(8)

  const other = await browser.newContext({ baseURL: baseURL! })
  const there = await other.newPage()
  await emptyDevice(there)
  await there.goto('/share')
  const choose = there.getByLabel('Choose files: files')
  await choose.setInputFiles(path)
  await expect(notice(there)).toContainText('Brought back one kit.')
  // Its owner's decimal sign came along.
  await there.goto('/bench')
  await expect(button(there, /^Lug 2, 12\d,\d Hz/)).toBeVisible()
  await there.goto('/sheets')
  await expect(there.getByRole('heading', { name: 'From the old list' })).toBeVisible()
  await there.goto('/share')
  await choose.setInputFiles(path)
  await expect(notice(there)).toContainText('All of the backup is here already.')
  await other.close()
})
