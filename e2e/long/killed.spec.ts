import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { Killable, practised, shownAsKept, stored } from '../killable'

/** A hundred in two halves, which run beside each other: so often that each kind of work dies at each moment. */
const KILLS = 50

const RACK = '/bench'
const IMPORTED = 150

for (const half of ['first', 'second'])
  test(`killed ${KILLS} times at work, ${half} half: of all that was shown as kept nothing is missing`, async ({
    baseURL,
  }) => {
    const browser = new Killable()
    const kitFile = join(tmpdir(), `humbra-import-${process.pid}-${half}.json`)
    const demo = JSON.parse(readFileSync('public/demo/lounge.humbra.json', 'utf8')) as {
      kit: string
      events: Array<{ id: string; kit: string; event?: string }>
    }
    const kept: Record<string, number> = {}
    let shown = 0
    let presses = 0
    let before: Awaited<ReturnType<typeof practised>> | null = null
    const keep = (kind: string, count = 1) => {
      kept[kind] = (kept[kind] ?? 0) + count
      shown += count
    }
    try {
      for (let kill = 0; kill < KILLS; kill++) {
        const page = await browser.open(baseURL + RACK)
        await page.getByRole('region', { name: 'Next move' }).waitFor({ timeout: 30_000 })
        const now = await stored(page)
        // What was kept is no refusal, and nothing is said to be lost that is not.
        expect([kill, await page.getByText(/set aside|put aside/).count()]).toEqual([kill, 0])
        const rods = await practised(page)
        // A turn and where the rods stand after it are one act: there together, or not at all.
        if (before) expect([kill, rods.turns > before.turns]).toEqual([kill, rods.rods !== before.rods])
        before = rods
        if (kill === 0) Object.assign(kept, now)
        for (const [kind, count] of Object.entries(kept))
          expect([kill, kind, (now[kind] ?? 0) >= count]).toEqual([kill, kind, true])
        Object.assign(kept, now)
        const what = ['readings', 'turns', 'sheet', 'import', 'presses'][kill % 5]
        // The moment at which it dies: in the act, just behind it, or a little later.
        const late = [0, 8, 3, 20][((kill % 5) + Math.floor(kill / 5)) % 4]
        let dead = false
        const die = async () => {
          await page.waitForTimeout(late).catch(() => undefined)
          dead = true
          await browser.kill()
        }
        if (what === 'readings') {
          await page.getByLabel('read from').selectOption('typed')
          for (let i = 0; i < 3; i++) {
            await page.getByLabel('Pitch, Hz').fill(String(180 + kill + i / 10))
            await page.getByLabel('Pitch, Hz').press('Enter')
            if (await shownAsKept(page)) keep('readingTaken')
          }
          await page.getByLabel('Pitch, Hz').fill('181')
          await page.getByLabel('Pitch, Hz').press('Enter')
          await die()
        } else if (what === 'turns' || what === 'presses') {
          await page.getByLabel('read from').selectOption('practice')
          for (let i = 0; i < (what === 'turns' ? 2 : 1); i++) {
            await page.keyboard.press('Control+k')
            await page.getByPlaceholder('Type a word').fill(i ? 'All rods down 1/8' : 'All rods up 1/8')
            await page.keyboard.press('Enter')
            await page.getByPlaceholder('Type a word').waitFor({ state: 'detached' })
            await page.waitForTimeout(50)
            if (await shownAsKept(page)) keep('rodsTurned')
            if (what === 'turns') continue
            // What was said of the press before must not be taken for this one.
            await page
              .getByText(/^Noted: the press/)
              .first()
              .waitFor({ state: 'detached', timeout: 15_000 })
            await page.keyboard.press('p')
            const said = page.getByText(/^Noted: the press/).first()
            const pressed = await said.waitFor({ timeout: 3000 }).then(
              () => true,
              () => false,
            )
            if (pressed && (await shownAsKept(page))) keep('pressed')
            presses += Number(pressed)
          }
          await die()
        } else if (what === 'sheet') {
          await page.getByRole('link', { name: 'Sheets' }).click()
          await page.getByRole('button', { name: 'Keep the kit as it is' }).click()
          const name = page.getByLabel(/name/i).first()
          await name.fill(`Kill ${kill}`)
          await name.press('Enter')
          await page.getByRole('heading', { name: `Kill ${kill}` }).waitFor()
          if (await shownAsKept(page)) keep('sheetWritten')
          await die()
        } else {
          const ids = new Map(demo.events.map(({ id }) => [id, `${id}-k${kill}`]))
          const events = demo.events.slice(0, IMPORTED).map((event) => ({
            ...event,
            kit: `kit-${kill}`,
            id: ids.get(event.id),
            ...(event.event ? { event: ids.get(event.event) } : {}),
          }))
          writeFileSync(kitFile, JSON.stringify({ ...demo, kit: `kit-${kill}`, events, practice: [] }))
          await page.getByLabel('Kit file to import').setInputFiles(kitFile)
          await page.getByText(/^Imported /).waitFor({ timeout: 30_000 })
          if (await shownAsKept(page)) keep('kitMade')
          await die()
        }
        expect(dead).toBe(true)
      }
      const page = await browser.open(baseURL + RACK)
      await page.getByRole('region', { name: 'Next move' }).waitFor({ timeout: 30_000 })
      const now = await stored(page)
      for (const [kind, count] of Object.entries(kept))
        expect([kind, (now[kind] ?? 0) >= count]).toEqual([kind, true])
      expect(shown).toBeGreaterThan(KILLS)
      expect(presses).toBeGreaterThan(0)
    } finally {
      await browser.kill().catch(() => undefined)
      rmSync(browser.profile, { recursive: true, force: true })
      rmSync(kitFile, { force: true })
    }
  })
