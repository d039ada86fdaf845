import { createServer, request as ask } from 'node:http'
import { STEP_IDS } from '../../src/core/status/steps'
import { COMMANDS } from '../../src/commands'
import { expect, test } from '@playwright/test'
import { evenOut, openHead } from '../page'
import { serve } from '../serve'

const PORT = 3219
const URL = `http://localhost:${PORT}`

test.use({ serviceWorkers: 'allow', baseURL: URL })

const PLACES = {
  Kit: /^(?!Opening).+/,
  Bench: /.+/,
  Spacing: /^Spacing$/,
  Sheets: /^Sheets$/,
  'Retune run': /run/i,
}

test('after the first visit everything works with the server gone', async ({ page }) => {
  const { server, up } = serve(PORT)
  const wrong: string[] = []
  page.on('pageerror', (error) => wrong.push(error.message))
  try {
    await expect.poll(up, { timeout: 90_000 }).toBe(true)
    await page.goto('/')
    await page.getByRole('button', { name: 'More for Snare 14' }).waitFor()
    // Kept once its worker is in charge of the page.
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null, null, { timeout: 60_000 })
    // At once: one that is asked to end answers on for as long as a connection is held open.
    server.kill('SIGKILL')
    await expect.poll(up).toBe(false)
    for (const [name, heading] of Object.entries(PLACES)) {
      await page.getByRole('link', { name, exact: true }).click()
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(heading)
    }
    for (const path of [
      '/',
      '/bench',
      '/spacing',
      '/sheets',
      '/run',
      '/logbook',
      '/practice',
      '/handbook',
      '/print',
    ]) {
      await page.goto(path)
      await expect(page.locator('main')).not.toHaveText(/^(Opening the log…)?$/)
      await expect(page.getByRole('heading').first()).toBeVisible()
    }
    await openHead(page, 'Tom 10')
    await page.evaluate(() => undefined)
    const windows: string[] = []
    for (const { label } of COMMANDS) {
      await page.keyboard.press('Control+k')
      await page.getByPlaceholder('Type a word').fill(label)
      const item = page.getByRole('option').filter({ has: page.getByText(label, { exact: true }) })
      const there = await item.isVisible()
      if (
        !there ||
        !/^(Why|Uneven|Something|What was|How|Two taps|Show the keys|Add|Rename|A borrowed|Feel|Hide)/.test(
          label,
        )
      ) {
        await page.keyboard.press('Escape')
        await expect(page.getByRole('dialog')).toHaveCount(0)
        continue
      }
      await item.click()
      await expect(page.getByRole('dialog').last()).toBeVisible()
      await expect(page.getByPlaceholder('Type a word')).toHaveCount(0)
      await page.getByRole('dialog').last().getByRole('heading').first().waitFor()
      windows.push(label)
      await page.keyboard.press('Escape')
      await expect(page.getByRole('dialog')).toHaveCount(0)
    }
    expect(windows.length).toBeGreaterThan(5)
    // Every step's own code is there as well.
    await openHead(page, 'Tom 10')
    await expect(page).toHaveURL(/drum=/)
    const drum = /drum=([^&]+)/.exec(page.url())![1]
    for (const step of STEP_IDS) {
      await page.goto(`/bench?drum=${drum}&head=batter&step=${step}`)
      await expect(page.getByRole('region', { name: 'Next move' })).not.toBeEmpty()
    }
    await openHead(page, 'Tom 10')
    await page.getByRole('button', { name: 'Put it out of tune' }).click()
    await evenOut(page, 8)
    await page.reload()
    await expect(page.getByRole('heading', { name: 'Tom 10' })).toBeVisible()
    await expect(page.getByRole('button', { name: /^Lug 1, \d/ })).toBeVisible()
    expect(wrong).toEqual([])
  } finally {
    server.kill()
  }
})

test('a newer version waits until it is taken, and then is taken by all tabs at once', async ({
  context,
}) => {
  const { server, up } = serve(PORT + 1)
  let newer = false
  // In front of the server: the same files, but a service worker that differs once there is a newer version.
  const front = createServer((incoming, outgoing) => {
    const { url, method } = incoming
    const headers = { ...incoming.headers, 'accept-encoding': 'identity' }
    delete headers['if-none-match']
    delete headers['if-modified-since']
    const passed = ask({ port: PORT + 1, path: url, method, headers }, (answer) => {
      const own = { ...answer.headers }
      if (url === '/sw.js') delete own['content-length']
      outgoing.writeHead(answer.statusCode!, own)
      answer.pipe(outgoing, { end: false })
      answer.on('end', () => outgoing.end(url === '/sw.js' && newer ? '\n// newer' : ''))
    })
    incoming.pipe(passed)
  })
  await new Promise<void>((resolve) => front.listen(PORT + 2, resolve))
  try {
    await expect.poll(up, { timeout: 90_000 }).toBe(true)
    const url = `http://localhost:${PORT + 2}`
    const one = await context.newPage()
    await one.goto(url)
    await one.waitForFunction(() => navigator.serviceWorker.controller !== null, null, { timeout: 60_000 })
    const two = await context.newPage()
    await two.goto(`${url}/sheets`)
    newer = true
    for (const page of [one, two]) await page.reload()
    await one.evaluate(() => navigator.serviceWorker.getRegistration().then((all) => all!.update()))
    const word = (page: typeof one) => page.getByText(/^A newer Humbra is on this device/)
    await expect(word(one)).toBeVisible()
    // What a tab in the background still asks for, the tab in front does not know.
    await two.waitForLoadState('networkidle')
    const reloaded = Promise.all([one, two].map((page) => page.waitForEvent('load')))
    await one.getByRole('button', { name: 'Use it now' }).click()
    await reloaded
    for (const page of [one, two]) {
      await expect(page.getByRole('heading').first()).toBeVisible()
      await expect(word(page)).toHaveCount(0)
    }
  } finally {
    front.close()
    server.kill()
  }
})
