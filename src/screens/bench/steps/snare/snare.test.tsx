import { act, fireEvent, screen } from '@testing-library/react'
import { wiresOf } from '@/core/status/strokes'
import { changeDrum } from '@/session/actions/kits'
import { press, typeIn, withDrum } from '../testStep'

test('the snare: a bed of its own lugs kept under every target, an age, the wires with their check; what is no number is said', async () => {
  const { session, view, show, step } = await withDrum('snare', 14)
  await show('snare')
  expect(screen.getByRole('heading', { name: 'Snare side to 400 Hz' })).toBeTruthy()
  expect(screen.getByText(/nobody noted when it was fitted/)).toBeTruthy()
  await press('Note the wires')
  expect(screen.getByRole('alert').textContent).toMatch(/A number such as/)
  typeIn(/knob past touching/, '6')
  fireEvent.click(screen.getByRole('radio', { name: 'they rattle on' }))
  await press('Note the wires')
  expect(wiresOf(view().kit, view().drum, false)).toMatchObject({ knob: 6, unit: 'clicks', rattles: true })
  await act(async () =>
    changeDrum(session, view().drum, { ...view().drum, snareBed: { lugs: [1, 2, 6, 7], cents: 15 } }),
  )
  expect(screen.getByText(/lugs 1, 2, 6 and 7 may read 15 c lower/)).toBeTruthy()
  await press(/^Aim the snare side/)
  expect(view()).toMatchObject({ side: 'resonant', aim: { kind: 'hz', hz: 400 } })
  expect(step()).toBe('even')
  expect(view().request).toMatchObject({
    head: { snareBed: { lugs: [1, 2, 6, 7], cents: 15 } },
    target: { hz: 400 },
  })
})
