import { hereOf } from './here'
import { checkDrum } from '@/core/runs/quickCheck'
import { drumLog } from '@/core/log/fold'
import { checkText } from '@/text/quickCheck'
import { typeCentre } from './actions/centre'
import { chooseHead } from './actions/kits'
import { currentView } from './currentView'
import { twoToms } from './testSession'

const DAY = 24 * 3600 * 1000

/** A rack tom whose heads are read and whose centre was struck then; numbers as a hand would write them. */
async function struck() {
  const bench = await twoToms()
  const { session, read } = bench
  read('rack', 'resonant', 200)
  read('rack', 'batter', 160)
  const strike = (hz: number) => {
    chooseHead(session, 'rack', 'batter')
    typeCentre(session, currentView(session)!, hz)
    const kit = session.kit()!
    const { id } = drumLog(kit, 'rack', false).strokes.at(-1)!.event
    return checkDrum(hereOf(session.get(), kit, false), kit.drums[0], id)!
  }
  session.setSettings({ typedErrorCents: 1 })
  strike(108)
  return { ...bench, strike }
}

test('a centre that stands passes, one that fell by 30 cents is named, with both heads, since one number cannot part them', async () => {
  const { strike, advanceMs } = await struck()
  advanceMs(DAY)
  const still = strike(108)
  expect(still).toMatchObject({ against: 'stroke', named: [] })
  expect(checkText(still)).toBe('Rack: centre as it was, nothing has moved.')
  // 1200 log2(106.1 / 108).
  const fell = strike(106.1)
  expect(fell.seen.cents).toBeCloseTo(-30.7, 0)
  expect(fell.named).toContain('batter')
  expect(checkText(fell)).toMatch(/^Rack: centre −31 c; moved: /)
})

test('checked twice, a head that moved is still named: yesterday’s check is not how the drum stands', async () => {
  const { strike, advanceMs } = await struck()
  advanceMs(DAY)
  expect(strike(106.1).named.length).toBeGreaterThan(0)
  advanceMs(DAY)
  const again = strike(106.1)
  expect(again.seen.cents).toBeCloseTo(-30.7, 0)
  expect(again.named.length).toBeGreaterThan(0)
})

test('read anew, the drum is held against what it is now', async () => {
  const { strike, read, advanceMs } = await struck()
  advanceMs(DAY)
  strike(106.1)
  advanceMs(DAY)
  read('rack', 'resonant', 197)
  read('rack', 'batter', 157)
  strike(106.1)
  advanceMs(DAY)
  expect(strike(106.1)).toMatchObject({ against: 'stroke', named: [] })
})

test('a head that was never read cannot be checked', async () => {
  const { session } = await twoToms()
  chooseHead(session, 'floor', 'batter')
  typeCentre(session, currentView(session)!, 70)
  const kit = session.kit()!
  const { id } = drumLog(kit, 'floor', false).strokes.at(-1)!.event
  expect(checkDrum(hereOf(session.get(), kit, false), kit.drums[1], id)).toBeNull()
  expect(checkDrum(hereOf(session.get(), kit, false), kit.drums[1], 'no such')).toBeNull()
})
