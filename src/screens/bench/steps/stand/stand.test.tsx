import { act, fireEvent, screen, within } from '@testing-library/react'
import { goToStop } from '@/session/actions/kits'
import { settled } from '../../../testScreen'
import { press, typeIn, withDrum } from '../testStep'

test('on the stand: held, then hung, and what the stand takes; a layer is told by its ring', async () => {
  const { session, strike, strokes, show } = await withDrum('tom', 12)
  await show('stand')
  expect(screen.getByText(/Strike it held by the rim first/)).toBeTruthy()
  await press('I hold it')
  expect(screen.getByRole('heading', { name: 'Strike it, held by the rim' })).toBeTruthy()
  await act(async () => strike(112, 0.4))
  typeIn(/another place/, 'arm right in')
  await press('Hang it there')
  await act(async () => strike(112, 0.2))
  expect(strokes().map(({ hung }) => hung)).toEqual([null, 'arm right in'])
  expect(screen.getByText(/keeps 50% of the ring. The stand eats it/)).toBeTruthy()
  expect(screen.getByRole('button', { name: /^on the stand, keeps 50%/ })).toBeTruthy()
  // Away from the stand a stroke says nothing of it.
  await act(async () => goToStop(session, { step: 'ring', side: 'batter' }))
  await settled()
  expect(session.get().bench.hung).toBeUndefined()
  fireEvent.click(screen.getByRole('checkbox', { name: /one gel pad/ }))
  await act(async () => strike(112, 0.3))
  await act(async () => void fireEvent.click(screen.getByRole('checkbox', { name: /one gel pad/ })))
  await act(async () => strike(112, 0.35))
  const rings = within(screen.getByRole('region', { name: 'Ring' })).getAllByText(/\(\d×\)/)
  expect(rings.map((each) => each.closest('li')!.textContent)).toEqual([
    'bare0.81 s (1×)',
    'one gel pad0.69 s (1×)',
  ])
})
