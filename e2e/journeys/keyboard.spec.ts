import { button, expect, move, notice, openHead, readRound, says, test } from '../page'

test('by keyboard alone: a round, moves, a press, a tap, a sheet; the focus goes where the work goes', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await button(page, 'Put it out of tune').focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('a')
  await says(page, /^move 1 of/)
  const focus = () => page.evaluate(() => document.activeElement?.textContent ?? '')
  const body = () => page.evaluate(() => document.activeElement === document.body)
  await button(page, 'Turned').focus()
  const pressed = button(page, 'Pressed')
  for (let i = 0; i < 12 && !(await pressed.isVisible()); i++) {
    const before = (await move(page).textContent())!
    await page.keyboard.press('Enter')
    await expect(move(page)).not.toHaveText(before)
    await says(page, /^(move \d|all moves made)/)
    await expect.poll(body).toBe(false)
  }
  await expect.poll(focus).toBe('Pressed')
  await page.keyboard.press('Enter')
  await says(page, /0 of 10 lugs read/)
  await expect.poll(focus).toBe('Tap')
  // A tap that is refused is made again, as a hand would.
  await expect(async () => {
    await page.keyboard.press('t')
    await expect(move(page)).toHaveText(/1 of 10 lugs read/, { timeout: 10_000 })
  }).toPass()
  // Into a window and back to where it came from.
  await button(page, 'How it listens').focus()
  await page.keyboard.press('Enter')
  const dialog = page.getByRole('dialog')
  await expect(dialog).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(dialog).toHaveCount(0)
  await expect.poll(focus).toBe('How it listens')
  // A step that is gone hands the focus to the next one's own button.
  await page.keyboard.press('k')
  await expect(page).toHaveURL(/step=keep/)
  await expect.poll(body).toBe(false)
  const sheet = page.getByRole('combobox', { name: /^Sheet/ })
  await sheet.focus()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Engine room')
  await button(page, /^Keep (it|the batter)/).focus()
  await page.keyboard.press('Enter')
  await expect(notice(page)).toContainText(/^Kept Snare 14 on Engine room/)
  // A window's address: Back closes it, and goes through the steps.
  await page.keyboard.press('z')
  await expect(page).toHaveURL(/step=even/)
  await page.keyboard.press('u')
  await expect(dialog).toBeVisible()
  await page.goBack()
  await expect(dialog).toHaveCount(0)
  await page.goBack()
  await expect(page).toHaveURL(/step=keep/)
  await page.keyboard.press('g')
  await page.keyboard.press('s')
  await expect(page.getByRole('heading', { name: 'Engine room' })).toBeVisible()
  await page.keyboard.press('Shift+?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
})

test('at 1280 by 800 nothing scrolls while a head is evened', async ({ page }) => {
  const still = async () => {
    const scrolls = await page.evaluate(() => {
      const panel = document.querySelector('section[aria-label="Next move"]')!
      const all = document.documentElement
      return { panel: panel.scrollHeight - panel.clientHeight, page: all.scrollHeight - all.clientHeight }
    })
    expect([scrolls.panel > 1, scrolls.page > 1]).toEqual([false, false])
  }
  await openHead(page, 'Tom 12')
  await button(page, 'Put it out of tune').click()
  await still()
  await readRound(page)
  await still()
  const turned = button(page, 'Turned')
  const pressed = button(page, 'Pressed')
  while (await turned.isVisible()) {
    await turned.click()
    await expect(turned.or(pressed)).toBeVisible()
    await still()
  }
})
