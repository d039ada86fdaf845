import { act, screen, within } from '@testing-library/react'
import { press, withDrum } from '../testStep'

test('nothing to compare is said; two strokes stand side by side, told apart blind', async () => {
  const { read, strike, show } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  await show('compare')
  expect(screen.getByText(/No stroke on the centre was measured yet/)).toBeTruthy()
  await act(async () => {
    strike(112, 0.41)
    strike(118, 0.29)
  })
  const cells = (label: string) =>
    within(screen.getByRole('row', { name: new RegExp(`^${label}`) }))
      .getAllByRole('cell')
      .map((cell) => cell.textContent)
  expect(cells('centre')).toEqual(['112.0 Hz', '118.0 Hz'])
  expect(cells('rings')).toEqual(['0.94 s', '0.67 s'])
  expect(screen.getByRole('img', { name: /First: 112 hertz, 0.94 s.*Second: 118 hertz/ })).toBeTruthy()
  await press(/^Blind/)
  jest.spyOn(Math, 'random').mockReturnValue(0.9)
  await press('It is the first')
  const said = screen.getByText(/of 1 right/).textContent
  await press('It is the second')
  expect(said).toMatch(/[01] of 1 right/)
  // The coin now always falls on the second.
  await press('It is the second')
  expect(screen.getByText(/of 3 right/).textContent).toMatch(/^Right/)
  jest.restoreAllMocks()
})

test('three states side by side; what differs in one tuning is the muffling, in two it is not alone', async () => {
  const { view, read, strike, show } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  strike(112, 0.41)
  strike(112, 0.33)
  strike(112, 0.24)
  await show('compare')
  expect(screen.getByText(/One tuning: what differs is muffling/)).toBeTruthy()
  const rings = within(screen.getByRole('row', { name: /^rings/ })).getAllByRole('cell')
  expect(rings.map((cell) => cell.textContent)).toEqual(['0.94 s', '0.76 s', '0.55 s'])
  expect(screen.getByRole('button', { name: 'In a groove: the first' })).toBeTruthy()
  await act(async () => {
    read('batter', 200)
    strike(120, 0.3)
    strike(120, 0.2)
  })
  expect(view().side).toBe('batter')
  // The newest tuning is shown by itself.
  expect(within(screen.getByRole('row', { name: /^rings/ })).getAllByRole('cell')).toHaveLength(2)
})
