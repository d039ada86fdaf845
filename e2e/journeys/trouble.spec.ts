import { button, expect, notice, openHead, test } from '../page'

test('a refused microphone, a file that is none and a damaged kit are said plainly, with the way out', async ({
  page,
}) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'))
  })
  await openHead(page, 'Tom 12')
  const source = page.getByRole('combobox', { name: 'read from' })
  await source.selectOption('microphone')
  await button(page, 'Listen').click()
  await expect(page.getByRole('alert').filter({ hasText: 'may not use the microphone' })).toBeVisible()
  await source.selectOption('file')
  await page
    .getByLabel('Recording to read')
    .setInputFiles({ name: 'letter.wav', mimeType: 'text/plain', buffer: Buffer.from('Dear all') })
  await expect(notice(page)).toContainText('letter.wav is no recording')
  const kit = await page.evaluate(() => fetch('/demo/lounge.humbra.json').then((answer) => answer.json()))
  kit.events.filter((event: { kind: string }) => event.kind === 'readingTaken')[6].hz = 3
  const file = { name: 'kit.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(kit)) }
  await page.getByLabel('Kit file to import').setInputFiles(file)
  await expect(notice(page)).toContainText(
    'Reading 7 has a pitch of 3 Hz, which no drum has. Nothing was changed.',
  )
  await button(page, 'Details').click()
  await expect(notice(page)).toContainText(/events\[\d+\]\.hz/)
})
