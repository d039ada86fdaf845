import { usualDrum } from '@/core/records/usualDrum'
import type { HumbraEvent } from '@/core/records/event'
import type { Session } from './session'
import { addDrum, chooseHead, makeKit } from './actions/kits'
import { currentView } from './currentView'
import { typeReading } from './actions/said'
import { memorySession as testSession, type MemoryBench } from './memorySession'

export { testSession }
export type TestBench = MemoryBench

/** A session with a kit of a 12 inch tom and a 16 inch floor tom, read by typed numbers. */
export async function twoToms() {
  const bench = testSession()
  const { session, advanceMs } = bench
  await session.start(() => Promise.resolve())
  makeKit(session, 'House')
  addDrum(session, { ...usualDrum('tom', 12, 'rack'), name: 'Rack' })
  addDrum(session, { ...usualDrum('floor-tom', 16, 'floor'), name: 'Floor' })
  session.setSettings({ source: 'typed', keys: 2 })
  const read = (drum: 'rack' | 'floor', side: 'batter' | 'resonant', hz: number) => {
    chooseHead(session, drum, side)
    for (let lug = 0; lug < currentView(session)!.drum.lugs; lug++) typeReading(session, hz, hz.toFixed(2))
    advanceMs(1000)
  }
  /** All four heads, each so many times its usual pitch. */
  const readAll = (times = 1) => {
    read('rack', 'resonant', 200 * times)
    read('rack', 'batter', 160 * times)
    read('floor', 'resonant', 130 * times)
    read('floor', 'batter', 100 * times)
  }
  return { ...bench, read, readAll }
}

/** The events that a session still has at hand, which in a test are all. */
export function logOf(session: Session): HumbraEvent[] {
  return [...session.get().logs.values()].flatMap(({ tail }) => tail)
}
