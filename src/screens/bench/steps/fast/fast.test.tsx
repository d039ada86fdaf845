import { act, screen } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { addDrum } from '@/session/actions/kits'
import { press, withDrum } from '../testStep'

test('the fast routine says its minutes and what it leaves out, and begins from finger-tight', async () => {
  const { show, view, session, step } = await withDrum('tom', 12)
  await show('fast')
  expect(screen.getByText(/^about [2-5] min/)).toBeTruthy()
  expect(screen.getByText(/Nothing is settled/)).toBeTruthy()
  await press('The rods are finger-tight')
  expect(view().sitting!.slack).toBe('fingers')
  expect(session.get().settings.readOrder).toBe('fewest')
  expect(step()).toBe('even')
})

test('from drum to drum in one press', async () => {
  const { show, session, view, step } = await withDrum('tom', 12)
  await act(async () => addDrum(session, { ...usualDrum('floor-tom', 16, 'f'), name: 'Floor' }))
  await show('fast')
  await press('Leave it: Floor')
  expect([view().drum.name, step()]).toEqual(['Floor', 'fast'])
})
