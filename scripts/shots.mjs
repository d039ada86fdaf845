// Retakes docs/screenshots from the demo data: builds if needed, starts the app, drives Chromium.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync } from 'node:fs'
import { chromium } from '@playwright/test'

const PORT = 3218
if (!existsSync('.next/csp.json')) spawnSync('npm', ['run', '-s', 'build'], { stdio: 'inherit' })
mkdirSync('docs/screenshots', { recursive: true })
const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-p', String(PORT)], {
  stdio: 'ignore',
})
const base = `http://localhost:${PORT}`
for (let i = 0; i < 60; i++) {
  if (
    await fetch(base).then(
      (r) => r.ok,
      () => false,
    )
  )
    break
  await new Promise((resolve) => setTimeout(resolve, 250))
}
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
})

async function open(width, height, colorScheme) {
  const context = await browser.newContext({
    viewport: { width, height },
    colorScheme,
    reducedMotion: 'reduce',
  })
  return context.newPage()
}
async function benchWithMove(page) {
  await page.goto(base)
  await page.getByRole('button', { name: 'More for Snare 14' }).click()
  await page.getByRole('menuitem', { name: 'Batter on the bench' }).click()
  await page.getByRole('button', { name: 'All lugs left' }).click()
  await page.getByText('move 1 of').waitFor({ timeout: 90_000 })
  await page.waitForTimeout(400)
}
const shot = (page, name) => page.screenshot({ path: `docs/screenshots/${name}.png` })

try {
  const day = await open(1280, 800, 'light')
  await day.goto(base)
  await day.getByRole('heading', { name: 'Lounge kit' }).waitFor()
  await day.waitForTimeout(400)
  await shot(day, 'kit')
  await benchWithMove(day)
  await shot(day, 'bench')
  await day.goto(`${base}/sheets`)
  await day.getByRole('heading', { name: 'Open deck' }).waitFor()
  await shot(day, 'sheets')
  const night = await open(1280, 800, 'dark')
  await benchWithMove(night)
  await shot(night, 'bench-stage')
  const phone = await open(390, 844, 'dark')
  await benchWithMove(phone)
  await shot(phone, 'bench-phone-stage')
} finally {
  await browser.close()
  server.kill()
}
