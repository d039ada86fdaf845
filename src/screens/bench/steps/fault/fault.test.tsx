import { screen, within } from '@testing-library/react'
import { click, press, withDrum } from '../testStep'

test('a fault is searched by questions; the odds follow, an answer can be changed, the finding is noted with its rod', async () => {
  const { show, view, step } = await withDrum('tom', 12)
  await show('fault')
  const odds = () => within(screen.getByRole('list', { name: 'Likeliest causes' })).getAllByRole('listitem')
  expect(odds().length).toBe(10)
  expect(screen.queryByRole('button', { name: 'Cannot say' })).toBeNull()
  await press('buzzes or rattles')
  expect(odds()[0].textContent).toMatch(/loose part|neighbour/)
  await click(screen.getByTitle('Answer again'))
  await press('will not come even')
  for (let i = 0; i < 6 && screen.queryByRole('heading', { name: 'Stripped thread' }) === null; i++) {
    const free = ['one turns freely, however far', 'its thread is gone']
      .map((name) => screen.queryByRole('button', { name }))
      .find(Boolean)
    if (free) await click(free)
    else await press('Cannot say')
  }
  expect(screen.getByText('most likely')).toBeTruthy()
  expect(screen.getByText(/Change rod and insert/)).toBeTruthy()
  await press('Rod 6')
  await press('Note it on the drum')
  expect(view().head.findings).toMatchObject([{ finding: 'stripped', rods: [6] }])
  expect(step()).toBe('even')
})
