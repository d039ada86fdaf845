import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { STEP_IDS, STEPS } from '../../src/core/status/steps'
import { expect, move, openHead, readRound, test } from '../page'

/** What no assistive technology could do without; the lists under lanes and lines have their own checks. */
async function faults(page: Page, where: string): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${where} ${id}: ${nodes[0]?.html.slice(0, 160)}`)
}

const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
]

test('every step stands well with assistive technology, in both lights and two sizes', async ({ page }) => {
  const found: string[] = []
  await openHead(page, 'Snare 14')
  const drum = new URL(page.url()).searchParams.get('drum')!
  for (const step of STEP_IDS.filter((id) => STEPS[id].only !== 'kick')) {
    await page.goto(`/bench?drum=${drum}&head=batter&step=${step}`)
    await expect(move(page)).not.toBeEmpty()
    if (step === 'heads') await expect(page.getByRole('application')).toBeVisible()
    // Colours are of the light, the rest of the size: each light at one of the sizes.
    for (const [i, size] of SIZES.entries()) {
      const scheme = i === 0 ? 'light' : 'dark'
      await page.setViewportSize(size)
      await page.emulateMedia({ colorScheme: scheme })
      found.push(...(await faults(page, `${step} ${size.width} ${scheme}`)))
    }
    await page.setViewportSize(SIZES[0])
    await page.emulateMedia({ colorScheme: 'light' })
  }
  expect(found).toEqual([])
})

test('places stand well with assistive technology, in both lights and two sizes', async ({ page }) => {
  const found: string[] = []
  for (const path of ['/', '/spacing', '/sheets', '/print', '/run', '/logbook', '/practice', '/handbook']) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    if (path === '/spacing')
      await expect(page.getByRole('list', { name: 'Plans' })).toBeVisible({ timeout: 30_000 })
    for (const [i, size] of SIZES.entries()) {
      const scheme = i === 0 ? 'dark' : 'light'
      await page.emulateMedia({ colorScheme: scheme })
      await page.setViewportSize(size)
      found.push(...(await faults(page, `${path} ${size.width} ${scheme}`)))
    }
  }
  expect(found).toEqual([])
})

test('strip, line, map and rail as they are read out', async ({ page }) => {
  await openHead(page, 'Tom 12')
  await page.getByLabel('read from').selectOption('typed')
  await page.getByLabel('cents from', { exact: true }).selectOption('level')
  for (const hz of ['170', '180', '175', '170', '180', '175']) {
    await page.getByLabel('Pitch, Hz').fill(hz)
    await page.keyboard.press('Enter')
  }
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Rim strip' })).toMatchAriaSnapshot(`
    - region "Rim strip":
      - text: /spread \\d+ c ± \\d+/
      - combobox "cents from"
      - img /^lug 1 170\\.0 hertz, \\d+ cents low; lug 2 180\\.0 hertz, \\d+ cents high/
      - button /^Lug 1, 170\\.0 Hz, 1 tap\\. Read it now/
      - button /^Lug 2, 180\\.0 Hz, 1 tap\\. Read it now/
      - button /^Lug 3, 175\\.0 Hz/
      - button /^Lug 4, 170\\.0 Hz/
      - button /^Lug 5, 180\\.0 Hz/
      - button /^Lug 6, 175\\.0 Hz/
  `)
  await expect(page.getByRole('navigation', { name: 'The job of Tom 12' })).toMatchAriaSnapshot(`
    - navigation "The job of Tom 12":
      - list:
        - listitem:
          - button /^look over, /
        - listitem:
          - button /^fit, two plies/
        - listitem:
          - button /^resonant, even, \\d+ c/
        - listitem:
          - button /^batter, spread \\d+ c, turn/
        - listitem:
          - button /^both heads, /
        - listitem:
          - button /^ring, /
        - listitem:
          - button /^on the stand, /
        - listitem:
          - button /^keep, /
      - button "beside"
  `)
  await page.keyboard.press('b')
  const map = page.getByRole('application')
  await expect(map).toHaveAccessibleName(
    /^Map of both heads\. Now batter [\d.]+, resonant [\d.]+ hertz\. Goal batter .* ratio \d\.\d\d\. Arrow keys/,
  )
  await map.focus()
  await page.keyboard.press('End')
  await page.keyboard.press('PageUp')
  await expect
    .poll(async () => (await map.getAttribute('aria-label'))!)
    .not.toMatch(/Goal batter 17\d\.\d, resonant 18/)
  const slider = page.getByRole('slider', { name: 'batter lug, wanted' })
  await slider.focus()
  await page.keyboard.press('Home')
  await expect(slider).toHaveAttribute('aria-valuetext', /→ \d/)
  await page.goto('/')
  await expect(page.getByRole('list', { name: 'Drums' })).toMatchAriaSnapshot(`
    - list "Drums":
      - listitem:
        - img /Kick 20. batter [\\d.]+ hertz, even, \\d+ c/
      - listitem:
        - img /Floor tom 15. batter/
      - listitem:
        - img /Tom 12. batter/
      - listitem:
        - img /Tom 10. batter/
      - listitem:
        - img /Snare 14. batter/
  `)
})

test('the system’s own colours keep the main button, the chosen head and the marks apart', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await openHead(page, 'Tom 12')
  await page.getByRole('button', { name: 'Put it out of tune' }).click()
  await readRound(page)
  const look = (selector: string, what: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), what)
  const turned = page.getByRole('button', { name: 'Turned', exact: true })
  const other = page.getByRole('button', { name: 'Something else' })
  const border = (button: typeof turned) =>
    button.evaluate((element) => getComputedStyle(element).borderTopWidth)
  expect(await border(turned)).not.toBe(await border(other))
  const line = (checked: boolean) => look(`[role=radio][aria-checked=${checked}]`, 'border-bottom-color')
  expect(await line(true)).not.toBe(await line(false))
  // Filled is read, hollow is expected: told apart by shape and by what they are filled with.
  const filled = await look('svg .drop circle', 'fill')
  const hollow = await look('svg g[stroke="var(--act)"]', 'fill')
  expect(filled).not.toBe(hollow)
})
