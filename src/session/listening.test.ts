import { chooseTone, dropHeard, moveHeard, stayNear } from './actions/readings'
import { typeReading } from './actions/said'
import { stopListening } from './actions/listening'
import { keepGaugeLaw, sayFeel, takeDial } from './actions/gauge'
import { chooseHead } from './actions/kits'
import { watchAdvice } from './adviceWatch'
import { startRun } from './actions/run'
import { keepKit } from './actions/sheets'
import { turnedOtherwise } from './actions/turning'
import { currentView } from './currentView'
import { listening, readingsOf } from './testListening'

test('taps go to lug after lug; a pause loses what rings and nothing that was read; a lost device says so', async () => {
  const bench = await listening()
  await bench.hear(1)
  await bench.hear(2)
  expect([...readingsOf(bench).keys()]).toEqual([1, 2])
  expect(bench.session.get().hearing.peaks.length).toBe(2)
  bench.handlers().onPause(true)
  expect(bench.session.get().hearing.state).toBe('paused')
  bench.handlers().onPause(false)
  await new Promise((resolve) => setTimeout(resolve, 0))
  expect(bench.session.get().hearing.state).toBe('on')
  await bench.hear(3)
  expect([...readingsOf(bench).keys()]).toEqual([1, 2, 3])
  bench.handlers().onLost()
  expect(bench.session.get().hearing).toMatchObject({ state: 'off', trouble: 'lost' })
  expect(readingsOf(bench).size).toBe(3)
  expect(bench.closed()).toBe(1)
})

test('a tap can be moved, dropped, and read as another of its tones; the next are read near that', async () => {
  const bench = await listening()
  await bench.hear(1)
  const [tap] = bench.session.get().bench.heard
  moveHeard(bench.session, tap.id, 4)
  expect([...readingsOf(bench).keys()]).toEqual([4])
  const other = tap.tap.modes.find((mode) => Math.abs(mode.hz / tap.tap.hz! - 1) > 0.15)!
  await chooseTone(bench.session, tap.id, other.hz)
  expect(readingsOf(bench).get(4).hz).toBeCloseTo(other.hz, 0)
  expect(bench.session.get().bench.stayNearHz).toBeCloseTo(other.hz, 0)
  stayNear(bench.session, null)
  dropHeard(bench.session, tap.id)
  expect(readingsOf(bench).size).toBe(0)
  expect(bench.session.get().bench.heard[0]).toMatchObject({ used: false, why: 'Dropped by hand.' })
  stopListening(bench.session)
})

test('a tap far from the other lugs is shown and not used', async () => {
  const bench = await listening()
  for (let lug = 1; lug <= 3; lug++) typeReading(bench.session, 400)
  await bench.hear(4)
  expect(readingsOf(bench).size).toBe(3)
  expect(bench.session.get().bench.lastTap).toMatchObject({
    used: false,
    other: true,
    why: expect.stringMatching(/Another drum/),
  })
  // Struck again and again at that pitch it is a lug far out: said so, and to be used in What was heard.
  await bench.hear(4)
  await bench.hear(4)
  expect(bench.session.get().bench.lastTap).toMatchObject({
    used: false,
    why: expect.stringMatching(/other lugs read near 400/),
  })
  stopListening(bench.session)
})

test('the sound of a reading is kept only when wanted, and a full disk never costs the reading', async () => {
  const bench = await listening()
  await bench.hear(1)
  expect(bench.disk.takes).toEqual([])
  bench.session.setSettings({ keepTakes: true })
  await bench.hear(2)
  expect(bench.disk.takes.length).toBe(1)
  bench.disk.full = true
  await bench.hear(3)
  expect(readingsOf(bench).size).toBe(3)
  expect(bench.session.get().notice?.text).toMatch(/could not be kept/)
  stopListening(bench.session)
})

test('two taps while lugs are read are one reading, and tick the open move off afterwards; one is a check', async () => {
  const bench = await listening()
  watchAdvice(bench.session)
  await bench.hear(1, 0.35)
  expect(readingsOf(bench).size).toBe(1)
  for (let lug = 2; lug <= 6; lug++) await bench.hear(lug)
  await new Promise((resolve) => setTimeout(resolve, 20))
  const before = currentView(bench.session)!
  expect(before.phase).toBe('turn')
  expect(before.steps.length).toBeGreaterThan(0)
  await bench.hear(2)
  expect(currentView(bench.session)!.movesMade).toBe(0)
  expect(bench.session.get().bench.lastTap).toMatchObject({ used: false })
  expect(readingsOf(bench).size).toBe(6)
  await bench.hear(2, 0.35)
  const after = currentView(bench.session)!
  expect(after.movesMade).toBe(1)
  expect(after.steps).toEqual(before.steps.slice(1))
})

test('through a run hands free: two taps on a head that is done ask for the next', async () => {
  const bench = await listening()
  const { session } = bench
  watchAdvice(session)
  // All of it by typed numbers, but for the two taps: the batter stands where its sheet wants it, the other does not.
  for (const [side, hz] of [
    ['resonant', 230],
    ['batter', 190],
  ] as const) {
    chooseHead(session, 'd', side)
    for (let lug = 0; lug < 6; lug++) typeReading(session, hz)
  }
  keepKit(session, 'Hall', '')
  chooseHead(session, 'd', 'resonant')
  turnedOtherwise(session, new Array<number>(6).fill(-0.2))
  bench.advanceMs(4 * 3600 * 1000)
  for (let lug = 0; lug < 6; lug++) typeReading(session, 210)
  startRun(session, session.kit()!.sheets[0], null)
  chooseHead(session, 'd', 'batter')
  for (let lug = 0; lug < 6; lug++) typeReading(session, 190)
  for (let i = 0; i < 20; i++) await Promise.resolve()
  expect(currentView(session)!.phase).toBe('done')
  await bench.hear(2)
  expect(currentView(session)!.side).toBe('batter')
  await bench.hear(3, 0.35)
  expect(currentView(session)!.side).toBe('resonant')
  stopListening(session)
})

test('what the hand felt and the gauge read goes into the request', async () => {
  const bench = await listening()
  await bench.hear(1)
  sayFeel(bench.session, ['loose', null, null, 'alike', null, null])
  sayFeel(bench.session, [null, 'tight', null, null, null, null])
  takeDial(bench.session, 61.5)
  const { request } = currentView(bench.session)!
  expect(request.rounds.at(-1)).toMatchObject({
    feel: ['loose', 'tight', null, 'alike', null, null],
    gauge: [null, 61.5, null, null, null, null],
  })
  expect(request.gaugeError).toBe(1)
  keepGaugeLaw(bench.session, { g0: 100, c: 62_000 })
  expect(currentView(bench.session)!.request.gaugeLaw).toEqual({ g0: 100, c: 62_000 })
})
