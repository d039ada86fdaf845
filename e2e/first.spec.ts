import { readFileSync } from 'node:fs'
import { deflateRawSync } from 'node:zlib'
import type { Page } from '@playwright/test'
import { command, expect, move, test } from './page'

/** A device on which nothing was done yet, at a Humbra that was started without the demo. */
async function emptyDevice(page: Page): Promise<void> {
  await page.route('**/api/start', (route) => route.fulfill({ json: { demo: false, addresses: [] } }))
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'My kit', level: 1 })).toBeVisible()
}

const line = (page: Page) => page.getByRole('textbox', { name: /The drums you have/ })
const drums = (page: Page) => page.getByRole('list', { name: 'Your drums' }).getByRole('listitem')

async function ownKit(page: Page, sizes: string): Promise<void> {
  await emptyDevice(page)
  await line(page).fill(sizes)
  await page.getByRole('button', { name: /^typed/ }).click()
  await page.waitForURL(/bench/)
  await expect(page.getByLabel('Pitch, Hz or note')).toBeVisible()
}

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('from an empty device to a first even head on an own kit, and to a kept sheet', async ({ page }) => {
    await emptyDevice(page)
    const said = '20x15 kick, floor tom 15, 12 and 10 racks, 14x5.5 snare'
    expect(said.length).toBeLessThan(60)
    await line(page).tap()
    await line(page).pressSequentially(said)
    await expect(drums(page)).toHaveCount(5)
    await expect(drums(page).first()).toContainText('8 lugs, 15 deep')
    // A guess is put right: the kick has ten lugs.
    await drums(page).first().getByRole('button').tap()
    await page.getByLabel('Kick 20: lugs').last().selectOption('10')
    await expect(drums(page).first()).toContainText('10 lugs')
    await page.getByLabel('Kick 20: lugs').last().selectOption('8')
    await page.getByRole('button', { name: /^typed/ }).tap()
    await expect(page.getByRole('heading', { name: 'Kick 20', level: 1 })).toBeVisible()
    // The first walk is there, and goes with a touch.
    await page.getByRole('button', { name: 'Put this note away' }).first().tap()
    // An even kick, as somebody's tuner shows it: notes and numbers, a comma among them.
    const field = page.getByLabel('Pitch, Hz or note')
    for (const [i, pitch] of ['80.1', '80,0', 'D#2+48', '80.2', '79.9', '80.1', '80,0', '80.1'].entries()) {
      await field.fill(pitch)
      await page.getByRole('button', { name: 'Take it' }).tap()
      await expect(page.getByRole('button', { name: new RegExp(`^Lug ${i + 1}, [78]`) })).toBeVisible()
    }
    await expect(move(page).getByText(/^(done|even, not settled yet)$/)).toBeVisible()
    await page.getByRole('button', { name: /^keep/ }).last().tap()
    await page.getByLabel(/The name of a room/).fill('First evening')
    await page.getByRole('button', { name: /^Keep (it|the batter)/ }).tap()
    await page.goto('/sheets')
    await expect(page.getByRole('heading', { name: 'First evening' })).toBeVisible()
    await page.reload()
    await expect(page.getByRole('heading', { name: 'First evening' })).toBeVisible()
  })
})

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

test('eight numbers pasted into the lug field fill eight lugs; ten are said', async ({ page }) => {
  await ownKit(page, '15 floor tom')
  const paste = (text: string) =>
    page.getByLabel('Pitch, Hz or note').evaluate((field, pasted) => {
      const clipboardData = new DataTransfer()
      clipboardData.setData('text', pasted)
      field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
    }, text)
  await paste('110 111 112 113 114 115 116 117 118 119')
  await expect(page.getByRole('alert').filter({ hasText: '10 numbers for 8 lugs' })).toBeVisible()
  await paste('110,5\t112\n111.2\t109.8\n110.9\t112.4\n110.0\t111.7')
  await expect(page.getByRole('button', { name: /^Lug 1, 110\.5 Hz/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Lug 8, 111\.7 Hz/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: /^Lug 1, 110\.5 Hz/ })).toHaveCount(0)
})

/** Files let go over the page, as a hand does it. */
async function drop(page: Page, files: Array<{ name: string; type: string; text: string }>): Promise<void> {
  await page.evaluate((dropped) => {
    const dataTransfer = new DataTransfer()
    for (const { name, type, text } of dropped) dataTransfer.items.add(new File([text], name, { type }))
    for (const kind of ['dragover', 'drop'])
      document.body.dispatchEvent(new DragEvent(kind, { dataTransfer, bubbles: true, cancelable: true }))
  }, files)
}

test('a table dropped anywhere is looked at and becomes a sheet; what is none is named', async ({ page }) => {
  await ownKit(page, '12 tom, 15 floor tom')
  await page.goto('/')
  await expect(page.getByRole('button', { name: 'More for Tom 12' })).toBeVisible()
  await drop(page, [
    { name: 'letter.txt', type: 'text/plain', text: 'Dear all, see you on Sunday' },
    {
      name: 'kit.csv',
      type: 'text/csv',
      text: 'drum;batter;resonant\nTom 12;146,8;F#3+12\n15 floor;98;110,5\n',
    },
  ])
  const look = page.getByRole('dialog', { name: 'A table of drums and pitches' })
  await expect(look.getByRole('row').nth(1)).toContainText('146.8 Hz')
  await expect(look.getByRole('row').nth(2)).toContainText('Floor tom 15')
  await look.getByLabel('Name').fill('From the old list')
  await look.getByRole('button', { name: /Make it a sheet/ }).click()
  await expect(page.getByText(/letter\.txt: no kit, no recording, no weather and no table/)).toBeVisible()
  await page.goto('/sheets')
  await expect(page.getByRole('heading', { name: 'From the old list' })).toBeVisible()
  await expect(page.getByText('186.3')).toBeVisible()
})

test('a backup goes to another device and brings everything there, once', async ({
  page,
  browser,
  baseURL,
}) => {
  await ownKit(page, '12 tom')
  for (const hz of ['150', '151', '149.5', '150.2', '151.1', '149.9']) {
    await page.getByLabel('Pitch, Hz or note').fill(hz)
    await page.keyboard.press('Enter')
  }
  await page.goto('/settings')
  await page
    .getByRole('radio', { name: '233,5' })
    .or(page.getByRole('button', { name: '233,5' }))
    .click()
  await page.goto('/share')
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Back up this device' }).click()
  const path = await (await saved).path()
  const backup = JSON.parse(readFileSync(path, 'utf8')) as { kits: Array<{ events: unknown[] }> }
  const events = backup.kits.reduce((sum, kit) => sum + kit.events.length, 0)
  expect(events).toBeGreaterThan(7)

  const other = await browser.newContext({ baseURL: baseURL!, viewport: { width: 1280, height: 800 } })
  const there = await other.newPage()
  await emptyDevice(there)
  await there.goto('/share')
  await there.getByLabel('Choose files: files').setInputFiles(path)
  await expect(there.getByText('Brought back one kit.')).toBeVisible()
  await there.getByRole('link', { name: 'Kit', exact: true }).click()
  await expect(there.getByRole('button', { name: 'More for Tom 12' })).toBeVisible()
  // Its owner's decimal sign came along.
  await there.goto('/bench')
  await expect(there.getByRole('button', { name: /^Lug 2, 151,0 Hz/ })).toBeVisible()
  await there.goto('/share')
  await there.getByLabel('Choose files: files').setInputFiles(path)
  await expect(there.getByText('All of the backup is here already.')).toBeVisible()
  await other.close()
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

test('a recorded tom goes in by the choice of files and is read on an own kit; a picture beside it is named', async ({
  page,
}) => {
  await ownKit(page, '12 tom')
  await page.goto('/share')
  // Debian's sonic-pi-samples: a real tom, which settles near 120 Hz by its late spectrum.
  await page
    .getByLabel('Choose files: files')
    .setInputFiles(['docs/screenshots/bench.png', '/usr/share/sonic-pi/samples/drum_tom_mid_soft.flac'])
  await page.waitForURL(/bench/)
  await expect(page.getByRole('button', { name: /^Lug 1, 1(19\.[5-9]|20\.\d)/ })).toBeVisible()
  await expect(page.getByText(/bench\.png: no kit, no recording, no weather and no table/)).toBeVisible()
})
