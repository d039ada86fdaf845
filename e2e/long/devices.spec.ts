import { readFileSync, writeFileSync } from 'node:fs'
import { chromium, type Browser, type Page } from '@playwright/test'
import { create } from 'qrcode'
import { button, expect, notice, test, typePitches } from '../page'
import { emptyDevice, ownKit } from '../welcome'

const DAY_MS = 86_400_000
const NOW = Date.UTC(2026, 10, 20, 18)

/** A page on a device of its own, whose clock says so many days from now. */
async function device(browser: Browser, baseURL: string, days: number): Promise<Page> {
  const context = await browser.newContext({ baseURL, acceptDownloads: true })
  const page = await context.newPage()
  await page.clock.install({ time: NOW + days * DAY_MS })
  return page
}

async function saved(page: Page, path: string): Promise<string> {
  await page.goto('/share')
  const file = page.waitForEvent('download')
  await button(page, /^Kit file/).click()
  await (await file).saveAs(path)
  return path
}

async function take(page: Page, file: string): Promise<void> {
  await page.goto('/share')
  const chooser = page.waitForEvent('filechooser')
  await button(page, 'Choose files').click()
  await (await chooser).setFiles(file)
}

const shown = async (page: Page) => {
  await page.goto('/')
  return (
    (await page
      .getByRole('img', { name: /Tom 12/ })
      .first()
      .getAttribute('aria-label')) ?? ''
  )
}

test('two devices that worked on one kit show the same, whichever took the other first; a wrong clock is said', async ({
  browser,
  baseURL,
}, info) => {
  const path = (name: string) => info.outputPath(`${name}.json`)
  const first = await device(browser, baseURL!, -6)
  await ownKit(first, '12x8 tom')
  const begun = await saved(first, path('begun'))
  // B read it five days ago, A yesterday.
  const b = await device(browser, baseURL!, -5)
  await emptyDevice(b)
  await take(b, begun)
  await expect(notice(b).getByText(/^Imported/)).toBeVisible()
  await b.goto('/bench')
  await b.getByLabel('read from').selectOption('typed')
  await typePitches(b, Array<number>(6).fill(150.5))
  const a = await device(browser, baseURL!, -1)
  await emptyDevice(a)
  await take(a, begun)
  await expect(notice(a).getByText(/^Imported/)).toBeVisible()
  await a.goto('/bench')
  await a.getByLabel('read from').selectOption('typed')
  await typePitches(a, Array<number>(6).fill(170.5))
  const [ofA, ofB] = [await saved(a, path('a')), await saved(b, path('b'))]
  for (const [page, file] of [
    [a, ofB],
    [b, ofA],
  ] as const) {
    await take(page, file)
    await button(page, 'Merge').click()
    await expect(page.getByRole('dialog')).toHaveCount(0)
    // B's clock stands four days behind what it was brought.
    if (page === b) await expect(notice(b).getByText(/clock stands .* behind the newest entry/)).toBeVisible()
    await page.goto('/')
    await expect(page.getByRole('img', { name: /^Tom 12: batter 170\.5 hertz/ })).toBeVisible()
  }
  expect(await shown(a)).toBe(await shown(b))
  // Said again in the next sitting, and what is read there now is the newest.
  await b.goto('/bench')
  await button(b, 'Read it again').click()
  await typePitches(b, [160.5])
  await expect(notice(b).getByText(/clock stands .* behind the newest entry/)).toBeVisible()
  await expect(button(b, /^Lug 1, 160\.5 Hz/)).toBeVisible()
  for (const page of [first, a, b]) await page.context().close()
})

const [WIDTH, HEIGHT] = [640, 480]

/** Codes before a camera, each for some pictures, as raw video (YUV4MPEG2, 4:2:0): grey where there is no code. */
function video(codes: readonly string[], picturesEach: number): Buffer {
  const header = Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip A1:1 C420jpeg\n`)
  const colour = Buffer.alloc((WIDTH * HEIGHT) / 2, 128)
  const pictures = codes.flatMap((code) => {
    const { modules } = create(code, { errorCorrectionLevel: 'L' })
    const light = Buffer.alloc(WIDTH * HEIGHT, 235)
    const scale = Math.floor((HEIGHT - 16) / modules.size)
    const [left, top] = [WIDTH, HEIGHT].map((all) => Math.floor((all - scale * modules.size) / 2))
    for (let y = 0; y < scale * modules.size; y++)
      for (let x = 0; x < scale * modules.size; x++)
        if (modules.get(Math.floor(y / scale), Math.floor(x / scale)))
          light[(top + y) * WIDTH + left + x] = 16
    return Array.from({ length: picturesEach }, () => [Buffer.from('FRAME\n'), light, colour]).flat()
  })
  return Buffer.concat([header, ...pictures])
}

test('a kit goes from a screen to a camera in one go, and goes on where it stopped', async ({
  page,
  baseURL,
}, info) => {
  await ownKit(page, '20x15 kick, floor tom 15, 12 and 10 racks, 14x5.5 snare')
  await typePitches(page, [70, 71, 70.5])
  await page.goto('/share')
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await button(page, 'Show the codes').click()
  await expect(page.getByText(/The whole kit with its log/)).toBeVisible()
  const said = await page.getByRole('status').filter({ hasText: / of / }).first().textContent()
  const count = Number(/of (\d+)/.exec(said!)![1])
  expect(count).toBeGreaterThan(1)
  // What the codes on screen say, by the page's own drawing: squares of a path, one by one.
  const codes: string[] = []
  for (let i = 0; i < count; i++) {
    codes.push(await page.evaluate(() => document.querySelector('[data-code]')!.getAttribute('data-code')!))
    await button(page, 'Next').click()
  }
  expect(new Set(codes).size).toBe(count)
  const file = info.outputPath('codes.y4m')
  const camera = async (shownCodes: readonly string[]) => {
    writeFileSync(file, video(shownCodes, 5))
    return chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: [
        ...['--no-sandbox', '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
        `--use-file-for-fake-video-capture=${file}`,
      ],
    })
  }
  const all = await camera(codes)
  const there = await (await all.newContext({ baseURL: baseURL! })).newPage()
  await emptyDevice(there)
  await there.goto('/share')
  await button(there, 'Open the camera').click()
  await expect(there.getByText(/The camera is open/)).toBeVisible()
  await expect(there.getByText('The kit is here.')).toBeVisible({ timeout: 120_000 })
  // The camera is shut with the last code.
  await expect(there.getByText(/The camera is open/)).toHaveCount(0)
  await button(there, 'Take it').click()
  await expect(button(there, 'More for Snare 14')).toBeVisible()
  await all.close()
  // Without the last code the chain stays open, and a reload does not forget it.
  const some = await camera(codes.slice(0, -1))
  const again = await (await some.newContext({ baseURL: baseURL! })).newPage()
  await emptyDevice(again)
  await again.goto('/share')
  await button(again, 'Open the camera').click()
  await expect(again.getByText(`${count - 1} of ${count} codes read.`)).toBeVisible({ timeout: 120_000 })
  await button(again, 'Close the camera').click()
  await again.goto('/share')
  await expect(again.getByText(`${count - 1} of ${count} codes read.`)).toBeVisible()
  await expect(button(again, 'Go on with the camera')).toBeVisible()
  await some.close()
})

test('forms that never were, rings of withdrawals and too many drums: a sentence each, and the app goes on', async ({
  page,
}, info) => {
  await ownKit(page, '12x8 tom')
  const path = await saved(page, info.outputPath('kit.json'))
  const kit = JSON.parse(readFileSync(path, 'utf8')) as {
    schema: number
    kit: string
    events: Array<Record<string, unknown> & { id: string; kind: string; change?: { what: string } }>
  }
  const file = (name: string, change: object) => {
    const made = info.outputPath(`${name}.json`)
    writeFileSync(made, JSON.stringify({ ...kit, ...change }))
    return made
  }
  for (const form of [0, -1, 1.5]) {
    await take(page, file(`form${form}`, { schema: form }))
    await expect(notice(page).getByText(new RegExp(`of form ${form}, and there is none`))).toBeVisible()
  }
  const drum = kit.events.find(({ change }) => change?.what === 'drumAdded')!
  const many = Array.from({ length: 5000 }, (_, i) => ({ ...drum, id: `many-${i}`, nth: 100 + i }))
  await take(page, file('many', { events: [...kit.events, ...many] }))
  await expect(notice(page).getByText(/holds 5001 drums; a kit has at most 80/)).toBeVisible()
  const table = info.outputPath('table.csv')
  writeFileSync(table, Array.from({ length: 10_000 }, (_, i) => `Tom ${i}\t150\t160`).join('\n'))
  await take(page, table)
  await expect(notice(page).getByText(/has 10000 rows/)).toBeVisible()
  const word = (id: string, event: string) => ({
    ...{ id, event, kind: 'withdrawn', at: new Date().toISOString(), kit: kit.kit, schema: kit.schema },
    ...{ source: 'hand', algorithm: null },
  })
  await take(page, file('ring', { events: [...kit.events, word('x', 'y'), word('y', 'x'), word('z', 'z')] }))
  await button(page, 'Merge').click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.goto('/')
  await expect(button(page, 'More for Tom 12')).toBeVisible()
})
