import { command, expect, move, openHead, test } from './page'

const panel = 'complementary'

test('from "no turn helps" on the Bench its entry opens beside it, and closes back to it', async ({
  page,
}) => {
  // Typed numbers, as someone else measured them: as even as a hand leaves such a head.
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('typed')
  for (const hz of ['145.9', '147.1', '146.0', '145.8', '147.0', '146.3']) {
    await page.getByLabel('Pitch, Hz').fill(hz)
    await page.keyboard.press('Enter')
  }
  await expect(move(page).getByText(/no turn that a hand can make would bring it closer/)).toBeVisible()
  const links = move(page).locator('[data-entry="when-to-stop"]')
  await expect(links).toHaveCount(1)
  await links.first().click()
  const book = page.getByRole(panel, { name: 'Handbook' })
  await expect(book.getByRole('heading', { level: 2 })).toBeFocused()
  // The work is still there, and still works.
  await expect(move(page).getByText(/no turn that a hand can make/)).toBeVisible()
  await book.getByRole('button', { name: 'What a hand leaves' }).click()
  await expect(book.getByRole('heading', { name: 'What a hand leaves' })).toBeVisible()
  const size = book.getByLabel('Diameter, in inches')
  await expect(book).toContainText('On every rod alone')
  const said = book.getByText(/about \d+ c of spread/)
  const before = await said.textContent()
  await size.focus()
  await page.keyboard.press('End')
  await expect(said).not.toHaveText(before!)
  await page.keyboard.press('Escape')
  await expect(book).toBeHidden()
  await expect(links.first()).toBeFocused()
})

test('search by "growls", as one types, leads to the entry; the address opens it again', async ({ page }) => {
  await page.goto('/handbook')
  const field = page.getByRole('searchbox')
  await field.pressSequentially('growl')
  await expect(page.getByText(/^\d+ entr/)).toBeVisible()
  await field.pressSequentially('s')
  await page
    .getByRole('region', { name: 'Found' })
    .getByRole('button', { name: 'It growls or flaps' })
    .click()
  await expect(page).toHaveURL(/\/handbook\?entry=growls/)
  await expect(page.getByRole('heading', { name: 'It growls or flaps' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'It growls or flaps' })).toBeVisible()
  await field.fill('xylophonist')
  await expect(page.getByText(/No entry has that word/)).toBeVisible()
})

test('a reading order for beginners, from entry to entry, and back by the browser', async ({ page }) => {
  await page.goto('/handbook')
  await page
    .getByRole('region', { name: 'To begin with' })
    .getByRole('button', { name: '1. The order of work' })
    .click()
  await page.getByRole('button', { name: /^Next: Batter and resonant head/ }).click()
  await expect(page.getByRole('heading', { name: 'Batter and resonant head' })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'The order of work' }).last()).toBeVisible()
})

test('a setting, a place and the palette lead to their entries', async ({ page }) => {
  await page.goto('/settings')
  await page.getByRole('button', { name: 'One key or two in the Handbook' }).click()
  await expect(page.getByRole(panel, { name: 'Handbook' })).toContainText('both rods of an opposite pair')
  await page.getByRole('button', { name: 'Close the Handbook' }).click()
  await page.keyboard.press('Shift+H')
  await expect(page.getByRole(panel, { name: 'Handbook' }).getByRole('heading', { level: 2 })).toHaveText(
    'Where readings come from',
  )
  await page.keyboard.press('Escape')
  await command(page, 'coming down sticks')
  await expect(page).toHaveURL(/\/handbook\?entry=coming-down-sticks/)
})

test('an entry prints on one page', async ({ page }) => {
  await page.goto('/handbook?entry=when-to-stop')
  await expect(page.getByRole('heading', { name: 'When to stop' })).toBeVisible()
  await expect(page.getByText('What 1/64 turn leaves')).toBeVisible()
  const pdf = await page.pdf({ format: 'A4' })
  const { getDocumentProxy } = await import('unpdf')
  expect((await getDocumentProxy(new Uint8Array(pdf))).numPages).toBe(1)
})
