import { records } from '../killable'
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

test('a tab that hangs with the log in its hand: said after five seconds, read all the same, and taken over', async ({
  page,
  context,
}) => {
  await openHead(page, 'Snare 14')
  await page.getByLabel('read from').selectOption('typed')
  await page.evaluate(() => {
    navigator.locks.request('humbra-log', () => new Promise(() => undefined)).catch(() => undefined)
  })
  // What the hung tab does not get into the database any more stands in the journal.
  await page.getByLabel('Pitch, Hz').fill('229.5')
  await page.getByLabel('Pitch, Hz').press('Enter')
  await expect(page.locator('[data-kept=no]')).toHaveCount(1)
  const other = await context.newPage()
  await other.goto('/bench')
  await expect(other.getByText(/holds the log and does not answer/)).toBeVisible({ timeout: 30_000 })
  await other.getByRole('button', { name: 'Read here' }).click()
  await expect(other.getByRole('heading', { name: 'Snare 14' })).toBeVisible()
  await expect(other.getByRole('button', { name: /, 229.5 Hz/ })).toBeVisible()
  await other.getByLabel('Pitch, Hz').fill('231.5')
  await other.getByLabel('Pitch, Hz').press('Enter')
  await expect(other.getByRole('button', { name: /, 231.5 Hz/ })).toBeVisible()
  await expect(other.locator('[data-kept=no]')).toHaveCount(2)
  await other.getByRole('button', { name: 'Take over' }).click()
  await expect(other.locator('[data-kept=no]')).toHaveCount(0)
  await expect(other.getByText(/holds the log/)).toHaveCount(0)
  // Straight away, without reading first.
  await page.evaluate(() => {
    navigator.locks.request('humbra-log', () => new Promise(() => undefined)).catch(() => undefined)
  })
  const third = await context.newPage()
  await third.goto('/bench')
  await third.getByRole('button', { name: 'Take over' }).click({ timeout: 30_000 })
  await expect(third.getByRole('button', { name: /, 231.5 Hz/ })).toBeVisible()
  await expect(third.getByText(/holds the log/)).toHaveCount(0)
})

test('an act that was left behind and cannot be read is said, can be saved, and stops nothing', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await expect(page.locator('[data-on-the-way="0"]').first()).toBeAttached()
  await page.evaluate(() => localStorage.setItem('humbra-unsaved-1-000001-x', '{"events":[{"kind":'))
  await page.reload()
  await expect(page.getByText(/could not be read and was put aside/)).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Snare 14' })).toBeVisible()
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save it' }).click()
  expect((await file).suggestedFilename()).toMatch(/left behind/)
  await page.getByRole('button', { name: 'Let it go' }).click()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Snare 14' })).toBeVisible()
  await expect(page.getByText(/put aside/)).toHaveCount(0)
})

test('a journal older than the database does not win; one whose act is kept is no refusal', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await page.getByLabel('read from').selectOption('typed')
  await page.getByLabel('Pitch, Hz').fill('231.5')
  await page.getByLabel('Pitch, Hz').press('Enter')
  const settled = () => expect(page.locator('[data-on-the-way="0"]').first()).toBeAttached()
  await settled()
  // As a page that died before it could tidy up leaves them: the act that is kept, and settings of long ago.
  const events = await records<{ event: Record<string, unknown> & { kind: string } }>(page, 'events')
  const { event } = events.findLast((each) => each.event.kind === 'readingTaken')!
  const settings = async () =>
    (await records<Record<string, unknown>>(page, 'settings')).find(
      (each) => Object(each).keys !== undefined,
    )!
  const left = (act: object) => JSON.stringify({ events: [], practice: [], settings: null, ...act })
  // Its fields in another order.
  const again = left({ events: [Object.fromEntries(Object.entries(event).reverse())] })
  const old = left({ settings: { ...(await settings()), typedErrorCents: 9 } })
  await page.evaluate(
    ([kept, before]) => {
      localStorage.setItem(`humbra-unsaved-${Date.now()}-000001-x`, kept)
      localStorage.setItem('humbra-unsaved-1000000000000-000001-x', before)
    },
    [again, old] as const,
  )
  await page.reload()
  await expect(page.getByRole('button', { name: /, 231.5 Hz/ })).toBeVisible()
  await settled()
  await expect(page.getByText(/set aside/)).toHaveCount(0)
  expect((await settings()).typedErrorCents).toBe(3)
  expect(await page.evaluate(() => Object.keys(localStorage).filter((key) => /unsaved/.test(key)))).toEqual(
    [],
  )
})

test('a kit with which the page never came to rest is set aside, said and exported; it opens when that is wanted', async ({
  page,
}) => {
  await openHead(page, 'Snare 14')
  await expect(page.locator('[data-on-the-way="0"]').first()).toBeAttached()
  // As two pages leave it that were ended by force while they drew this kit.
  await page.addInitScript(() => {
    if (sessionStorage.getItem('once')) return
    sessionStorage.setItem('once', 'yes')
    const opening = { kit: 'demo-lounge', name: 'Lounge kit', times: 2 }
    localStorage.setItem('humbra-failed', JSON.stringify({ failed: [], opening }))
  })
  await page.reload()
  await expect(page.getByText(/Lounge kit made Humbra fail and was set aside/)).toBeVisible()
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export it' }).click()
  expect((await file).suggestedFilename()).toMatch(/lounge.*\.humbra\.json/i)
  await page.getByRole('button', { name: 'Try it again' }).click()
  await expect(page.getByRole('heading', { name: 'Snare 14' })).toBeVisible()
  await expect(page.getByText(/set aside/)).toHaveCount(0)
})
