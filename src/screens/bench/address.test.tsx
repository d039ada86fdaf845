import { act, screen } from '@testing-library/react'
import { goToStop } from '@/session/actions/kits'
import { settled } from '../testScreen'
import { withDrum } from './steps/testStep'

const search = () => window.location.search

test('the address says drum, head and step; going on writes it', async () => {
  const { session, show } = await withDrum('tom', 12)
  await show('even')
  expect(search()).toBe('?drum=d&head=batter&step=even')
  await act(async () => goToStop(session, { step: 'even', side: 'resonant' }))
  await settled()
  expect(search()).toBe('?drum=d&head=resonant&step=even')
  await act(async () => goToStop(session, { step: 'keep', side: 'resonant' }))
  await settled()
  expect(search()).toBe('?drum=d&head=resonant&step=keep')
  expect(screen.getByRole('navigation', { name: 'The job of Own' })).toBeTruthy()
})

test('Back is followed though the router never told that one had gone on', async () => {
  const { session, show } = await withDrum('tom', 12)
  await show('even')
  await act(async () => goToStop(session, { step: 'look', side: 'batter' }))
  await settled()
  expect(search()).toBe('?drum=d&head=batter&step=look')
  await act(async () => {
    const back = new Promise((resolve) => window.addEventListener('popstate', resolve, { once: true }))
    window.history.back()
    await back
  })
  await settled()
  expect(search()).toBe('?drum=d&head=batter&step=even')
  expect(session.get().step).toBe('even')
})
