import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { REASON_ENTRY } from '@/handbook/links'
import { testSession } from '@/session/testSession'
import { showScreen } from '../testScreen'
import { closeBeside } from './beside'
import { EntryLink, EntryMark } from './EntryLink'
import { WithBeside } from './WithBeside'

async function show(onOpen?: () => void) {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  await showScreen(
    session,
    <WithBeside>
      <p>the work</p>
      <EntryLink entry={REASON_ENTRY['no-turn-helps']} {...(onOpen ? { onOpen } : {})} />
      <EntryMark entry="spread" />
    </WithBeside>,
  )
}

afterEach(closeBeside)

const panel = () => screen.findByRole('complementary', { name: 'Handbook' })

test('an entry opens beside the work with its text, leads on and back, and closes to where it was opened', async () => {
  await show()
  const link = screen.getByRole('button', { name: 'When to stop in the Handbook' })
  link.focus()
  fireEvent.click(link)
  const book = await panel()
  expect(await within(book).findByText(/when the next turn would do as much harm as good/)).toBeTruthy()
  expect(screen.getByText('the work')).toBeTruthy()
  expect(document.activeElement).toBe(within(book).getByRole('heading', { level: 2 }))
  fireEvent.click(within(book).getByRole('button', { name: 'What a hand leaves' }))
  expect(within(book).getByRole('heading', { level: 2 }).textContent).toBe('What a hand leaves')
  fireEvent.click(within(book).getAllByRole('button', { name: 'When to stop' })[0])
  expect(within(book).getByRole('heading', { level: 2 }).textContent).toBe('When to stop')
  fireEvent.keyDown(window, { key: 'Escape' })
  await waitFor(() => expect(screen.queryByRole('complementary')).toBeNull())
  expect(document.activeElement).toBe(link)
})

test('a chart answers what is dragged, by the function that the app computes with', async () => {
  await show()
  fireEvent.click(screen.getByRole('button', { name: 'When to stop in the Handbook' }))
  const book = await panel()
  const slider = await within(book).findByLabelText('Diameter, in inches')
  const before = within(book).getByText(/about \d+ c of spread/).textContent
  fireEvent.change(slider, { target: { value: '16' } })
  expect(within(book).getByText(/A 16 inch head/).textContent).not.toBe(before)
})

test('from a window the window closes first', async () => {
  const closed = jest.fn()
  await show(closed)
  fireEvent.click(screen.getByRole('button', { name: 'When to stop in the Handbook' }))
  expect(closed).toHaveBeenCalledTimes(1)
  expect(await panel()).toBeTruthy()
})

test('a mark beside a number says what it leads to', async () => {
  await show()
  fireEvent.click(screen.getByRole('button', { name: 'What is this: Spread, in the Handbook' }))
  expect(within(await panel()).getByRole('heading', { level: 2 }).textContent).toBe('Spread')
})
