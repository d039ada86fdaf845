import { expect as baseExpect, test as base } from '@playwright/test'
import { browserThatHears, HEARD_CENTS, readHz } from '../microphone'
import { expect, move, openHead, test } from '../page'

base('the microphone hears a tap from Chromium’s fake capture device', async ({ baseURL }, info) => {
  const { browser, lugHz } = await browserThatHears(info)
  const context = await browser.newContext({
    baseURL,
    permissions: ['microphone'],
    viewport: { width: 1280, height: 800 },
  })
  const page = await context.newPage()
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('microphone')
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await baseExpect(page.getByText('listening').or(page.getByText('heard', { exact: true }))).toBeVisible({
    timeout: 15_000,
  })
  const lug = page.getByRole('button', { name: /^Lug 1, [\d.]+ Hz/ })
  await baseExpect(lug).toBeVisible({ timeout: 60_000 })
  baseExpect(Math.abs(1200 * Math.log2((await readHz(page, 1)) / lugHz))).toBeLessThan(HEARD_CENTS)
  await page.getByRole('button', { name: 'Stop' }).click()
  await baseExpect(page.getByRole('button', { name: 'Listen', exact: true })).toBeVisible()
  await browser.close()
})

test('a refused, a missing and an insecure microphone are said plainly, with the way out', async ({
  page,
}) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () =>
      Promise.reject(
        new DOMException('no', (window as unknown as { failure?: string }).failure ?? 'NotAllowedError'),
      )
  })
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('microphone')
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'may not use the microphone' })).toBeVisible()
  await page.evaluate(() => ((window as unknown as { failure: string }).failure = 'NotFoundError'))
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'No microphone was found' })).toBeVisible()
  await page.evaluate(() => Object.defineProperty(window, 'isSecureContext', { value: false }))
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'secure address' })).toBeVisible()
  await expect(move(page)).toBeVisible()
})
