import { act, screen } from '@testing-library/react'
import { watchAdvice } from '@/session/adviceWatch'
import { typeReading } from '@/session/actions/said'
import { settled } from '../testScreen'
import { withDrum } from './steps/testStep'

const told = () => screen.getByRole('status', { name: 'What was read, and what comes next' }).textContent

test('each act is told once, by one voice; then the next move', async () => {
  const { session, show } = await withDrum('tom', 12)
  watchAdvice(session)
  await show('even')
  expect(screen.getAllByRole('status')).toHaveLength(1)
  await act(async () => typeReading(session, 180))
  expect(told()).toBe('lug 1, 180 hertz; next lug 2')
  await act(async () => typeReading(session, 187))
  expect(told()).toMatch(/^lug 2, 187 hertz.*; next lug 3$/)
  for (const hz of [183, 180, 187, 183]) await act(async () => typeReading(session, hz))
  await settled()
  expect(told()).toMatch(/^rods \d and \d, (up|down) \w+/)
})
