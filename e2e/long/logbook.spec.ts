import { readFileSync } from 'node:fs'
import ICAL from 'ical.js'
import { command, expect, test } from '../page'

/** Days are counted from a clock that the test passes in. */
const NOW = new Date(2026, 5, 10, 12)

/** With a clock that stands still acts of two pages have no order: each page waits until the database has what it did. */
const allKept = (page: import('@playwright/test').Page) =>
  expect(page.locator('[data-on-the-way]').first()).toHaveAttribute('data-on-the-way', '0')

test.beforeEach(async ({ page }) => {
  await page.clock.setFixedTime(NOW)
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Lounge kit' })).toBeVisible()
  await allKept(page)
  await page.goto('/logbook')
  await expect(page.getByRole('heading', { name: 'Logbook', level: 1 })).toBeVisible()
})

const next = (page: import('@playwright/test').Page) => page.getByRole('region', { name: 'What comes next' })
const lane = (page: import('@playwright/test').Page, head: string) =>
  page.getByRole('list', { name: 'Heads over time' }).getByRole('button', { name: new RegExp(`^${head}:`) })

test('a gig is noted by its key, stands over the lanes and in the run; a week later the day has come nearer', async ({
  page,
}) => {
  await expect(next(page).getByText(/leaves its band/)).toBeVisible({ timeout: 60_000 })
  await page.keyboard.press('p')
  const dialog = page.getByRole('dialog', { name: 'A gig, played or to come' })
  await dialog.getByLabel('Day').fill('2026-06-10')
  await dialog.getByLabel('Room').fill('Pier')
  await dialog.getByLabel('Begins at').fill('19:00')
  await dialog.getByLabel('Doors').fill('18:00')
  await dialog.getByLabel('Load-in').fill('15:30')
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByText('gig, Pier, load-in 15:30, doors 18:00, to come')).toBeVisible()
  await allKept(page)
  await page.goto('/run')
  await expect(page.getByText('For the gig in Pier: load-in 15:30, doors 18:00.')).toBeVisible()
  await expect(page.getByLabel('doors at, if there are any')).toHaveValue('18:00')
  // A week passes: nothing was read, so what was sure is not.
  await page.clock.setFixedTime(new Date(2026, 5, 17, 12))
  await page.goto('/')
  await expect(page.getByText(/may have moved|likely moved/).first()).toBeVisible()
  await page.goto('/logbook')
  await expect(next(page).getByText(/band/).first()).toBeVisible({ timeout: 60_000 })
})

test('lanes by keys and by words: zoomed, moved, opened, as it was and back', async ({ page }) => {
  const snare = lane(page, 'Snare 14 batter')
  await expect(snare).toHaveAccessibleName(/readings since .*out of its band, turned \d+ times, read last on/)
  const tom = lane(page, 'Tom 12 batter')
  await expect(tom).toHaveAccessibleName(/new head on/)
  const eight = page.getByRole('radio', { name: '8 weeks' })
  await expect(eight).toBeChecked()
  await snare.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('+')
  await expect(eight).not.toBeChecked()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('Home')
  await expect(eight).toBeChecked()
  // The wheel zooms the same axis.
  await snare.hover()
  const chart = page.getByRole('img', { name: /times played/ })
  const before = await chart.textContent()
  await page.getByRole('list', { name: 'Heads over time' }).hover({ position: { x: 500, y: 60 } })
  await page.mouse.wheel(0, -600)
  await expect(chart).not.toHaveText(before!)
  await snare.press('Enter')
  await expect(snare).toHaveAttribute('aria-expanded', 'true')
  const table = page.getByRole('region', { name: 'Sittings of Snare 14 batter' })
  await expect(table.getByRole('row')).toHaveCount(13)
  await table.getByRole('button', { name: 'as it was' }).nth(3).click()
  const then = page.getByRole('dialog', { name: /^Snare 14 batter, / })
  await expect(then.getByRole('img', { name: /^lug 1 \d/ })).toBeVisible({ timeout: 30_000 })
  await then.getByRole('button', { name: 'Bring it back there' }).click()
  await expect(page).toHaveURL(/\/bench/)
  await expect(page.getByText(/is to be brought to \d+\.\d Hz, where it was/)).toBeVisible()
})

test('a forecast is kept or broken by a later reading', async ({ page }) => {
  await expect(next(page).getByText(/leaves its band/)).toBeVisible({ timeout: 60_000 })
  const kick = lane(page, 'Kick 20 batter')
  await expect(kick).toHaveAccessibleName(/leaves its band/, { timeout: 60_000 })
  await page.clock.setFixedTime(new Date(2026, 5, 12, 12))
  await page.goto('/bench?drum=demo-kick&head=batter&step=even')
  await page.getByRole('button', { name: 'All lugs left' }).click()
  await expect(
    page
      .getByRole('region', { name: 'Next move' })
      .getByText(/move 1 of|done|not done|even/)
      .first(),
  ).toBeVisible({ timeout: 90_000 })
  await allKept(page)
  await page.goto('/logbook')
  await lane(page, 'Kick 20 batter').click()
  const table = page.getByRole('region', { name: 'Sittings of Kick 20 batter' })
  await expect(table.getByRole('row').nth(1)).toContainText('12 Jun, ')
  await expect(table.getByText(/^(kept|broken)/).first()).toBeVisible()
})

test('the calendar is read by another program’s parser; the table of everything has a row a sitting', async ({
  page,
}) => {
  await expect(next(page).getByText(/leaves its band/)).toBeVisible({ timeout: 60_000 })
  await page.getByRole('radio', { name: 'Report' }).click()
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Calendar of retune days and gigs' }).click()
  const text = readFileSync(await (await file).path(), 'utf8')
  const events = new ICAL.Component(ICAL.parse(text) as never)
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each))
  expect(events.filter(({ summary }) => summary === 'Lounge kit: gig').length).toBeGreaterThan(20)
  expect(events.some(({ summary }) => summary.startsWith('Retune '))).toBe(true)
  expect(events.some(({ summary }) => summary === 'New batter on Tom 12')).toBe(true)
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length)
  const csv = page.waitForEvent('download')
  await page.getByRole('button', { name: 'CSV of everything shown' }).click()
  const rows = readFileSync(await (await csv).path(), 'utf8').split('\r\n')
  expect(rows.filter((row) => row.includes(',sitting,')).length).toBeGreaterThan(40)
  expect(rows.filter((row) => row.includes(',gig,')).length).toBeGreaterThan(20)
})

test('found by words, a note dropped, two days held over each other; a head from the box', async ({
  page,
}) => {
  await command(page, 'Write a note for a day')
  const dialog = page.getByRole('dialog', { name: 'A note for a day' })
  await dialog.getByLabel('Words').fill('the tambourine hums along')
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await page.getByRole('radio', { name: 'Find and compare' }).click()
  await page.getByLabel('Words').fill('tambourine')
  const entries = page.getByRole('list', { name: 'Entries' })
  await expect(entries.getByRole('listitem')).toHaveCount(1)
  await entries.getByRole('button', { name: 'drop it' }).click()
  await expect(page.getByText('Nothing in the log is so.')).toBeVisible()
  await expect(
    page.getByRole('table', { name: 'Heads on two days' }).getByRole('row', { name: /^Snare 14 batter/ }),
  ).toBeVisible()
  await page.getByRole('radio', { name: 'Heads' }).click()
  await page.getByLabel('fit').selectOption({ label: 'spare snare batter' })
  await expect(
    page.getByRole('region', { name: 'Heads on the drums' }).getByText('“spare snare batter”'),
  ).toBeVisible()
})

test('quick check: one stroke a drum, then what has moved', async ({ page }) => {
  await page.goto('/run')
  await page.getByRole('button', { name: 'Quick check: one stroke a drum' }).click()
  const said = page.getByRole('list', { name: 'What the strokes say' }).getByRole('listitem')
  let read = 0
  for (const drum of ['Kick 20', 'Floor tom 15', 'Tom 12', 'Tom 10', 'Snare 14']) {
    const strike = page.getByRole('button', { name: `Strike ${drum}` })
    // A stroke that cannot be read is made again, as at a drum.
    for (let again = 0; again < 4 && (await said.count()) === read; again++) {
      await strike.click()
      // A drum that was read has no button any more.
      const free = () => strike.isEnabled({ timeout: 1000 }).catch(() => false)
      const heard = async () => (await said.count()) > read || (await free())
      await expect.poll(heard, { timeout: 60_000 }).toBe(true)
    }
    if ((await said.count()) === read) await page.getByRole('button', { name: 'pass it over' }).click()
    else read++
  }
  expect(read).toBeGreaterThanOrEqual(4)
  await expect(page.getByText(/^(Look at|Nothing has moved)/)).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'On to the run' }).click()
  await expect(page.getByRole('button', { name: 'Start the run' })).toBeVisible()
})
