import { logOf } from './testSession'
import { makeNotATap } from '@ref/notTaps'
import { watchAdvice } from './adviceWatch'
import { currentView } from './currentView'
import { headIsOn } from './actions/fitting'
import { typeReading } from './actions/said'
import { turned } from './actions/turning'
import { answerTone } from './actions/headTone'
import { moveOneOn, slippedFrom } from './actions/missed'
import { dropHeard, readAgain } from './actions/readings'
import { hearRecording, type HeardEvent } from './hearRecording'
import { listening, noise, otherDrum, RATE_HZ, readingsOf, twice } from './testListening'

test('a head far from its target is no other drum for long: the second of two taps that agree is read', async () => {
  const taps = [190, 188, 192].map((hz, i) => otherDrum(hz, i + 1))
  const sound = new Float32Array(taps.flatMap((tap) => [...tap]))
  const events: HeardEvent[] = []
  const options = { diameterInches: 12, lugs: 6, side: 'batter', order: 'around', block: 2048 } as const
  await hearRecording(sound, RATE_HZ, { ...options, expectHz: 146.8 }, (event) => events.push(event))
  expect(events.map(({ event }) => event)).toEqual(['other-drum', 'reading', 'reading'])
  expect(events.map((event) => ('lug' in event ? event.lug : null))).toEqual([null, 1, 2])
})

test('readings behind a missed tap are moved one on in one act, and its lug is asked for', async () => {
  const bench = await listening()
  const { session } = bench
  // Lug 3 of an uneven head was missed: what was struck on 4, 5, 6 lies on 3, 4, 5.
  for (const lug of [1, 2, 4, 5, 6]) await bench.hear(lug)
  const lie = [...readingsOf(bench)].map(([lug, { hz }]) => [lug, hz])
  expect(slippedFrom(currentView(session)!, session.get().bench)).toBeNull()
  moveOneOn(session, 3)
  const now = readingsOf(bench)
  expect([...now.keys()].sort()).toEqual([1, 2, 4, 5, 6])
  expect([4, 5, 6].map((lug) => now.get(lug)!.hz)).toEqual(lie.slice(2).map(([, hz]) => hz))
  expect(currentView(session)!.lug).toBe(3)
})

test('rounds up from slack and the press behind them are ticked off by two taps of the head where it stands, by nothing else', async () => {
  const bench = await listening()
  const { session } = bench
  const view = () => currentView(session)!
  watchAdvice(session)
  headIsOn(session, { head: view().drum.batter, markTurns: 0.25, school: 'rattle' })
  const upTo = (phase: string, act: () => void) => {
    for (let i = 0; view().phase !== phase && i < 20; i++) act()
  }
  const check = () => typeReading(session, view().climb!.nowHz)
  turned(session)
  upTo('climb', check)
  const made = () => logOf(session).filter(({ kind }) => kind === 'rodsTurned').length
  const before = made()
  await bench.push(noise(1, 1e-4))
  await bench.push(twice(makeNotATap('speech', 3).samples))
  await bench.push(twice(otherDrum(view().climb!.nowHz * 2.2, 2)))
  expect(made()).toBe(before)
  await bench.push(twice(otherDrum(view().climb!.nowHz, 1)))
  expect(made()).toBe(before + 1)

  upTo('press', () => (view().phase === 'climb' ? turned(session) : check()))
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(view().phase).toBe('press')
  await bench.push(noise(1, 1e-4))
  await bench.push(twice(makeNotATap('music', 4).samples))
  expect(view().phase).toBe('press')
  await bench.push(twice(otherDrum(view().climb!.nowHz, 1)))
  expect(view()).toMatchObject({ phase: 'read', lugsWanted: 6 })
})

test('a first wrong tone does not lock the head: from the third lug on its taps choose together', async () => {
  const bench = await listening()
  const { session } = bench
  await bench.hear(1)
  const [first] = session.get().bench.heard
  const wrong = first.tap.modes.find(({ hz }) => hz > 1.25 * first.tap.hz!)!
  // As if the first had been taken for a higher tone, with nothing else known.
  await answerTone(session, wrong.hz)
  expect(readingsOf(bench).get(1)!.hz).toBeGreaterThan(1.25 * first.tap.hz!)
  session.set({ bench: { ...session.get().bench, stayNearHz: null } })
  await bench.hear(2)
  await bench.hear(3)
  const read = [...readingsOf(bench).values()].map(({ hz }) => hz)
  expect(Math.max(...read) / Math.min(...read)).toBeLessThan(1.1)
})

test('a tap that was dropped by hand is not taken up again by what the others say', async () => {
  const bench = await listening()
  const { session } = bench
  for (const lug of [1, 2, 3]) await bench.hear(lug)
  const third = session.get().bench.heard[2]
  dropHeard(session, third.id)
  readAgain(session, 4)
  await bench.hear(4)
  expect([...readingsOf(bench).keys()]).toEqual([1, 2, 4])
  expect(session.get().bench.heard.find(({ id }) => id === third.id)).toMatchObject({
    used: false,
    event: null,
  })
})
