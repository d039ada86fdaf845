import { button, expect, notice, says, test } from '../page'
import { drumLine, emptyDevice } from '../welcome'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

test('the first hour, by touch: from an empty device to an even head of one’s own kit on a kept sheet', async ({
  page,
}) => {
  await emptyDevice(page)
  const drums = page.getByRole('list', { name: 'Your drums' }).getByRole('listitem')
  const line = drumLine(page)
  await line.tap()
  await line.fill('20x15 kick, floor tom 15, 12 and 10 racks, 14x5.5 snare')
  await expect(drums).toHaveCount(5)
  await expect(drums.first()).toContainText('8 lugs, 15 deep')
  // A guess is put right, and put back.
  await drums.first().getByRole('button').tap()
  const lugs = page.getByRole('combobox', { name: 'Kick 20: lugs' }).last()
  await lugs.selectOption('10')
  await expect(drums.first()).toContainText('10 lugs')
  await lugs.selectOption('8')
  await button(page, /^typed/).tap()
  await expect(page.getByRole('heading', { name: 'Kick 20', level: 1 })).toBeVisible()
  // The first walk is there, and goes with a touch.
  const note = button(page, 'Put this note away').first()
  await note.tap()
  // An even kick, as somebody's tuner shows it: notes and numbers, a comma among them.
  const field = page.getByRole('textbox', { name: 'Pitch, Hz or note' })
  await field.fill('many')
  await button(page, 'Take it').tap()
  await expect(page.getByRole('alert').filter({ hasText: 'A pitch from 15 to' })).toBeVisible()
  for (const [i, pitch] of ['80.1', '80,0', 'D#2+48', '80.2', '79.9', '80.1', '80,0', '80.1'].entries()) {
    await field.fill(pitch)
    await button(page, 'Take it').tap()
    await expect(button(page, new RegExp(`^Lug ${i + 1}, [78]`))).toBeVisible()
  }
  await says(page, /^(done|even, not settled yet)/)
  await button(page, /^keep/).last().tap()
  await page.getByRole('combobox', { name: /^Sheet/ }).fill('First evening')
  const keep = button(page, /^Keep (it|the batter)/)
  // The main button lies under the thumb.
  expect((await keep.boundingBox())!.y).toBeGreaterThan(0.8 * 844)
  await keep.tap()
  await expect(notice(page)).toContainText('Kept Kick 20 on First evening')
  await page.goto('/sheets')
  const sheet = page.getByRole('heading', { name: 'First evening' })
  await expect(sheet).toBeVisible()
  await page.reload()
  await expect(sheet).toBeVisible()
})
