import { microphonePlays, readHz } from '../microphone'
import { button, expect, openHead, says, test } from '../page'
import { AROUND, FLOOR_TOM_8, strokesAt } from '../strokes'
import { centsApart } from '../walk'

test('an evening by microphone: eight lugs 0.8 s apart hands free, each on its own; closed by its key', async ({
  page,
}) => {
  const strokes = AROUND.map((lug, i) => ({ lug, at: 3 + 0.8 * i }))
  const { wav, lugHz } = strokesAt(FLOOR_TOM_8, strokes, 11)
  await microphonePlays(page, wav)
  await openHead(page, 'Floor tom 15')
  await page.getByRole('combobox', { name: 'read from' }).selectOption('microphone')
  await button(page, 'Listen').click()
  await says(page, /^(move 1 of|done)/)
  for (const lug of AROUND) expect(centsApart(await readHz(page, lug), lugHz[lug - 1])).toBeLessThan(15)
  const live = () =>
    page.evaluate(() =>
      (window as unknown as { opened: MediaStream[] }).opened.map((stream) =>
        stream.getTracks().map(({ readyState }) => readyState),
      ),
    )
  expect(await live()).toEqual([['live']])
  await page.keyboard.press('m')
  await expect.poll(live).toEqual([['ended']])
})
