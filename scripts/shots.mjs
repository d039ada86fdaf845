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
  await page.getByRole('menuitem', { name: /^batter/ }).click()
  await page.getByRole('button', { name: 'All lugs left' }).click()
  await page.getByText('move 1 of').waitFor({ timeout: 90_000 })
  await page.waitForTimeout(400)
}
/** The work around evening, on the 12 inch tom: looked over, a fault sought, a head fitted. */
async function workOn(page) {
  await page.goto(base)
  await page.getByRole('button', { name: 'More for Tom 12' }).click()
  await page.getByRole('menuitem', { name: /^batter/ }).click()
  await page.waitForTimeout(400)
  await page.keyboard.press('o')
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'All well, on' }).click()
  await page.getByRole('button', { name: 'missing washer' }).click()
  await page.getByRole('button', { name: 'Rod 4' }).click()
  await page.getByRole('button', { name: 'Note it' }).click()
  await page.waitForTimeout(400)
  await shot(page, 'look')
  await page.keyboard.press('x')
  await page.getByRole('button', { name: 'will not come even' }).click()
  await page.getByRole('button', { name: 'some loose, some tight' }).click()
  await page.waitForTimeout(400)
  await shot(page, 'fault')
  await page.keyboard.press('b')
  await page.getByRole('application').waitFor({ timeout: 20_000 })
  await page.getByRole('button', { name: 'Read it' }).click()
  await page.getByText('1 centre reading has taught this drum.').waitFor({ timeout: 20_000 })
  for (const [name, words] of [
    ['resonant above', 'fourth'],
    ['batter lug', '160'],
  ]) {
    await page.getByRole('textbox', { name }).fill(words)
    await page.getByRole('textbox', { name }).press('Enter')
    await page.waitForTimeout(600)
  }
  await page.waitForTimeout(800)
  await shot(page, 'pair')
  await page.getByRole('button', { name: /^keep,/ }).click()
  await page.getByRole('region', { name: 'What is kept' }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'keep')
  await page.keyboard.press('i')
  await page.getByRole('button', { name: 'Done, on' }).click()
  await page.waitForTimeout(400)
  await shot(page, 'fit')
  await page.getByRole('button', { name: 'It is on already' }).click()
  await page.getByText(/^up from slack/).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'climb')
}
/** Typed numbers that no head could show: which lugs to tap again. */
async function disagreeOn(page) {
  await page.goto(base)
  await page.getByRole('button', { name: 'More for Tom 12' }).click()
  await page.getByRole('menuitem', { name: /^batter/ }).click()
  await page.getByLabel('cents from', { exact: true }).selectOption('level')
  await page.getByLabel('read from').selectOption('typed')
  for (const hz of [150, 150, 151, 150, 150, 163]) {
    await page.getByLabel('Pitch, Hz').fill(String(hz))
    await page.keyboard.press('Enter')
  }
  await page.getByText('not done: these disagree').waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'disagree')
}
/** Two heads lived with: the experiment, two states compared, the snare. */
async function strokesOn(page) {
  await page.goto(base)
  await page.getByRole('button', { name: 'More for Tom 12' }).click()
  await page.getByRole('menuitem', { name: /^batter/ }).click()
  await page.waitForTimeout(400)
  await page.getByRole('button', { name: 'beside' }).click()
  await page.getByRole('menuitem', { name: /^one turn on purpose/ }).click()
  await page.getByRole('button', { name: /^Begin/ }).click()
  for (let i = 0; i < 4; i++) {
    await page.getByRole('button', { name: 'Strike it' }).click()
    if (i === 3) break
    await page.getByRole('button', { name: 'Turned and pressed' }).click()
    for (const read of [0, 1]) {
      await page.getByText(`Read 2 lugs, ${read} read`).waitFor()
      await page.getByRole('button', { name: /^Tap lug/ }).click()
    }
  }
  await page.getByText('Back where it was', { exact: true }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'drastic')
  await page.getByRole('button', { name: 'Done' }).click()
  await page.keyboard.press('v')
  await page.getByLabel('third (dotted)').selectOption({ index: 2 })
  await page.getByRole('img', { name: /^Decay and tones.*Third/ }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'compare')
  await page.goto(base)
  await page.getByRole('button', { name: 'More for Snare 14' }).click()
  await page.getByRole('menuitem', { name: /^batter/ }).click()
  await page.getByRole('navigation', { name: /^The job of Snare/ }).waitFor()
  await page.keyboard.press('Shift+S')
  await page.getByRole('region', { name: 'Snare' }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'snare')
}
/** The whole kit: planned, on paper, and retuned before doors. */
async function kitOn(page) {
  await page.goto(`${base}/spacing`)
  await page.getByRole('list', { name: 'Plans' }).waitFor({ timeout: 30_000 })
  await page.waitForTimeout(500)
  await shot(page, 'spacing')
  await page.goto(`${base}/print?sheet=demo-sheet-deck`)
  await page.getByRole('heading', { name: 'Open deck on paper' }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'print')
  await page.goto(`${base}/run`)
  await page.getByLabel('to the sheet').selectOption({ label: 'Open deck' })
  await page.getByRole('button', { name: 'Start the run' }).click()
  await page.getByRole('region', { name: 'Retune run' }).waitFor()
  await page.goto(`${base}/run`)
  await page.getByRole('button', { name: /^Next:/ }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'run')
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
  await day.keyboard.press('w')
  await day.getByRole('img', { name: /^Spectrum/ }).waitFor()
  await day.waitForTimeout(400)
  await shot(day, 'heard')
  await day.keyboard.press('Escape')
  // The window's entry of the history is gone over first.
  await day.waitForTimeout(400)
  await workOn(day)
  await day.goto(`${base}/sheets`)
  await day.getByRole('heading', { name: 'Open deck' }).waitFor()
  await shot(day, 'sheets')
  await strokesOn(await open(1280, 800, 'light'))
  await kitOn(await open(1280, 800, 'light'))
  await disagreeOn(await open(1280, 800, 'light'))
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
