import { execFileSync } from 'node:child_process'
import { chromium, expect as baseExpect, test as base } from '@playwright/test'
import { expect, move, openHead, test } from './page'

const ARGS = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** Chromium's fake capture device plays a file that the practice drum wrote: the real permission path, worklet and worker. */
base('the microphone hears a tap from Chromium’s fake capture device', async ({ baseURL }, info) => {
  const path = info.outputPath('tap.wav')
  const out = execFileSync('node', [
    ...[
      'cli/run.mjs',
      'tap',
      '--diameter',
      '12',
      '--depth',
      '7',
      '--lugs',
      '6',
      '--batter-hz',
      '146',
      '--plies',
      '7,7',
    ],
    ...[
      '--at',
      'lug:1',
      '--noise-db',
      '-55',
      '--rate',
      '44100',
      '--lead',
      '2.5',
      '--seconds',
      '5',
      '--out',
      path,
    ],
  ])
  const truth = JSON.parse(out.toString()) as { lugHz: number[] }
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      ...ARGS,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      // Played over and over: as a drummer would, the device taps again when a tap was lost.
      `--use-file-for-fake-audio-capture=${path}`,
    ],
  })
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
  const read = Number(/([\d.]+) Hz/.exec((await lug.getAttribute('aria-label'))!)![1])
  // On a busy machine the fake device loses or repeats 10 ms pieces: some cents. A wrong rate would be 147.
  baseExpect(Math.abs(1200 * Math.log2(read / truth.lugHz[0]))).toBeLessThan(25)
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
