import { act, fireEvent, render, screen } from '@testing-library/react'
import { SessionContext } from '@/session/react'
import { press, typeIn, withDrum } from '../steps/testStep'
import { BedDialog } from './BedDialog'
import { WrinklesDialog } from './WrinklesDialog'

test('wrinkles: only the rods beside them go up an eighth', async () => {
  const { session, view } = await withDrum('tom', 12)
  render(
    <SessionContext value={session}>
      <WrinklesDialog onClose={() => undefined} />
    </SessionContext>,
  )
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'These are up 1/8' }).disabled).toBe(true)
  await press('Wrinkles at rod 2')
  await press('Wrinkles at rod 3')
  await press('These are up 1/8')
  expect(view().sitting!.passes[0].turns).toEqual([0, 0.125, 0.125, 0, 0, 0])
})

test('the bed: a depth that is none is said and not kept; Back closes the window and keeps nothing', async () => {
  const { session, view } = await withDrum('snare', 14)
  let closed = 0
  render(
    <SessionContext value={session}>
      <BedDialog onClose={() => closed++} />
    </SessionContext>,
  )
  typeIn(/they may read lower by/, 'deep')
  fireEvent.blur(screen.getByLabelText(/they may read lower by/))
  expect(screen.getByRole('alert').textContent).toMatch(/0 to 300/)
  typeIn(/they may read lower by/, '15')
  fireEvent.blur(screen.getByLabelText(/they may read lower by/))
  for (const lug of [1, 2, 6, 7]) await press(`Beside the bed: lug ${lug}`)
  await act(async () => {
    window.history.back()
    await new Promise((resolve) => setTimeout(resolve, 30))
  })
  expect(closed).toBe(1)
  expect(view().drum.snareBed).toBeUndefined()
  fireEvent.click(screen.getByRole('button', { name: 'Keep the bed' }))
  expect(view().drum.snareBed).toEqual({ lugs: [1, 2, 6, 7], cents: 15 })
})
