import { extractText, getDocumentProxy } from 'unpdf'
import { button, evenOut, expect, move, says, test } from '../page'

const DRUMS = ['Kick 20', 'Floor tom 15', 'Tom 12', 'Tom 10', 'Snare 14']

test('a retune run to another sheet: a head brought there, a reload, the rest left, its report on one page', async ({
  page,
}) => {
  await page.goto('/run')
  await page.getByRole('combobox', { name: 'to the sheet' }).selectOption({ label: 'Open deck' })
  await button(page, 'Start the run').click()
  const bar = page.getByRole('region', { name: 'Retune run' })
  const progress = async () => Number(/: (\d+) of 10/.exec(await bar.innerText())![1])
  await expect(bar).toHaveText(/To Open deck: \d+ of 10/)
  const before = await progress()
  await evenOut(page, 7)
  const next = button(move(page), /^Next: /)
  await next.click()
  await says(page, /lugs read/)
  await page.reload()
  await expect(bar).toHaveText(/To Open deck: \d+ of 10/)
  expect(await progress()).toBeGreaterThan(before)
  await bar.getByRole('link', { name: /^To Open deck/ }).click()
  await expect(button(page, 'End the run')).toBeVisible()
  const left = button(page, /: cannot be had$/)
  while ((await left.count()) > 0) await left.first().click()
  // Taken up again, and left.
  await button(page, /: take it up again$/)
    .first()
    .click()
  await expect(left).toHaveCount(1)
  await left.click()
  await button(page, 'End the run').click()
  const report = page.getByRole('region', { name: 'Report' })
  const heads = report.getByRole('table', { name: 'Heads' })
  await expect(heads.getByRole('row')).toHaveCount(11)
  for (const drum of DRUMS)
    await expect(heads.getByRole('row', { name: new RegExp(`^${drum}`) })).toHaveCount(2)
  const pdf = await getDocumentProxy(new Uint8Array(await page.pdf({ format: 'A4' })))
  const { totalPages, text } = await extractText(pdf, { mergePages: true })
  expect(totalPages).toBe(1)
  for (const drum of DRUMS) expect(text).toContain(drum)
  expect(text).not.toContain('Start the run')
  // The report is in the log.
  await page.reload()
  await expect(heads.getByRole('row')).toHaveCount(11)
})
