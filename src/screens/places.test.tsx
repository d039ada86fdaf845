import { act, fireEvent, screen, within } from '@testing-library/react'
import { usualDrum } from '@/core/records/usualDrum'
import { noteFinding } from '@/session/actions/findings'
import { addDrum, chooseHead, makeKit } from '@/session/actions/kits'
import { typeReading } from '@/session/actions/said'
import { keepDrum, keepKit } from '@/session/actions/sheets'
import { watchAdvice } from '@/session/adviceWatch'
import { testSession } from '@/session/testSession'
import { KitScreen } from './kit/KitScreen'
import { SheetsScreen } from './sheets/SheetsScreen'
import { pushed } from './testRouter'
import { showScreen, wentTo } from './testScreen'

async function kit() {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  watchAdvice(session)
  makeKit(session, 'House')
  addDrum(session, { ...usualDrum('tom', 12, 'rack'), name: 'Rack' })
  addDrum(session, { ...usualDrum('floor-tom', 16, 'floor'), name: 'Floor' })
  session.setSettings({ source: 'typed', keys: 2 })
  return session
}
type Session = Awaited<ReturnType<typeof kit>>

const readHead = (session: Session, drum: string, hz: readonly number[]) => {
  chooseHead(session, drum, 'batter')
  for (const each of hz) typeReading(session, each)
}
test('the kit says what needs work and why, and what was found on looking over', async () => {
  const session = await kit()
  readHead(session, 'rack', [175, 187, 180, 175, 187, 180])
  noteFinding(session, 'stripped', [3])
  await showScreen(session, <KitScreen />)
  expect(screen.getByText(/Rack is uneven/)).toBeTruthy()
  expect(screen.getByText('thread holds nothing, rod 3')).toBeTruthy()
  const lanes = screen.getAllByRole('listitem').map((lane) => lane.textContent)
  expect(lanes.some((text) => /Floor.*not read/.test(text ?? ''))).toBe(true)
})

test('a drum of the kit opens on the bench', async () => {
  const session = await kit()
  await showScreen(session, <KitScreen />)
  pushed.length = 0
  await act(async () => void fireEvent.click(screen.getByText('Floor')))
  await wentTo('/bench')
  expect(session.get().settings).toMatchObject({ drum: 'floor', side: 'batter' })
})

test('an empty kit and no kit at all have a way on', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  await showScreen(session, <KitScreen />)
  expect(screen.getAllByRole('button').length).toBeGreaterThan(0)
})

test('sheets: none yet is said; a kept head stands on its strip with how far it is off', async () => {
  const session = await kit()
  await showScreen(session, <SheetsScreen />)
  expect(screen.getByText(/No sheet yet/)).toBeTruthy()
  await act(async () => {
    readHead(session, 'rack', [180, 180, 180, 180, 180, 180])
    for (let i = 0; i < 12; i++) await Promise.resolve()
    keepDrum(session, { name: 'Cellar', heads: [{ side: 'batter', uneven: false }], hold: true })
  })
  const heading = screen.getByRole('heading', { name: 'Cellar' })
  expect(heading).toBeTruthy()
  expect(screen.getByText('the kit is held against this')).toBeTruthy()
  expect(within(screen.getByRole('list')).getByText(/180\.0/)).toBeTruthy()
})

test('thousands of sheets are drawn as far as they are seen', async () => {
  const session = await kit()
  readHead(session, 'rack', [180, 180, 180, 180, 180, 180])
  for (let i = 0; i < 40; i++) keepKit(session, `Sheet ${i}`, '')
  window.IntersectionObserver = class {
    observe = () => undefined
    disconnect = () => undefined
  } as never
  await showScreen(session, <SheetsScreen />)
  expect(screen.getAllByRole('heading', { name: /^Sheet \d/ }).length).toBe(8)
  expect(screen.getByText('32 more')).toBeTruthy()
})
