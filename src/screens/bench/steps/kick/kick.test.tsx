import { screen, within } from '@testing-library/react'
import { press, withDrum } from '../testStep'

test('the kick: from wrinkles to a feel, the front by what to expect, at the pitches of common practice', async () => {
  const { read, view, show, step } = await withDrum('kick', 22)
  read('batter', 80)
  await show('kick')
  const fronts = within(screen.getByRole('region', { name: 'Front head' })).getAllByRole('listitem')
  expect(fronts.map((each) => /, ([\d.]+) Hz/.exec(each.textContent)?.[1])).toEqual([
    '67.3',
    '80.0',
    '106.8',
    '160.0',
  ])
  expect(fronts[3].textContent).toMatch(/short, like a sample/)
  expect(screen.getByRole('region', { name: 'Port' }).textContent).toMatch(/never near the edge.*gloves/)
  await press('Aim the front a fourth above')
  expect(view()).toMatchObject({ side: 'resonant', aim: { kind: 'hz', hz: 106.8 } })
  expect(step()).toBe('even')
})
