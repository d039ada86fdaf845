import { button, expect, move, says, test } from '../page'
import { ownKit } from '../welcome'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

test('on a phone by touch: looked over, read by typed numbers, turned and pressed, the button under the thumb, no menu', async ({
  page,
}) => {
  await ownKit(page, '12 tom')
  const underThumb = async (name: string | RegExp) => {
    const main = button(move(page), name)
    expect((await main.boundingBox())!.y).toBeGreaterThan(0.8 * 844)
    await main.tap()
  }
  const line = page.getByRole('navigation', { name: /^The job of/ })
  await button(line, /^look over/).tap()
  await expect(page).toHaveURL(/step=look/)
  await button(move(page), 'All well, on').tap()
  await button(line, /^batter/).tap()
  await expect(page).toHaveURL(/step=even/)
  const field = page.getByRole('textbox', { name: /^Pitch, Hz/ })
  for (const [i, pitch] of ['143.2', '146,1', '146.8', '143.3', '146.0', '146.9'].entries()) {
    await field.fill(pitch)
    await button(page, 'Take it').tap()
    await expect(button(page, new RegExp(`^Lug ${i + 1}, 14`))).toBeVisible()
  }
  await says(page, /^move 1 of/)
  const pressed = button(move(page), 'Pressed')
  while (!(await pressed.isVisible())) {
    await underThumb('Turned')
    await says(page, /^(move \d|all moves made)/)
  }
  await underThumb('Pressed')
  await says(page, /0 of 6 lugs read/)
})
