import { act, fireEvent, screen, within } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { headIsOn } from '@/session/actions/fitting'
import { currentView } from '@/session/currentView'
import { typeReading } from '@/session/actions/said'
import { watchAdvice } from '@/session/adviceWatch'
import { testSession } from '@/session/testSession'
import { place } from '../testRouter'
import { showScreen } from '../testScreen'
import { BenchScreen } from './BenchScreen'

async function bench(lugs = 6) {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  watchAdvice(session)
  makeKit(session, 'Kit')
  addDrum(session, { ...usualDrum('tom', 12, 'd'), name: 'Rack', lugs })
  session.setSettings({ source: 'typed', keys: 2 })
  chooseHead(session, 'd', 'batter')
  place.path = '/bench'
  await showScreen(session, <BenchScreen />)
  const panel = () => screen.getByRole('region', { name: 'Next move' })
  const read = (hz: readonly number[]) =>
    act(async () => {
      for (const each of hz) typeReading(session, each)
      for (let i = 0; i < 12; i++) await Promise.resolve()
    })
  const key = (name: string) =>
    act(async () => void fireEvent.keyDown(document.body, { key: name, code: name }))
  return { session, panel, read, key, view: () => currentView(session)! }
}

const UNEVEN = [178, 182, 180, 178, 182, 180]

test('from readings to a move by keys: turned, pressed, read again, even', async () => {
  const { panel, read, key, view } = await bench()
  expect(panel().textContent).toMatch(/0 of 6 lugs read/)
  await read(UNEVEN)
  expect(panel().textContent).toMatch(/move 1 of/)
  expect(screen.getByRole('button', { name: /^Lug 2, 182\.0 Hz/ })).toBeTruthy()
  while (view().phase === 'turn') await key('Enter')
  expect(panel().textContent).toMatch(/all moves made/)
  await key('p')
  expect(panel().textContent).toMatch(/0 of 6 lugs read/)
  await read([181, 181.1, 181, 181, 181.1, 181])
  expect(panel().textContent).toMatch(/done/)
  expect(within(panel()).getByText('Even')).toBeTruthy()
  const passes = screen.getByRole('region', { name: 'Passes' })
  expect(within(passes).getByText('as found')).toBeTruthy()
  expect(within(passes).getByText('pass 1')).toBeTruthy()
})

test('a digit asks for a lug anew; a wrong number is said and changes nothing', async () => {
  const { panel, read, key, view } = await bench()
  await read(UNEVEN)
  await key('4')
  expect(view()).toMatchObject({ phase: 'read', lug: 4 })
  expect(panel().textContent).toMatch(/4/)
  const input = screen.getByLabelText<HTMLInputElement>('Pitch, Hz or note')
  fireEvent.change(input, { target: { value: 'low' } })
  fireEvent.submit(input.form!)
  expect(screen.getByRole('alert').textContent).toMatch(/A pitch from 15 to/)
  expect(view().sitting!.passes[0].readings.size).toBe(6)
})

test('a fresh head: the round of all rods, the order drawn, the caution beside', async () => {
  const { session, panel, key, view } = await bench()
  await act(async () => {
    headIsOn(session, { head: view().drum.batter, markTurns: 0, school: 'fingers' })
  })
  expect(panel().textContent).toMatch(/up from slack, round 1/)
  expect(within(panel()).getByText('All')).toBeTruthy()
  expect(within(panel()).getByRole('img', { name: /^Order of the rods in pairs: 1·4/ })).toBeTruthy()
  expect(panel().textContent).toMatch(/eyes away from the rim/)
  const before = view().climb!.turnsToGo
  await key('Enter')
  expect(view().climb!.turnsToGo).toBeLessThan(before)
})

test('without a drum the bench says so and offers one', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  await showScreen(session, <BenchScreen />)
  expect(screen.getByText('No drum on the bench')).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Start a kit' })).toBeTruthy()
})
