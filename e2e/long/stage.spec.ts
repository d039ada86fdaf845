import { microphonePlays } from '../microphone'
import { expect, move, openHead, test } from '../page'
import { AROUND, FLOOR_TOM_8, strokesAt } from '../strokes'

test('talk ticks nothing off; two taps of this head tick the open move off, and What was heard says what was what', async ({
  page,
}) => {
  const strokes = [
    ...AROUND.map((lug, i) => ({ lug, at: 3 + 1.7 * i })),
    ...[26, 26.4].map((at) => ({ lug: 2, at })),
  ]
  const { wav } = strokesAt(FLOOR_TOM_8, strokes, 32, { from: 18.5, to: 24 })
  await microphonePlays(page, wav)
  await openHead(page, 'Floor tom 15')
  await page.getByLabel('read from').selectOption('microphone')
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(move(page).getByText(/^move 1 of/)).toBeVisible({ timeout: 60_000 })
  // The talk is over when the two taps come: nothing was ticked off by it, and exactly one move by them.
  await expect(move(page).getByText(/^(move 2 of|press)/i)).toBeVisible({ timeout: 60_000 })
  await page.waitForTimeout(4000)
  await expect(move(page).getByText(/^(move 2 of|press)/i)).toBeVisible()
})
