import { button, command, expect, move, openHead, says, test, typePitches } from '../page'

test('from "no turn helps" its entry opens beside the work and closes back to it; found by words, and printed', async ({
  page,
}) => {
  // Typed numbers, as someone else measured them: as even as a hand leaves such a head.
  await openHead(page, 'Tom 12')
  await page.getByRole('combobox', { name: 'read from' }).selectOption('typed')
  await typePitches(page, ['145.9', '147.1', '146.0', '145.8', '147.0', '146.3'])
  await says(page, /no turn that a hand can make would bring it closer/)
  const link = move(page).locator('[data-entry="when-to-stop"]')
  await link.click()
  const book = page.getByRole('complementary', { name: 'Handbook' })
  await expect(book.getByRole('heading', { level: 2 })).toBeFocused()
  await button(book, 'What a hand leaves').click()
  await expect(book.getByRole('heading', { name: 'What a hand leaves' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(book).toBeHidden()
  await expect(link).toBeFocused()
  await page.goto('/handbook')
  await page.getByRole('searchbox').fill('growls')
  await button(page.getByRole('region', { name: 'Found' }), 'It growls or flaps').click()
  await expect(page).toHaveURL(/\/handbook\?entry=growls/)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'It growls or flaps' })).toBeVisible()
  await command(page, 'When to stop')
  await expect(page.getByRole('heading', { name: 'When to stop' })).toBeVisible()
  const { getDocumentProxy } = await import('unpdf')
  const pdf = await page.pdf({ format: 'A4' })
  expect((await getDocumentProxy(new Uint8Array(pdf))).numPages).toBe(1)
})
