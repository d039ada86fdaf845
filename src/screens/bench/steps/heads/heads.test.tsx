import { act, fireEvent, screen, within } from '@testing-library/react'
import { changeDrum } from '@/session/actions/kits'
import { settled } from '../../../testScreen'
import { press, withDrum } from '../testStep'

const figures = () => screen.getByRole('region', { name: 'Figures of both heads' }).textContent

test('both heads from nothing, then from one head: what to read next is a button, the other is foretold', async () => {
  const { read, view, show, step } = await withDrum('tom', 12)
  await show('heads')
  expect(screen.getByRole('button', { name: 'Read the batter' })).toBeTruthy()
  await act(async () => read('batter', 180))
  await settled()
  expect(
    screen.getByText(/The resonant is foretold, give or take 300 c. Read next: the resonant/),
  ).toBeTruthy()
  expect(figures()).toMatch(/resonant lugabout/)
  await press('Read it')
  expect([view().side, step()]).toEqual(['resonant', 'even'])
})

test('wishes in words: an interval by its name, a pitch by its note, what is neither is said; a wish for the sound', async () => {
  const { read, view, show, step } = await withDrum('tom', 12)
  read('batter', 180)
  read('resonant', 225)
  await show('heads')
  const take = async (label: string, text: string) => {
    const field = screen.getByRole('textbox', { name: label })
    fireEvent.change(field, { target: { value: text } })
    fireEvent.blur(field)
    await settled()
  }
  await take('resonant above', 'fort')
  expect(screen.getByRole('alert').textContent).toMatch(/An interval such as “fourth”/)
  await take('resonant above', 'fourth')
  await take('batter lug', 'F#3')
  expect(figures()).toMatch(/batter lug180\.0 → 185\.0 Hz/)
  expect(figures()).toMatch(/resonant lug225\.0 → 246\.9 Hz/)
  // The three ways to a fourth: the resonant alone, the batter alone, half each.
  const ways = screen.getByRole('table', { name: 'To a fourth above' })
  expect(within(ways).getByRole('row', { name: /^batter down .* leave/ })).toBeTruthy()
  await act(async () => void fireEvent.click(within(ways).getByRole('button', { name: 'resonant' })))
  await settled()
  expect(figures()).toMatch(/batter lug180\.0 → 180\.0 Hz/)
  // The lug's line is a slider: Home takes its goal to the end.
  const slider = screen.getByRole('slider', { name: 'batter lug, wanted' })
  await act(async () => void fireEvent.keyDown(slider, { key: 'ArrowRight' }))
  await settled()
  expect(figures()).toMatch(/batter lug180\.0 → 180\.5 Hz/)
  await press('longer')
  await settled()
  await press('Aim both heads there')
  // The head that wants turning is opened.
  expect(view()).toMatchObject({ side: 'resonant', aim: { kind: 'hz' } })
  expect(step()).toBe('even')
})

test('a drum of one head has its centre and nothing of another', async () => {
  const { session, read, view, show } = await withDrum('tom', 12)
  await act(async () => changeDrum(session, view().drum, { ...view().drum, oneHeaded: true }))
  read('batter', 180)
  await show('heads')
  expect(screen.queryByRole('slider', { name: /resonant/ })).toBeNull()
  expect(screen.getByText(/has no second to set it against/)).toBeTruthy()
  expect(screen.getByText(/Read next: one stroke on the centre/)).toBeTruthy()
})
