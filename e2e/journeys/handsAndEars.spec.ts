import type { Page } from '@playwright/test'
import { makePass, OwnLugDrum } from '../drum'
import { answered, button, command, expect, move, openHead, says, test, typePitches } from '../page'

const MOST_ROUNDS = 8
/** As found: one lug high and the one opposite not, two neighbours low. */
const FOUND = [148, 152, 150, 157, 146, 151]
/** What a hand's numbers may be off by, in cents: normal deviates of six, drawn once. */
const SCATTER = [3, -7, 5, 1, -4, 9, -2, 6, -5, -1, 8, -6, 2, -8, 4, 0, 7, -3, 5, -9, 1, 3, -4, 6]

/** Reads and turns as it is told, until the bench calls an end. Nothing is ever refused. */
async function toTheEnd(page: Page, drum: OwnLugDrum, tell: () => Promise<void>): Promise<void> {
  for (let round = 0; ; round++) {
    expect(round).toBeLessThan(MOST_ROUNDS)
    await tell()
    await answered(page)
    const said = (await move(page).textContent())!
    expect(said).not.toContain('disagree')
    if (said.startsWith('done')) return
    if (said.startsWith('not done')) await button(page, 'Read this head again').click()
    else drum.turn(await makePass(page, FOUND.length))
  }
}

const readFrom = (page: Page, source: string) =>
  page.getByRole('combobox', { name: 'read from' }).selectOption(source)

test('typed numbers that differ lug by lug and scatter: every round is a pass, to an end that says what it knows', async ({
  page,
}) => {
  await openHead(page, 'Tom 12')
  await readFrom(page, 'typed')
  const drum = new OwnLugDrum(FOUND, SCATTER)
  await toTheEnd(page, drum, () => typePitches(page, drum.read()))
  // From 126: a 32nd of a turn moves a lug by 26, so nearer than half of that to each side no hand brings it.
  expect(drum.spreadCents).toBeLessThan(26)
  await button(page, 'Why?').click()
  await expect(page.getByRole('dialog')).toContainText(/Your typed readings scatter by about \d+ c/)
  // It is kept with the person, and stands where one would look for it.
  await page.goto('/settings')
  await expect(page.getByRole('main')).toContainText(
    /Typed readings by about \d+ c.*Learned from 1 sitting of yours/,
  )
})

test('a dial alone brings a head even by its own measure, and says that the pitch was not read', async ({
  page,
}) => {
  await openHead(page, 'Tom 12')
  await readFrom(page, 'gauge')
  const drum = new OwnLugDrum(FOUND)
  const dial = page.getByLabel('Dial', { exact: true })
  await toTheEnd(page, drum, async () => {
    // A division is 20 cents here, and half of one is read.
    for (const cents of drum.cents()) {
      await dial.fill(String(Math.round(2 * (62 + cents / 20)) / 2))
      await page.keyboard.press('Enter')
    }
  })
  expect(drum.spreadCents).toBeLessThan(3 * 20)
  await says(page, /Even by the dial; the pitch was not read/)
})

test('ears alone, against one lug: words are turned by, and the end is as near as they tell', async ({
  page,
}) => {
  await openHead(page, 'Tom 12')
  await readFrom(page, 'ear')
  const drum = new OwnLugDrum(FOUND)
  await toTheEnd(page, drum, async () => {
    for (const cents of drum.cents().slice(1)) {
      const far = Math.abs(cents)
      const word = far < 7 ? 'alike' : `${far > 40 ? 'much ' : ''}${cents < 0 ? 'lower' : 'higher'}`
      await button(page, word).click()
    }
  })
  expect(drum.spreadCents).toBeLessThan(26)
})

test('a snare side whose bed nobody spoke of: its readings ask once, before anything is turned, and bed lugs stay low', async ({
  page,
}) => {
  await openHead(page, 'Snare 14', 'resonant')
  await readFrom(page, 'typed')
  await typePitches(page, [363.1, 373.4, 374.4, 373.8, 363.9, 363.4, 374.2, 373.2, 373.9, 363.3])
  await says(page, /1, 5, 6 and 10Do these lugs stand beside the snare bed\? They read \d\d c lower/)
  // Nothing is turned before that is said, and the kit holds it for no fault afterwards.
  await expect(button(page, 'Turned')).toHaveCount(0)
  await button(page, 'They do').click()
  await says(page, /^done.*Even/)
  await page.reload()
  await says(page, /^done.*Even/)
})

test('uneven on purpose without a reading: rod by rod as it was chosen', async ({ page }) => {
  await openHead(page, 'Snare 14')
  await readFrom(page, 'typed')
  await command(page, 'uneven')
  const dialog = page.getByRole('dialog', { name: 'Uneven on purpose' })
  await button(dialog, 'Only the near rods slack').click()
  await button(dialog, 'Bring it there').click()
  await button(page, 'Turn the rods as chosen, unread').click()
  await says(
    page,
    /^move 1 of 3.*down 1\/2.*by the turns chosen for it.*the head was not read this time.*Then .*down 1\/2/,
  )
  await button(page, 'All 3 turned, pressed').click()
  // What was chosen is made: now there is something to read.
  await says(page, /^0 of 10 lugs read/)
  await expect(button(page, 'Turn the rods as chosen, unread')).toHaveCount(0)
})
