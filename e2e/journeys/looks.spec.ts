import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { faultsOf } from '../layout'
import { button, expect, openHead, readRound, test } from '../page'

const LOOKS = [
  { width: 1280, height: 800, colorScheme: 'light' },
  { width: 390, height: 844, colorScheme: 'dark' },
] as const

/** What runs off, lies over another, is too small for a thumb, or without which no assistive technology could do. */
async function faults(page: Page, where: string): Promise<string[]> {
  const found: string[] = []
  for (const { width, height, colorScheme } of LOOKS) {
    await page.emulateMedia({ colorScheme })
    await page.setViewportSize({ width, height })
    // Drawn anew for its width.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
    const { sideways, overlapping, small } = await faultsOf(page)
    for (const fault of [...sideways, ...overlapping, ...small])
      found.push(`${where} ${width} ${colorScheme}: ${fault}`)
  }
  // As it is seen on a stage; all the others are for the long form.
  const { violations } = await new AxeBuilder({ page }).analyze()
  for (const { id, impact, nodes } of violations)
    if (impact === 'serious' || impact === 'critical')
      found.push(`${where}: ${id} ${nodes[0]?.html.slice(0, 120)}`)
  await page.setViewportSize(LOOKS[0])
  return found
}

test('the places lie well and read well, in both lights and two sizes', async ({ page }) => {
  const found: string[] = []
  for (const [path, there] of [
    ['/', 'Lounge kit'],
    ['/logbook', 'Logbook'],
    ['/settings', 'Settings'],
    ['/run', /run/i],
  ] as const) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1, name: there })).toBeVisible()
    found.push(...(await faults(page, path)))
  }
  expect(found).toEqual([])
})

test('the bench lies well and reads well while a head is read, turned and kept, in both lights and two sizes', async ({
  page,
}) => {
  const found: string[] = []
  await openHead(page, 'Snare 14')
  found.push(...(await faults(page, 'unread')))
  await button(page, 'Put it out of tune').click()
  await readRound(page)
  found.push(...(await faults(page, 'the move')))
  await page.keyboard.press('b')
  await expect(page.getByRole('application', { name: /^Map of both heads/ })).toBeVisible()
  found.push(...(await faults(page, 'both heads')))
  await page.keyboard.press('k')
  await expect(page.getByRole('combobox', { name: /^Sheet/ })).toBeVisible()
  found.push(...(await faults(page, 'keep')))
  expect(found).toEqual([])
})
