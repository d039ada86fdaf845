import { expect } from '@playwright/test'
import { button, openHead, readRound, test } from '../page'
import { serve } from '../serve'

const PORT = 3219

test.use({ serviceWorkers: 'allow', baseURL: `http://localhost:${PORT}` })

test('after the first visit the places open and a head is read with the server gone', async ({ page }) => {
  const { server, up } = serve(PORT)
  try {
    await expect.poll(up, { timeout: 90_000 }).toBe(true)
    await page.goto('/')
    await expect(button(page, 'More for Snare 14')).toBeVisible()
    // Kept once its worker is in charge of the page.
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
    // At once: one that is asked to end answers on for as long as a connection is held open.
    server.kill('SIGKILL')
    await expect.poll(up).toBe(false)
    for (const path of ['/spacing', '/logbook', '/handbook']) {
      await page.goto(path)
      await expect(page.getByRole('heading').first()).toBeVisible()
      await expect(page.getByRole('main')).not.toHaveText(/^(Opening the log…)?$/)
    }
    await openHead(page, 'Tom 10')
    await button(page, 'Put it out of tune').click()
    await readRound(page)
    await page.reload()
    await expect(button(page, /^Lug 1, \d/)).toBeVisible()
    // What another app shares comes as a form by POST, which no server ever sees: laid aside, and taken by the page, once.
    await page.evaluate(async () => {
      const form = new FormData()
      form.append('files', new File(['Tom 12;150;160'], 'from elsewhere.csv', { type: 'text/csv' }))
      await fetch('/share', { method: 'POST', body: form, redirect: 'manual' })
    })
    await page.goto('/share')
    const look = page.getByRole('dialog', { name: 'A table of drums and pitches' })
    await expect(look).toContainText('150.0 Hz')
    await button(look, 'Leave it').click()
    await expect(look).toHaveCount(0)
  } finally {
    server.kill('SIGKILL')
  }
})
