import { act, fireEvent, screen, within } from '@testing-library/react'

import { logOf, testSession } from '@/session/testSession'
import { settled, showScreen } from '../testScreen'
import { PracticeScreen } from './PracticeScreen'

async function show() {
  const bench = testSession()
  await bench.session.start(() => Promise.resolve())
  await showScreen(bench.session, <PracticeScreen />)
  await settled()
  return bench
}

const answers = () => screen.findByRole('group', { name: 'Answers' })

test('a drill by keys: what is not heard here is said, every answer is kept, nothing enters a log', async () => {
  const { session, disk } = await show()
  expect(screen.getByText(/Set the volume low/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Begin, three minutes' }))
  await settled()
  // jsdom has no sound, and that is said.
  expect(screen.getByRole('alert').textContent).toMatch(/plays no sound/)
  const group = await answers()
  expect(within(group).getAllByRole('button')).toHaveLength(2)
  await act(async () => void fireEvent.keyDown(document.body, { key: '1' }))
  await settled()
  expect(screen.getByText(/^(Right|Wrong)\.$/)).toBeTruthy()
  expect(disk.drills).toHaveLength(1)
  expect(disk.drills![0]).toMatchObject({ what: 'drill', kind: 'higher', through: 'headphones' })
  expect(logOf(session)).toEqual([])
  // A second answer to the same trial counts for nothing.
  await act(async () => void fireEvent.keyDown(document.body, { key: '2' }))
  expect((disk.drills![0] as { answered: unknown[] }).answered).toHaveLength(1)
  await act(async () => void fireEvent.keyDown(document.body, { key: 'Escape' }))
  expect(screen.getByRole('button', { name: 'Three minutes more' })).toBeTruthy()
})

test('headphones or speaker are asked for, and kept with the run', async () => {
  const { disk } = await show()
  fireEvent.click(screen.getByRole('radio', { name: 'speaker' }))
  fireEvent.change(screen.getByLabelText('drill'), { target: { value: 'interval' } })
  fireEvent.click(screen.getByRole('button', { name: 'Begin, three minutes' }))
  await settled()
  const [first] = within(await answers()).getAllByRole('button')
  await act(async () => void fireEvent.click(first))
  expect(disk.drills![0]).toMatchObject({ kind: 'interval', through: 'speaker' })
})

test('a lesson says what is missing, gives a hint, and is kept whether it was met or not', async () => {
  const { disk } = await show()
  fireEvent.click(screen.getByRole('radio', { name: 'lessons' }))
  fireEvent.click(screen.getByRole('button', { name: /^4\. Up from slack/ }))
  fireEvent.click(screen.getByRole('button', { name: 'A hint' }))
  expect(screen.getByText(/Half turns on all rods, crosswise/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Measure it' }))
  await settled()
  expect(screen.getByText('Not yet.')).toBeTruthy()
  expect(disk.drills![0]).toMatchObject({ what: 'lesson', lesson: 'slack', met: false })
})

test('a head by ear alone shows no number before it is judged, then says how it stands', async () => {
  const { disk } = await show()
  fireEvent.click(screen.getByRole('radio', { name: 'by ear alone' }))
  fireEvent.click(screen.getByRole('radio', { name: 'all rods' }))
  fireEvent.click(screen.getByRole('button', { name: 'up 1/8' }))
  expect(screen.queryByText(/ Hz/)).toBeNull()
  fireEvent.click(screen.getByRole('button', { name: 'Done: judge it' }))
  await settled()
  const said = () => screen.getByText(/^Found: spread/).textContent
  expect(said()).toMatch(/after 1 pass, 3\/4 turn of the key, 0 taps\.$/)
  expect(disk.drills![0]).toMatchObject({ what: 'set', ear: { passes: 1, turns: 0.75 } })
  // Judged once as it stands; turned on, it shows no more of itself until it is judged again.
  const judge = screen.getByRole<HTMLButtonElement>('button', { name: 'Done: judge it' })
  expect(judge.disabled).toBe(true)
  const before = said()
  fireEvent.click(screen.getByRole('button', { name: 'up 1/4' }))
  expect(said()).toBe(before)
  expect(judge.disabled).toBe(false)
})
