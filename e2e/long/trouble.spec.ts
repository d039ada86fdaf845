import { expect, move, openHead, test } from '../page'

test('a full disk: said at once, nothing shown is lost, and it works again when there is room', async ({
  page,
  baseURL,
}) => {
  await openHead(page, 'Snare 14')
  await page.getByLabel('read from').selectOption('typed')
  const cdp = await page.context().newCDPSession(page)
  const quota = (quotaSize?: number) =>
    cdp.send('Storage.overrideQuotaForOrigin', {
      origin: baseURL!,
      ...(quotaSize === undefined ? {} : { quotaSize }),
    })
  // Chromium remembers for half a minute how much room it found.
  await page.goto('about:blank')
  await page.waitForTimeout(34_000)
  await quota(1)
  await page.goto(`${baseURL}/bench`)
  await expect(page.getByLabel('Pitch, Hz')).toBeVisible()
  const type = async (hz: string) => {
    await page.getByLabel('Pitch, Hz').fill(hz)
    await page.getByLabel('Pitch, Hz').press('Enter')
  }
  await type('231.5')
  await expect(page.getByText(/^The disk is full: /)).toBeVisible()
  await type('232.5')
  for (const hz of ['231.5', '232.5'])
    await expect(page.getByRole('button', { name: new RegExp(`, ${hz} Hz`) })).toBeVisible()
  await expect(page.locator('[data-kept=no]')).toHaveCount(2)
  await quota()
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText(/^The disk is full: /)).toHaveCount(0)
  await expect(page.locator('[data-kept=yes]')).toHaveCount(2)
  await page.reload()
  for (const hz of ['231.5', '232.5'])
    await expect(page.getByRole('button', { name: new RegExp(`, ${hz} Hz`) })).toBeVisible()
})

test('the database is deleted while one works: it is opened anew, and said nothing that is not so', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await page.getByLabel('read from').selectOption('typed')
  const type = async (hz: string) => {
    await page.getByLabel('Pitch, Hz').fill(hz)
    await page.getByLabel('Pitch, Hz').press('Enter')
    await expect(page.locator('[data-on-the-way="0"]').first()).toBeAttached()
  }
  await type('231.5')
  await page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const gone = indexedDB.deleteDatabase('humbra')
        gone.onsuccess = resolve
        gone.onerror = reject
      }),
  )
  await type('232.5')
  for (const hz of ['231.5', '232.5'])
    await expect(page.getByRole('button', { name: new RegExp(`, ${hz} Hz`) })).toBeVisible()
  // The kit is there after a reload, as it stood.
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Snare 14' })).toBeVisible()
  for (const hz of ['231.5', '232.5'])
    await expect(page.getByRole('button', { name: new RegExp(`, ${hz} Hz`) })).toBeVisible()
})

test('workers killed in the middle of a round: started anew once, and the round goes on', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const Real = window.Worker
    const all: Worker[] = []
    Object.assign(window, { allWorkers: all })
    window.Worker = class extends Real {
      constructor(...args: ConstructorParameters<typeof Worker>) {
        super(...args)
        all.push(this)
      }
    }
  })
  await openHead(page, 'Snare 14')
  await page.getByRole('button', { name: 'All lugs left' }).click()
  await expect(page.getByRole('button', { name: /^Lug 3, \d/ })).toBeVisible()
  await page.evaluate(() =>
    (window as unknown as { allWorkers: Worker[] }).allWorkers.forEach((worker) => worker.terminate()),
  )
  await expect(page.getByRole('button', { name: /^Lug 10, \d/ })).toBeVisible({ timeout: 120_000 })
  await expect(move(page).getByText(/^(move 1 of|done|not done|even, not settled)/)).toBeVisible({
    timeout: 60_000,
  })
})

test('workers that cannot be loaded: a sentence with a way out, and no button stays disabled', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await page.context().route(/\/_next\/static\/.*worker.*/, (route) => route.abort())
  await page.addInitScript(() => {
    window.Worker = class extends EventTarget {
      constructor() {
        super()
        setTimeout(() => this.dispatchEvent(new ErrorEvent('error', { message: 'not found' })), 5)
      }
      postMessage() {}
      terminate() {}
    } as never
  })
  await page.reload()
  await expect(page.getByText(/works out the next move stopped/)).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: 'Tap', exact: true }).click()
  await expect(page.getByText(/that hears stopped and did not come back/)).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('button', { name: 'Tap', exact: true })).toBeEnabled()
  await page.getByLabel('read from').selectOption('typed')
  await page.getByLabel('Pitch, Hz').fill('231.5')
  await page.getByLabel('Pitch, Hz').press('Enter')
  await expect(page.getByRole('button', { name: /, 231.5 Hz/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Reload' })).toBeVisible()
})
