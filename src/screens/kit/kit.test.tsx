import { act, fireEvent, screen } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { noteFinding } from '@/session/actions/findings'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { currentView } from '@/session/currentView'
import { typeReading } from '@/session/actions/said'
import { startRun } from '@/session/actions/run'
import { keepKit } from '@/session/actions/sheets'
import { testSession } from '@/session/testSession'
import { pushed } from '../testRouter'
import { showScreen, wentTo } from '../testScreen'
import { BorrowedDialog } from './BorrowedDialog'
import { KitScreen } from './KitScreen'

async function kit() {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeKit(session, 'House')
  addDrum(session, { ...usualDrum('tom', 12, 'rack'), name: 'Rack' })
  session.setSettings({ source: 'typed', keys: 2 })
  const read = (side: 'batter' | 'resonant', hz: number) => {
    chooseHead(session, 'rack', side)
    for (let lug = 0; lug < currentView(session)!.drum.lugs; lug++) typeReading(session, hz)
  }
  return { session, read }
}

/** What the one big button says, and why. */
const next = () => {
  const buttons = screen.getAllByRole('button').map((button) => button.textContent ?? '')
  return buttons.find((text) => /^(Read|Start with|Keep the kit|Plan|Go on|Look at)/.test(text))
}

test('the next best thing changes with what is known: read, keep, go on with a run, look', async () => {
  const { session, read } = await kit()
  await showScreen(session, <KitScreen />)
  expect(next()).toBe('Read Rack')
  await act(async () => {
    read('batter', 160)
    read('resonant', 200)
  })
  expect(next()).toBe('Keep the kit as a sheet')
  await act(async () => void keepKit(session, 'Hall', ''))
  expect(next()).toBe('Plan another spacing')
  await act(async () => startRun(session, session.kit()!.sheets[0], null))
  expect(next()).toBe('Go on with the run')
  pushed.length = 0
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Go on with the run' })))
  await wentTo('/run')
})

test('what is to be put right goes before what is out of tune', async () => {
  const { session, read } = await kit()
  read('batter', 160)
  noteFinding(session, 'stripped', [3])
  await showScreen(session, <KitScreen />)
  expect(next()).toBe('Look at Rack')
})

test('a borrowed kit is made from sizes, kept or discarded', async () => {
  const { session } = await kit()
  pushed.length = 0
  await showScreen(session, <BorrowedDialog onClose={() => undefined} />)
  const sizes = screen.getByLabelText(/^Sizes in inches/)
  fireEvent.change(sizes, { target: { value: 'kick 22, gong 40' } })
  expect(screen.getByRole('alert').textContent).toMatch(/“gong” is no size and no drum/)
  fireEvent.change(sizes, { target: { value: '20 kick, 13x6 snare, 8 and 10 racks' } })
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Make it and plan' })))
  await wentTo('/spacing')
  const made = session.kit()!
  expect(made.borrowed).toBe(true)
  expect(made.drums.find(({ kind }) => kind === 'snare')!.depthInches).toBe(6)
  expect(made.drums.map(({ kind, diameterInches }) => `${kind} ${diameterInches}`)).toEqual([
    'kick 20',
    'tom 10',
    'tom 8',
    'snare 13',
  ])
  await showScreen(session, <KitScreen />)
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'keep it' })))
  expect(session.kit()!.borrowed).toBe(false)
  await act(async () => void session.undo())
  expect(session.kit()!.borrowed).toBe(true)
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'discard it' })))
  expect(session.kit()!.name).toBe('House')
})

test('two toms too close are said on the rail, and the one move that mends it goes to the bench', async () => {
  const { session, read } = await kit()
  await act(async () => {
    addDrum(session, { ...usualDrum('floor-tom', 14, 'floor'), name: 'Floor' })
    read('batter', 160)
    read('resonant', 200)
    for (const [side, hz] of [
      ['batter', 148],
      ['resonant', 186],
    ] as const) {
      chooseHead(session, 'floor', side)
      for (let lug = 0; lug < currentView(session)!.drum.lugs; lug++) typeReading(session, hz)
    }
  })
  await showScreen(session, <KitScreen />)
  const verdicts = screen.getByRole('region', { name: 'What does not fit together' })
  expect(verdicts.textContent).toMatch(/Floor and Rack are too close: 135 c/)
  expect(screen.getAllByRole('img', { name: /too close, 135 c/ }).length).toBeGreaterThan(0)
  const before = currentView(session)!.aim
  expect(before).toMatchObject({ kind: 'level' })
  pushed.length = 0
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Take it to the bench' })))
  await wentTo('/bench')
  expect(currentView(session)!.aim).toMatchObject({ kind: 'hz' })
})
