// Retakes docs/screenshots from the demo data: builds if needed, starts the app, drives Chromium.
import { spawn, spawnSync } from 'node:child_process'
import { createInterface } from 'node:readline'
import { existsSync, mkdirSync } from 'node:fs'
import { chromium } from '@playwright/test'

const PORT = 3218
if (!existsSync('.next/csp.json')) spawnSync('npm', ['run', '-s', 'build'], { stdio: 'inherit' })
mkdirSync('docs/screenshots', { recursive: true })
const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-p', String(PORT)], {
  stdio: 'ignore',
  env: { ...process.env, HUMBRA_START: 'demo' },
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
}
/** The first hour on a device where nothing was done yet. */
async function firstHour(page, name) {
  await page.route('**/api/start', (route) =>
    route.fulfill({ json: { demo: false, addresses: ['https://192.168.1.20:3443'] } }),
  )
  await page.goto(base)
  await page
    .getByRole('textbox', { name: /The drums you have/ })
    .fill('20x15 kick, floor tom 15, 12 and 10 racks, 14x5.5 snare')
  await page.getByRole('listitem', { name: 'Snare 14' }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, name)
}
/** A made-up listener's runs of the drill, by the command: six weeks, each a little finer. */
async function earRuns() {
  const runs = []
  for (let week = 0; week < 6; week++) {
    const threshold = 26 - 3 * week
    const child = spawn('node', [
      'cli/run.mjs',
      'drill',
      '--kind',
      'higher',
      '--trials',
      '32',
      '--seed',
      String(week + 5),
    ])
    const answered = []
    let turn = 0
    for await (const text of createInterface({ input: child.stdout })) {
      const line = JSON.parse(text)
      if (line.trial === undefined) break
      const heard = line.cents > threshold || (line.cents > 0.6 * threshold && turn++ % 3 > 0)
      const answer = heard ? line.truth : line.answers[turn++ % 2]
      answered.push({ level: line.cents, answer, truth: line.truth, right: answer === line.truth })
      child.stdin.write(`${JSON.stringify({ answer })}\n`)
    }
    const at = new Date(Date.now() - (6 - week) * 7 * 86_400_000).toISOString()
    const drum = { kind: 'tom', diameterInches: 12, depthInches: 7, lugs: 6, hoop: 'triple-flanged' }
    runs.push({
      ...{
        what: 'drill',
        id: `shot-${week}`,
        at,
        kind: 'higher',
        seed: week + 5,
        through: 'headphones',
        answered,
      },
      drum: { ...drum, batterMils: [7, 7], resonantMils: [10], lugHz: 177.4 },
    })
  }
  return runs
}

const EAR_TRIALS = 18
const MISHEARD_CENTS = 26

/** In the page: the frequency at which each of the last two taps is strongest, in Hz. */
function strongestLines() {
  return window.heard.splice(0).map(({ samples, rateHz }) => {
    let best = { hz: 0, power: 0 }
    for (let hz = 140; hz < 225; hz += 0.25) {
      const turn = (2 * Math.PI * hz) / rateHz
      let [re, im] = [0, 0]
      for (let i = 0; i < samples.length; i += 8) {
        re += samples[i] * Math.cos(turn * i)
        im += samples[i] * Math.sin(turn * i)
      }
      if (re * re + im * im > best.power) best = { hz, power: re * re + im * im }
    }
    return best.hz
  })
}

/** The ear's drill, with what it found over some weeks. */
async function earOn(page) {
  const runs = await earRuns()
  await page.goto(`${base}/practice`)
  await page.getByRole('button', { name: /^Begin/ }).waitFor()
  await page.evaluate(
    (records) =>
      new Promise((resolve) => {
        const open = indexedDB.open('humbra')
        open.onsuccess = () => {
          const tx = open.result.transaction('drills', 'readwrite')
          for (const record of records) tx.objectStore('drills').put(record)
          tx.oncomplete = () => {
            open.result.close()
            resolve()
          }
        }
      }),
    runs,
  )
  // Answered by what is played: the strongest line of each tap, misheard by some cents.
  await page.addInitScript(() => {
    window.heard = []
    const copy = AudioBuffer.prototype.copyToChannel
    AudioBuffer.prototype.copyToChannel = function (samples, ...rest) {
      window.heard.push({ samples: samples.slice(), rateHz: this.sampleRate })
      return copy.call(this, samples, ...rest)
    }
  })
  await page.reload()
  await page.getByRole('button', { name: /^Begin/ }).click()
  for (let trial = 1; trial <= EAR_TRIALS; trial++) {
    await page.waitForFunction(() => {
      const first = document.querySelector('[role=group][aria-label=Answers] button')
      return first && !first.disabled
    })
    const [first, second] = await page.evaluate(strongestLines)
    const misheard = MISHEARD_CENTS * (((trial * 7) % 5) / 2 - 1)
    await page.keyboard.press(1200 * Math.log2(second / first) + misheard > 0 ? '2' : '1')
    await page.getByText(/^(Right|Wrong)\./).waitFor()
  }
  await shot(page, 'ear')
}
/** An entry beside the work that it explains. */
async function entryOn(page) {
  await benchWithMove(page)
  await page.getByRole('region', { name: 'Next move' }).locator('[data-entry]').first().click()
  await page.getByRole('complementary', { name: 'Handbook' }).getByRole('slider').first().waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'handbook')
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
  await page.goto(`${base}/logbook`)
  await page.getByText(', 8 in 10').waitFor({ timeout: 60_000 })
  await page.waitForTimeout(800)
  await shot(page, 'logbook')
  await page.goto(`${base}/run`)
  await page.getByLabel('to the sheet').selectOption({ label: 'Open deck' })
  await page.getByRole('button', { name: 'Start the run' }).click()
  await page.getByRole('region', { name: 'Retune run' }).waitFor()
  await page.goto(`${base}/run`)
  await page.getByRole('button', { name: /^Next:/ }).waitFor()
  await page.waitForTimeout(400)
  await shot(page, 'run')
}

async function shot(page, name) {
  // At rest: nothing is on its way to the disk any more.
  await page.waitForFunction(() => !document.querySelector('[data-on-the-way]:not([data-on-the-way="0"])'))
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

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
  await entryOn(await open(1280, 800, 'light'))
  await earOn(await open(1280, 800, 'dark'))
  await kitOn(await open(1280, 800, 'light'))
  const own = await open(1280, 800, 'light')
  await firstHour(own, 'welcome')
  await firstHour(await open(390, 844, 'dark'), 'welcome-phone-stage')
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
