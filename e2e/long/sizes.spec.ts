import type { Page } from '@playwright/test'
import { STEP_IDS, STEPS } from '../../src/core/status/steps'
import { faultsOf } from '../layout'
import { expect, move, openHead, readRound, test } from '../page'

/** Phones, one of them held across, tablets, laptops at 100, 200 and 400% zoom, and a wide screen. */
const SIZES: ReadonlyArray<[number, number]> = [
  ...([
    [320, 568],
    [360, 640],
    [390, 844],
    [844, 390],
    [640, 360],
    [768, 1024],
  ] as const),
  ...([
    [1024, 600],
    [1280, 800],
    [1920, 1080],
    [2560, 1600],
  ] as const),
].map(([width, height]) => [width, height])

/** Looser text, as WCAG 1.4.12 has it. */
const SPACED = `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }
p { margin-bottom: 2em !important; }`

async function walk(page: Page, what: string): Promise<string[]> {
  const found: string[] = []
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height })
    // Drawn anew for its width.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
    const { sideways, overlapping, small } = await faultsOf(page)
    for (const fault of [
      ...sideways.map((each) => `sideways ${each}`),
      ...overlapping.map((each) => `over: ${each}`),
      ...small.map((each) => `small: ${each}`),
    ])
      found.push(`${what} ${width}x${height} ${fault}`)
  }
  return found
}

const ready = (page: Page) => expect(move(page)).not.toBeEmpty()

test('every step, on a drum with ten lugs and on the kick, lies well in ten sizes', async ({ page }) => {
  const found: string[] = []
  for (const drum of ['Snare 14', 'Kick 20']) {
    await page.setViewportSize({ width: 1280, height: 800 })
    await openHead(page, drum)
    const id = new URL(page.url()).searchParams.get('drum')!
    const steps = STEP_IDS.filter((step) =>
      drum === 'Kick 20' ? STEPS[step].only === 'kick' : STEPS[step].only !== 'kick',
    )
    for (const step of steps) {
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto(`/bench?drum=${id}&head=batter&step=${step}`)
      await ready(page)
      if (step === 'heads') await expect(page.getByRole('application')).toBeVisible()
      if (step === 'even') await readRound(page)
      found.push(...(await walk(page, `${drum} ${step}`)))
    }
  }
  expect(found).toEqual([])
})

test('every place lies well in ten sizes', async ({ page }) => {
  const found: string[] = []
  for (const path of ['/', '/spacing', '/sheets', '/print', '/run', '/logbook', '/practice', '/handbook']) {
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    if (path === '/spacing')
      await expect(page.getByRole('list', { name: 'Plans' })).toBeVisible({ timeout: 30_000 })
    found.push(...(await walk(page, path)))
  }
  expect(found).toEqual([])
})

test('text that is set wider runs off nowhere and lies over nothing', async ({ page }) => {
  const found: string[] = []
  await openHead(page, 'Snare 14')
  const bench = page.url()
  for (const [width, height] of [
    [390, 844],
    [1280, 800],
  ]) {
    await page.setViewportSize({ width, height })
    for (const url of [bench, bench.replace('even', 'keep'), bench.replace('even', 'look'), '/', '/run']) {
      await page.goto(url)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      // As a reader's own style sheet does, which the content policy has no say in.
      await page.evaluate((css) => {
        const sheet = new CSSStyleSheet()
        sheet.replaceSync(css)
        document.adoptedStyleSheets = [sheet]
      }, SPACED)
      const { sideways, overlapping } = await faultsOf(page)
      found.push(...[...sideways, ...overlapping].map((each) => `${url} ${width} ${each}`))
    }
  }
  expect(found).toEqual([])
})

test('at 1280 by 800 nothing scrolls while a head is evened', async ({ page }) => {
  const scrolls = () =>
    page.evaluate(() => {
      const panel = document.querySelector('section[aria-label="Next move"]')!
      const all = document.documentElement
      return { panel: panel.scrollHeight - panel.clientHeight, page: all.scrollHeight - all.clientHeight }
    })
  const still = async () => {
    const { panel, page: whole } = await scrolls()
    expect([panel > 1, whole > 1]).toEqual([false, false])
  }
  for (const drum of ['Snare 14', 'Tom 12']) {
    await openHead(page, drum)
    await page.getByRole('button', { name: 'Put it out of tune' }).click()
    await still()
    await readRound(page)
    await still()
    const turned = page.getByRole('button', { name: 'Turned', exact: true })
    const pressed = page.getByRole('button', { name: 'Pressed', exact: true })
    while (await turned.isVisible()) {
      await turned.click()
      await expect(turned.or(pressed)).toBeVisible()
      await still()
    }
    await pressed.click()
    await readRound(page)
    await still()
  }
})
