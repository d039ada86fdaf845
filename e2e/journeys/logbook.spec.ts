import { readFileSync } from 'node:fs'
import ICAL from 'ical.js'
import { button, expect, test } from '../page'

test('the Logbook: a gig by its key, a lane opened and brought back, a calendar that another parser reads', async ({
  page,
}) => {
  await page.goto('/logbook')
  const next = page.getByRole('region', { name: 'What comes next' })
  await expect(next).toContainText(/leaves its band/)
  await page.keyboard.press('p')
  const gig = page.getByRole('dialog', { name: 'A gig, played or to come' })
  const tomorrow = new Date(Date.now() + 24 * 3600 * 1000)
  const two = (n: number) => String(n).padStart(2, '0')
  await gig
    .getByLabel('Day')
    .fill(`${tomorrow.getFullYear()}-${two(tomorrow.getMonth() + 1)}-${two(tomorrow.getDate())}`)
  await gig.getByLabel('Room').fill('Pier')
  await gig.getByLabel('Doors').fill('18:00')
  await button(gig, 'Note it').click()
  await expect(gig).toHaveCount(0)

  const heads = page.getByRole('list', { name: 'Heads over time' })
  const snare = button(heads, /^Snare 14 batter:/)
  await expect(snare).toHaveAccessibleName(/readings since .*out of its band, turned \d+ times, read last on/)
  const eight = page.getByRole('radio', { name: '8 weeks' })
  await expect(eight).toBeChecked()
  await snare.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('+')
  await expect(eight).not.toBeChecked()
  await page.keyboard.press('Home')
  await expect(eight).toBeChecked()
  await snare.press('Enter')
  const table = page.getByRole('region', { name: 'Sittings of Snare 14 batter' })
  await button(table, 'as it was').nth(3).click()
  const then = page.getByRole('dialog', { name: /^Snare 14 batter, / })
  await expect(then.getByRole('img', { name: /^lug 1 \d/ })).toBeVisible()
  await button(then, 'Close').click()

  await page.getByRole('radio', { name: 'Report' }).click()
  const file = page.waitForEvent('download')
  await button(page, 'Calendar of retune days and gigs').click()
  const events = new ICAL.Component(ICAL.parse(readFileSync(await (await file).path(), 'utf8')) as never)
    .getAllSubcomponents('vevent')
    .map((each) => new ICAL.Event(each))
  expect(events.some(({ location, summary }) => /gig/.test(summary) && /Pier/.test(location ?? ''))).toBe(
    true,
  )
  expect(events.some(({ summary }) => summary.startsWith('Retune '))).toBe(true)
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length)
})
