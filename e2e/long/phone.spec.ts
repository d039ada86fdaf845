import { spawn } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { browserThatHears, HEARD_CENTS, readHz } from '../microphone'

const PORT = 3244

/** What `make phone` runs behind its build, over its own certificate; a phone-sized browser whose microphone plays a file. */
test('a phone comes over https, is welcomed, and reads a tap through its microphone', async ({}, info) => {
  const { browser, lugHz } = await browserThatHears(info)
  const server = spawn('node', ['scripts/phone.mjs'], { env: { ...process.env, PORT: String(PORT) } })
  let said = ''
  server.stdout.on('data', (data) => (said += String(data)))
  try {
    await expect.poll(() => said, { timeout: 60_000 }).toMatch(/https:\/\/[\d.]+:3244[\s\S]*Stop with/)
    // A code for the camera is drawn in the terminal.
    expect(said).toMatch(/[▀▄█]{4}/)
    const context = await browser.newContext({
      ignoreHTTPSErrors: true,
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
    })
    const page = await context.newPage()
    await page.goto(/https:\/\/[\d.]+:3244/.exec(said)![0])
    expect(await page.evaluate(() => window.isSecureContext)).toBe(true)
    await page.getByRole('textbox', { name: /The drums you have/ }).fill('12x7 tom')
    await page.getByRole('button', { name: /^microphone/ }).tap()
    await expect(page.getByRole('button', { name: /^Lug 1, [\d.]+ Hz/ })).toBeVisible({ timeout: 60_000 })
    expect(Math.abs(1200 * Math.log2((await readHz(page, 1)) / lugHz))).toBeLessThan(HEARD_CENTS)
    // The same addresses and code as in the terminal.
    for (const place of ['share', 'settings']) {
      await page.goto(`https://localhost:${PORT}/${place}`)
      await expect(page.getByRole('img', { name: /^Code of the address https/ })).toBeVisible()
    }
  } finally {
    await browser.close()
    server.kill()
  }
})
