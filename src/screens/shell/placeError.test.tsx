import { act, fireEvent, render, screen } from '@testing-library/react'
import { Component, type ReactNode } from 'react'
import { SessionContext } from '@/session/react'
import { makeKit } from '@/session/actions/kits'
import { testSession } from '@/session/testSession'
import { useKit } from '@/session/react'
import { PlaceError } from './PlaceError'

/** As Next does it with `error.tsx`. */
class Place extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state = { error: null }
  static getDerivedStateFromError = (error: Error) => ({ error })
  override render() {
    const { error } = this.state
    return error ? (
      <PlaceError error={error} onAgain={() => this.setState({ error: null })} />
    ) : (
      this.props.children
    )
  }
}

function Broken() {
  const kit = useKit()
  if (kit?.name === 'Broken') throw new RangeError('no such lug')
  return <h1>{kit?.name ?? 'No kit'}</h1>
}

test('an error stays on its place, says what to do, and no other kit suffers', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'Sound')
  makeKit(session, 'Broken')
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined)
  await act(async () => {
    render(
      <SessionContext value={session}>
        <Place>
          <Broken />
        </Place>
      </SessionContext>,
    )
  })
  expect(screen.getByRole('alert').textContent).toMatch(/in Broken could not be worked out.*Nothing is lost/)
  expect(screen.getByText('no such lug')).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Export the kit' })).toBeTruthy()
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Open Sound' })))
  expect(screen.getByRole('heading').textContent).toBe('Sound')
  await act(async () => session.setSettings({ kit: session.get().kits[1].id }))
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Put the kit away' })))
  expect(screen.getByRole('heading').textContent).toBe('Sound')
  expect(session.get().kits.map(({ name }) => name)).toEqual(['Sound'])
  quiet.mockRestore()
})
