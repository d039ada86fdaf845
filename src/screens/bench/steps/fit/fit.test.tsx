import { fireEvent, screen } from '@testing-library/react'
import { click, press, typeIn, withDrum } from '../testStep'

test('fitting asks for film, mark, school and keys, goes step by step, and ends on the way up', async () => {
  const { show, view, session, step } = await withDrum('tom', 12)
  await show('fit')
  expect(screen.getByRole('heading', { name: 'Wipe shell and edge' })).toBeTruthy()
  typeIn('Film', '10')
  typeIn(/^Its mark lies/, '0.5')
  fireEvent.change(screen.getByLabelText('start from'), { target: { value: 'rattle' } })
  fireEvent.change(screen.getByLabelText('keys'), { target: { value: '1' } })
  expect(screen.getByText(/no longer rattles/)).toBeTruthy()
  expect(screen.getByRole('img', { name: 'Order of the rods in pairs: 1·4, 2·5, 3·6' })).toBeTruthy()
  for (let i = 0; i < 3; i++) await press('Done, on')
  expect(screen.getByRole('heading', { name: 'Bring all rods to the start' })).toBeTruthy()
  await press('It is on, rods at the start')
  expect(step()).toBe('even')
  expect(view()).toMatchObject({ phase: 'climb', head: { markTurns: 0.5 }, sitting: { slack: 'rattle' } })
  expect(view().drum.batter).toMatchObject({ pliesMils: [10], fittedOn: '2026-01-05' })
  expect(session.get().settings.keys).toBe(1)
})

test('back to slack with the head that is on fits nothing', async () => {
  const { show, view } = await withDrum('tom', 12)
  await show('fit')
  await click(screen.getByRole('radio', { name: 'the head that is on, back to slack' }))
  expect(screen.queryByLabelText('Film')).toBeNull()
  await press('Rods are at the start')
  expect(view().head.fittedAt).toBeNull()
  expect(view().phase).toBe('climb')
})
