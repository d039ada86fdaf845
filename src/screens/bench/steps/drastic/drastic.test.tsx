import { screen } from '@testing-library/react'
import { press, typeIn, withDrum } from '../testStep'

test('one turn on purpose, by typed numbers: begun, struck, turned, read', async () => {
  const { read, show } = await withDrum('tom', 12)
  read('resonant', 225)
  read('batter', 220)
  await show('drastic')
  await press('Begin on the batter head')
  expect(screen.getByRole('heading', { name: 'Strike the centre, as found' })).toBeTruthy()
  typeIn('Centre pitch, Hz or note', '113')
  await press('Take it')
  expect(screen.getByRole('heading', { name: 'All rods up 1, press' })).toBeTruthy()
  expect(screen.getByText(/Eyes away from the rim/)).toBeTruthy()
  await press('Turned and pressed')
  expect(screen.getByRole('heading', { name: 'Read 2 lugs, 0 read' })).toBeTruthy()
  typeIn('Lug 1, Hz', '290')
  await press('Take it')
  typeIn('Lug 2, Hz', '291')
  await press('Take it')
  expect(screen.getByRole('heading', { name: 'Strike the centre, up' })).toBeTruthy()
})
