import type { Locator, Page } from '@playwright/test'
import { expect, move, test } from '../page'

/** What the panel asks for, and how a hand answers it: by keys or by touch. */
interface Hand {
  read(): Promise<void>
  round(): Promise<void>
  turned(): Promise<void>
  pressed(): Promise<void>
}

/** A button that goes away while it is reached for is not waited for. */
const SOON = { timeout: 2_000 }

/** Works through evening until nothing more is asked of this head. */
async function evenBy(page: Page, hand: Hand): Promise<Record<'rounds' | 'passes' | 'presses', number>> {
  const panel = move(page)
  const seen = { rounds: 0, passes: 0, presses: 0 }
  await expect(async () => {
    const before = await panel.innerText()
    if (/^(done|not done)\n/.test(before)) return
    if (/^up from slack/.test(before)) {
      seen.rounds++
      await hand.round()
    } else if (/lugs read/.test(before)) await hand.read()
    else if (/^move/.test(before)) {
      seen.passes++
      await hand.turned()
    } else if (/^(all moves made|even, not settled)/.test(before)) {
      seen.presses++
      await hand.pressed()
    }
    await expect(panel).not.toHaveText(before, { timeout: 5_000, useInnerText: true })
    await expect(panel.getByText(/^(done|not done)$/)).toBeVisible({ timeout: 1_500 })
  }).toPass({ timeout: 600_000, intervals: [50] })
  return seen
}

/** From Kit by the drum's own name: no menu. */
async function openTom(page: Page, touch = false): Promise<void> {
  await page.goto('/')
  const name = page.getByRole('button', { name: /^Tom 12 / }).first()
  await (touch ? name.tap() : name.click())
  await expect(page.getByRole('heading', { name: 'Tom 12', level: 1 })).toBeVisible()
}

const stepOf = (page: Page) => new URL(page.url()).searchParams.get('step')
const goesTo = (page: Page, step: string) => expect.poll(() => stepOf(page)).toBe(step)

/** A new head on a tom through the line, by its buttons alone: from look over to kept. `press` presses what is named. */
async function throughTheLine(
  page: Page,
  press: (button: Locator) => Promise<void>,
  fill: (field: Locator, text: string) => Promise<void>,
  hand: Hand,
): Promise<string[]> {
  const panel = move(page)
  const button = (name: string | RegExp) =>
    panel.getByRole('button', { name, exact: typeof name === 'string' })
  const line = page.getByRole('navigation', { name: /^The job of/ })
  const been: string[] = []
  const here = async (step: string) => {
    await goesTo(page, step)
    been.push(new URL(page.url()).search)
  }
  await press(line.getByRole('button', { name: /^look over/ }))
  await here('look')
  while (await button('All well, on').isVisible()) await press(button('All well, on'))
  await expect(panel.getByRole('heading', { name: 'All well' })).toBeVisible()
  await press(line.getByRole('button', { name: /^fit/ }))
  await here('fit')
  await press(button('It is on already'))
  await here('even')
  // A fresh head comes up from slack in rounds, and is pressed until it is settled.
  const seen = await evenBy(page, hand)
  expect(seen.rounds).toBeGreaterThan(0)
  expect(seen.presses).toBeGreaterThan(0)
  await expect(panel.getByText(/Pressing changes nothing any more/)).toBeVisible()
  // The line says what is next; every step has one button that goes there.
  await press(button(/^Next: /))
  await expect.poll(() => stepOf(page)).not.toBe('even')
  await press(line.getByRole('button', { name: /^both heads/ }))
  await here('heads')
  await fill(panel.getByRole('textbox', { name: 'batter lug' }), '155')
  await fill(panel.getByRole('textbox', { name: 'resonant above' }), 'fourth')
  await press(button('Aim both heads there'))
  await here('even')
  await evenBy(page, hand)
  // An aim of two heads: the other one is named next, with what it wants.
  await press(button(/^Next: the (batter|resonant)/))
  await here('even')
  await evenBy(page, hand)
  for (let i = 0; i < 8 && stepOf(page) !== 'keep'; i++) {
    const step = stepOf(page)!
    const strike = button(/^Strike it/)
    if (step === 'ring' && i < 2) {
      await press(strike)
      await expect(page.getByText(/^rings \d/)).toBeVisible({ timeout: 25_000 })
    }
    if (step === 'stand') {
      await press(button('I hold it'))
      await press(strike)
      await expect(page.getByText(/Held it rings/)).toBeVisible({ timeout: 25_000 })
      await press(button(/^It hangs/))
      await press(strike)
      await expect(page.getByText(/of the ring/)).toBeVisible({ timeout: 25_000 })
    }
    await press(button(/^Next: /))
    await expect.poll(() => stepOf(page)).not.toBe(step)
  }
  await here('keep')
  await fill(panel.getByLabel(/The name of a room/), 'Engine room')
  await press(button('Keep it'))
  await expect(page.getByText(/^Kept Tom 12 on Engine room/)).toBeVisible()
  return been
}

test('a new head from look over to a kept sheet, by keyboard only, and Back through all of it', async ({
  page,
}) => {
  await openTom(page)
  const press = async (button: Locator) => {
    // What is pressed is there, and takes the focus and the key.
    await expect(button).toBeEnabled()
    await button.focus()
    await expect(button).toBeFocused()
    await page.keyboard.press('Enter')
  }
  const fill = async (field: Locator, text: string) => {
    await field.focus()
    await page.keyboard.press('Control+a')
    await page.keyboard.type(text)
    await page.keyboard.press('Tab')
  }
  const been = await throughTheLine(page, press, fill, {
    read: () => page.keyboard.press('a'),
    round: () => page.keyboard.press('Enter'),
    turned: () => page.keyboard.press('Shift+Enter'),
    pressed: () => page.keyboard.press('p'),
  })
  // Nothing of it was in a menu; Back goes through the steps as they were taken.
  const back: string[] = []
  for (let i = 0; i < 30 && !back.includes(been[0]); i++) {
    await page.goBack()
    await page.waitForTimeout(150)
    back.push(new URL(page.url()).search)
  }
  const seen = back.filter((search) => been.includes(search)).reverse()
  expect(seen[0]).toBe(been[0])
  expect(new Set(been.slice(0, -1))).toEqual(new Set(seen))
  // Forward again, a reload stays, and the Bench shows what the address says.
  await page.goForward()
  await page.reload()
  const line = page.getByRole('navigation', { name: 'The job of Tom 12' })
  await expect(line.locator('[aria-current=step]')).toBeVisible()
  await expect(line.locator('[aria-current=step]')).toHaveAccessibleName(
    new RegExp(`^${{ look: 'look over', even: 'batter', fit: 'fit' }[stepOf(page)!] ?? ''}`),
  )
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('the same by touch, the button under the thumb, without ever opening a menu', async ({ page }) => {
    await openTom(page, true)
    const press = async (button: Locator) => {
      await button.tap()
    }
    const fill = async (field: Locator, text: string) => {
      await field.tap()
      await field.fill(text)
      await field.blur()
    }
    const panel = move(page)
    await throughTheLine(page, press, fill, {
      read: async () => void (await panel.getByRole('button', { name: 'All lugs left' }).tap(SOON)),
      round: async () => void (await panel.getByRole('button', { name: 'Turned', exact: true }).tap(SOON)),
      turned: async () => void (await panel.getByRole('button', { name: /turned, read$/i }).tap(SOON)),
      pressed: async () => void (await panel.getByRole('button', { name: 'Pressed', exact: true }).tap(SOON)),
    })
    // The main button lies in the lowest fifth of the screen.
    const keep = await panel.getByRole('button', { name: 'Keep it' }).boundingBox()
    expect(keep!.y).toBeGreaterThan(0.8 * 844)
  })
})

test('an address of another kit’s drum says so and opens it only when asked; a window closes with Back', async ({
  page,
}) => {
  await openTom(page)
  const address = page.url()
  await page.goto('/')
  await page.getByRole('button', { name: 'Kits' }).click()
  await page.getByRole('menuitem', { name: /new kit/i }).click()
  await page.getByRole('textbox', { name: /The drums you have/ }).fill('13 tom')
  await page.getByRole('button', { name: /^typed/ }).click()
  await expect(page.getByRole('heading', { name: 'Tom 13', level: 1 })).toBeVisible()
  await page.goto(address)
  await expect(
    page.getByText(/This address is of Tom 12 in the kit Lounge kit. The kit on screen is My kit/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Open Lounge kit' }).click()
  await expect(page.getByRole('heading', { name: 'Tom 12', level: 1 })).toBeVisible()
  await page.goto(address.replace(/drum=[^&]+/, 'drum=nowhere'))
  await expect(page.getByText(/is in no kit on this device/)).toBeVisible()
  await page.getByRole('button', { name: 'Stay with Lounge kit' }).click()
  await expect(page.getByRole('heading', { name: 'Tom 12', level: 1 })).toBeVisible()

  // Typed numbers have their field in focus: keys are letters there.
  await page.getByLabel('read from').selectOption('practice')
  await page.keyboard.press('k')
  await goesTo(page, 'keep')
  await page.keyboard.press('z')
  await goesTo(page, 'even')
  await page.keyboard.press('u')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(stepOf(page)).toBe('even')
  await page.goBack()
  await goesTo(page, 'keep')
})
