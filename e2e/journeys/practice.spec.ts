import { button, expect, test } from '../page'
import { hearWhatIsPlayed, playedDb } from '../played'

test('Practice by keyboard: a drill with both taps at one level, kept through a reload; a lesson touches no kit', async ({
  page,
}) => {
  await hearWhatIsPlayed(page)
  await page.goto('/practice')
  const begin = button(page, 'Begin, three minutes')
  await begin.focus()
  await page.keyboard.press('Enter')
  const answers = page.getByRole('group', { name: 'Answers' }).getByRole('button')
  const strip = page.getByRole('region', { name: 'Strip of trials' })
  for (let trial = 1; trial <= 2; trial++) {
    await expect(answers.first()).toBeEnabled()
    const [a, b] = (await playedDb(page)).slice(-2)
    expect(Math.abs(a - b)).toBeLessThan(0.5)
    await page.keyboard.press(trial % 2 ? '1' : '2')
    await expect(strip).toContainText(`Trial ${trial}:`)
  }
  await expect(answers.first()).toBeEnabled()
  await page.keyboard.press('Escape')
  await expect(button(page, 'Three minutes more')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('region', { name: 'Week by week' })).toBeVisible()

  await page.getByRole('radio', { name: 'lessons' }).click()
  await expect(page.getByRole('heading', { name: 'Find the low lug' })).toBeVisible()
  // One after the other is named until it is the lowest one.
  const done = button(page, /^1\. Find the low lug, done/)
  for (const lug of [1, 2, 3, 4, 5, 6]) {
    await button(page, `Tap lug ${lug}`).click()
    await button(page, `Lug ${lug} is the lowest`).click()
    await expect(page.getByRole('main')).toContainText(new RegExp(`(Done|Not yet)\\. Lug ${lug} `))
    if (await done.isVisible()) break
  }
  await expect(done).toBeVisible()
  await page.goto('/logbook')
  await expect(page.getByRole('list', { name: 'Heads over time' })).toBeVisible()
  await expect(page.getByRole('main')).not.toContainText('practice-tom')
})
