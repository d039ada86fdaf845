import { readFileSync } from 'node:fs'
import { deflateRawSync } from 'node:zlib'
import { command, expect, test } from '../page'
import { drumLine as line, emptyDevice, ownKit } from '../welcome'

test('the demo says what it is on every place, leaves with one button, and comes back with Undo', async ({
  page,
}) => {
  await emptyDevice(page)
  await page.getByRole('button', { name: 'the demo' }).click()
  await expect(page.getByRole('button', { name: 'More for Tom 12' })).toBeVisible()
  const leave = page.getByRole('button', { name: 'leave it' })
  for (const place of ['Bench', 'Spacing', 'Sheets', 'Retune run', 'Settings', 'Kit']) {
    await page.getByRole('link', { name: place, exact: true }).click()
    await expect(leave).toBeVisible()
  }
  await leave.click()
  await expect(page.getByRole('heading', { name: 'My kit', level: 1 })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByRole('button', { name: 'More for Tom 12' })).toBeVisible()
  // The door to one's own kit is in sight all the while.
  await page.getByRole('button', { name: 'my kit' }).click()
  await expect(line(page)).toBeVisible()
})

test('a kit goes by codes: each opens the page, and the last brings the kit', async ({
  page,
  browser,
  baseURL,
}) => {
  await ownKit(page, '20x15 kick, floor tom 15, 12 and 10 racks, 14x5.5 snare')
  await page.goto('/share')
  await page.getByRole('button', { name: 'Show the codes' }).click()
  await expect(page.getByRole('img', { name: /^Code 1 of \d/ })).toBeVisible()
  // What a camera would read: the same chain (deflate of RFC 1951, base64url of RFC 4648), made by another hand.
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: /^Kit file/ }).click()
  const kit = readFileSync(await (await saved).path(), 'utf8')
  const data = deflateRawSync(kit).toString('base64url')
  const parts = data.match(/.{1,700}/g)!
  const codes = parts.map((part, i) => `${baseURL}/share#c=chain1.${i + 1}.${parts.length}.${part}`)
  const other = await browser.newContext({ baseURL: baseURL! })
  const there = await other.newPage()
  await emptyDevice(there)
  for (const code of [...codes].reverse()) {
    await there.goto('about:blank')
    await there.goto(code)
    await expect(there.getByText(/codes read|The kit is here/)).toBeVisible()
  }
  await there.getByRole('button', { name: 'Take it' }).click()
  await expect(there.getByRole('button', { name: 'More for Snare 14' })).toBeVisible()
  await other.close()
})

test('find anything: a drum, a sheet and a command, the last one first', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('button', { name: 'More for Tom 12' })).toBeVisible()
  await command(page, 'Floor tom 15 resonant')
  await expect(page.getByRole('heading', { name: 'Floor tom 15', level: 1 })).toBeVisible()
  await page.getByRole('button', { name: 'Find anything' }).click()
  await page.getByPlaceholder('Type a word').fill('open deck')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /Open deck on paper/ })).toBeVisible()
  await command(page, 'Show the keys')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+k')
  await expect(page.getByRole('option').first()).toContainText('Show the keys')
})

test('settings change what is shown, here and after a reload, and say so', async ({ page }) => {
  await ownKit(page, '12 tom')
  await page.getByLabel('Pitch, Hz or note').fill('233.5')
  await page.keyboard.press('Enter')
  await page.goto('/settings')
  const choose = (name: string) =>
    page
      .getByRole('radio', { name, exact: true })
      .or(page.getByRole('button', { name, exact: true }))
      .click()
  await choose('Do♯')
  await choose('233,5')
  await choose('millimetre')
  await page.getByLabel('A4 in Hz').fill('442')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/233,5 Hz is La♯3 −5 c now/)).toBeVisible()
  await page.getByLabel('Tolerance of Tom 12, cents').fill('4')
  await page.keyboard.press('Enter')
  await expect(page.getByText('set by you')).toBeVisible()
  await page.goto('/bench')
  await expect(page.getByRole('button', { name: /^Lug 1, 233,5 Hz/ })).toBeVisible()
  await page.goto('/')
  await page.getByRole('button', { name: 'More for Tom 12' }).click()
  await page.getByRole('menuitem', { name: 'Edit' }).click()
  await expect(page.getByLabel('Diameter, mm')).toHaveValue('305')
})
