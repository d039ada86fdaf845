import { act, screen } from '@testing-library/react'
import { Profiler, type ReactNode } from 'react'
import { typeReading } from '@/session/actions/said'
import { chooseHead } from '@/session/actions/kits'
import { twoToms } from '@/session/testSession'
import { showScreen, settled } from '../testScreen'
import { place } from '../testRouter'
import { Keeping } from '../shell/Keeping'
import { Nav } from '../shell/Nav'
import { KitScreen } from '../kit/KitScreen'
import { SheetsScreen } from '../sheets/SheetsScreen'
import { BenchHeader } from './BenchHeader'
import { BenchScreen } from './BenchScreen'
import { MicrophonePart } from './steps/even/MicrophonePart'

/** Counts how often each part is drawn. */
function counted() {
  const draws = new Map<string, number>()
  const part = (name: string, node: ReactNode) => (
    <Profiler key={name} id={name} onRender={() => draws.set(name, (draws.get(name) ?? 0) + 1)}>
      {node}
    </Profiler>
  )
  return { draws, part }
}

test('a reading redraws the bench, and neither its header nor the places', async () => {
  const { session } = await twoToms()
  place.path = '/bench'
  chooseHead(session, 'rack', 'batter')
  for (const hz of [150, 151]) typeReading(session, hz)
  await session.saved()
  const { draws, part } = counted()
  await showScreen(session, [
    part('places', <Nav />),
    part('header', <BenchHeader />),
    part('bench', <BenchScreen />),
  ])
  await settled()
  draws.clear()
  await act(async () => {
    typeReading(session, 149)
    await session.saved()
  })
  expect(screen.getAllByRole('button', { name: /Lug 3, 149/ }).length).toBe(1)
  expect(draws.get('bench')).toBeGreaterThan(0)
  expect(draws.get('header')).toBeUndefined()
  // The list of places is drawn again where Undo becomes possible, and the word that it is kept stands beside it.
  expect(draws.get('places') ?? 0).toBeLessThanOrEqual(4)
})

test('the level redraws the meter alone, the clock nothing', async () => {
  const { session, advanceMs } = await twoToms()
  place.path = '/bench'
  chooseHead(session, 'rack', 'batter')
  session.setSettings({ source: 'microphone' })
  session.set({ hearing: { ...session.get().hearing, state: 'on' } })
  const { draws, part } = counted()
  await showScreen(session, [
    part('places', <Nav />),
    part('kept', <Keeping />),
    part('header', <BenchHeader />),
    part('kit', <KitScreen />),
    part('sheets', <SheetsScreen />),
    part('meter', <MicrophonePart />),
  ])
  await settled()
  draws.clear()
  for (let i = 1; i <= 10; i++)
    await act(async () => session.set({ hearing: { ...session.get().hearing, level: i / 10 } }))
  expect(Object.fromEntries(draws)).toEqual({ meter: 10 })
  draws.clear()
  advanceMs(60_000)
  await act(async () => session.tick())
  expect([...draws.keys()].filter((name) => ['places', 'header', 'kept', 'meter'].includes(name))).toEqual([])
})
