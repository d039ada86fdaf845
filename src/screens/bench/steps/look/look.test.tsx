import { screen } from '@testing-library/react'
import { press, withDrum } from '../testStep'

test('looking over goes part by part, notes a rod, puts it right again, and ends with the next step', async () => {
  const { show, view, step } = await withDrum('tom', 12)
  await show('look')
  expect(screen.queryByRole('button', { name: /^\d Wires/ })).toBeNull()
  for (let i = 0; i < 3; i++) await press('All well, on')
  expect(screen.getByText(/a thread that holds nothing/)).toBeTruthy()
  await press('thread holds nothing')
  const note = screen.getByRole<HTMLButtonElement>('button', { name: 'Note it' })
  expect(note.disabled).toBe(true)
  await press('Rod 3')
  await press('Note it')
  expect(view().head.findings).toMatchObject([{ finding: 'stripped', rods: [3] }])
  expect(screen.getAllByText('thread holds nothing, rod 3')).toHaveLength(2)
  expect(screen.getByText(/a rod that snaps throws parts/)).toBeTruthy()
  expect(screen.getByRole('img', { name: 'Rods with a finding, badge at the top: 3' })).toBeTruthy()
  await press('It is put right')
  expect(view().head.findings).toEqual([])
  for (let i = 0; i < 3; i++) await press('All well, on')
  expect(screen.getByRole('heading', { name: 'All well' })).toBeTruthy()
  await press('Next: fit')
  expect(step()).toBe('fit')
})

test('a snare is also asked about its wires', async () => {
  const { show } = await withDrum('snare', 14)
  await show('look')
  await press(/Wires/)
  expect(screen.getByRole('heading', { name: /Strands straight and alike/ })).toBeTruthy()
})
