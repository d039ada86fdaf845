import { button, expect, move, openHead, readRound, says, test } from '../page'

test('in mid-pass: a reload before the disk has it, a second tab, undo both ways, a killed tab', async ({
  page,
  context,
}) => {
  await openHead(page, 'Tom 12')
  await button(page, 'Put it out of tune').click()
  await readRound(page)
  await says(page, /^move 1 of/)
  const first = (await move(page).textContent())!
  // A disk that answers too late: the page goes away before the move is in the database.
  await page.evaluate(() => void navigator.locks.request('humbra-log', () => new Promise(() => undefined)))
  await button(page, 'Turned').click()
  await says(page, /^(move 2 of|all moves made)/)
  await page.reload()
  await says(page, /^(move 2 of|all moves made)/)
  const second = await context.newPage()
  await second.goto('/bench')
  await says(second, /^(move 2 of|all moves made)/)

  // A turn asks how it is undone, and the second tab follows.
  const undo = page.getByRole('dialog', { name: 'Undo the turn' })
  await page.keyboard.press('Control+z')
  await button(undo, 'It was not made').click()
  await expect(move(page)).toHaveText(first)
  await expect(move(second)).toHaveText(first)
  // Turned back by hand: the turn stays in the log, and one against it.
  await button(page, 'Turned').click()
  await says(second, /^(move 2 of|all moves made)/)
  await page.keyboard.press('Control+z')
  await button(undo, 'I turned it back').click()
  const kinds = () =>
    page.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const open = indexedDB.open('humbra')
        open.onsuccess = () => resolve(open.result)
      })
      const all = await new Promise<Array<{ event: { kind: string; turns?: number[] } }>>((resolve) => {
        const get = db.transaction('events').objectStore('events').getAll()
        get.onsuccess = () => resolve(get.result)
      })
      db.close()
      return all.slice(-2).map(({ event }) => [event.kind, event.turns?.reduce((sum, turn) => sum + turn, 0)])
    })
  await expect(page.locator('[data-on-the-way="0"]').first()).toBeAttached()
  const [made, back] = await kinds()
  expect([made[0], back[0]]).toEqual(['rodsTurned', 'rodsTurned'])
  expect(back[1]).toBeCloseTo(-(made[1] as number), 9)
  const shown = (await move(page).textContent())!
  await expect(move(second)).toHaveText(shown)
  await page.close({ runBeforeUnload: false })
  const third = await context.newPage()
  await third.goto('/bench')
  await expect(move(third)).toHaveText(shown)
})
