import { logOf } from './testSession'
import { makeNotATap } from '@ref/notTaps'
import { practiceHead } from '@/core/practice/drum'
import { playTap } from '@/core/practice/tap'
import { watchAdvice } from './adviceWatch'
import { moveOneOn, notMissed, slippedFrom, tapMissed } from './actions/missed'
import { answerTone } from './actions/headTone'
import { dropHeard, readAgain } from './actions/readings'
import { currentView } from './currentView'
import { headIsOn } from './actions/fitting'
import { typeReading } from './actions/said'
import { turned } from './actions/turning'
import { hearRecording, type HeardEvent } from './hearRecording'
import { listening, RATE_HZ, readingsOf } from './testListening'

/** A stroke of another drum, as loud. */
function otherDrum(lugHz: number, seed: number): Float32Array {
  const head = practiceHead(
    {
      ...{ seedText: 'other', diameterInches: 16, depthInches: 14, lugs: 8, hoop: 'triple-flanged' as const },
      ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
    },
    { evenHz: lugHz, rods: new Array<number>(8).fill(0) },
    { lugHz: 1.3 * lugHz, muted: true },
  )
  const how = { lug: 1, rateHz: RATE_HZ, seed, noiseDb: -55, finger: true, seconds: 2, leadSeconds: 0.3 }
  return playTap(head, how).samples
}
/** The same stroke once more while the first one rings. */
function twice(samples: Float32Array): Float32Array {
  const out = samples.slice()
  for (let i = out.length - 1; i >= 0.35 * RATE_HZ; i--) out[i] += out[i - Math.round(0.35 * RATE_HZ)]
  return out
}
const noise = (seconds: number, level: number) =>
  Float32Array.from({ length: seconds * RATE_HZ }, (_, i) => level * Math.sin(i * i * 0.7))

test('another drum between the taps is named, read by no lug, and spoils none', async () => {
  const bench = await listening()
  await bench.hear(1)
  await bench.hear(2)
  await bench.push(otherDrum(88, 3))
  await bench.hear(3)
  expect([...readingsOf(bench).keys()]).toEqual([1, 2, 3])
  const others = bench.session.get().bench.heard.filter(({ other }) => other)
  expect(others.map(({ used, why }) => [used, why])).toEqual([[false, expect.stringMatching(/Another drum/)]])
  expect(bench.session.get().bench.missed).toBeNull()
})

test('a head far from its target is no other drum for long: the second of two taps that agree is read', async () => {
  const taps = [190, 188, 192].map((hz, i) => otherDrum(hz, i + 1))
  const sound = new Float32Array(taps.flatMap((tap) => [...tap]))
  const events: HeardEvent[] = []
  const options = { diameterInches: 12, lugs: 6, side: 'batter', order: 'around', block: 2048 } as const
  await hearRecording(sound, RATE_HZ, { ...options, expectHz: 146.8 }, (event) => events.push(event))
  expect(events.map(({ event }) => event)).toEqual(['other-drum', 'reading', 'reading'])
  expect(events.map((event) => ('lug' in event ? event.lug : null))).toEqual([null, 1, 2])
})

test('a choked tap is heard about although a tick for the one before still sounds', async () => {
  const bench = await listening()
  const { session } = bench
  const deafened: boolean[] = []
  const { deafen } = session.deps.ear()
  const watched = (...told: Parameters<typeof deafen>) => {
    deafened.push(told[2] === true)
    return deafen(...told)
  }
  Object.assign(session.deps.ear(), { deafen: watched })
  await bench.hear(1)
  const choked = otherDrum(190, 4).map((x, i) => x * Math.exp(-Math.max(0, i / RATE_HZ - 0.3) / 0.018))
  // The tick is played as soon as the first was measured: this stroke falls into it.
  await bench.push(choked)
  expect(session.get().bench.lastTap).toMatchObject({ used: false, lug: 2, tap: { hz: null } })
  expect(deafened).toEqual([true, true])
})

test('a tap that was refused keeps the lug; one that may have been missed is tapped again, or was none', async () => {
  const bench = await listening()
  await bench.hear(1)
  await bench.hear(2)
  // As strong, and choked at once by a hand.
  const choked = otherDrum(190, 4).map((x, i) => 1.5 * x * Math.exp(-Math.max(0, i / RATE_HZ - 0.3) / 0.025))
  await bench.push(choked)
  expect(bench.session.get().bench.lastTap).toMatchObject({ used: false, lug: 3, tap: { hz: null } })
  expect(currentView(bench.session)!.lug).toBe(3)
  // Whoever heard the two low tones taps again: nothing is asked, but it is remembered where readings may have slipped.
  expect(bench.session.get().bench).toMatchObject({ missed: null, refusedAt: 3 })
  bench.session.set({ bench: { ...bench.session.get().bench, missed: 2 } })
  tapMissed(bench.session)
  expect(bench.session.get().bench).toMatchObject({ missed: null, lug: 2 })
  bench.session.set({ bench: { ...bench.session.get().bench, missed: 2 } })
  notMissed(bench.session)
  expect(bench.session.get().bench.missed).toBeNull()
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

test('talk, noise and another drum tick nothing off; two more taps at once take a tick back', async () => {
  const bench = await listening()
  const { session } = bench
  watchAdvice(session)
  for (const hz of [188, 190, 190, 188, 190, 190]) typeReading(session, hz)
  await new Promise((resolve) => setTimeout(resolve, 20))
  await bench.push(noise(0.2, 1e-4))
  expect(currentView(session)!.phase).toBe('turn')
  const speech = makeNotATap('speech', 3).samples
  await bench.push(speech)
  await bench.push(twice(otherDrum(88, 6)))
  expect(currentView(session)!.movesMade).toBe(0)
  await bench.hear(2, 0.35)
  expect(currentView(session)!.movesMade).toBe(1)
  await bench.hear(2, 0.35)
  expect(currentView(session)!.movesMade).toBe(0)
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

test('a device that is open and sends nothing is noticed within a second, and when it comes back', async () => {
  const bench = await listening()
  await bench.push(new Float32Array(0.8 * RATE_HZ))
  expect(bench.session.get().hearing.trouble).toBeNull()
  await bench.push(new Float32Array(0.2 * RATE_HZ))
  expect(bench.session.get().hearing).toMatchObject({ state: 'on', trouble: 'silent' })
  await bench.push(noise(0.1, 1e-4))
  expect(bench.session.get().hearing.trouble).toBeNull()
})

test('after the browser held the sound back the lug to tap is named', async () => {
  const bench = await listening()
  await bench.hear(1)
  bench.handlers().onPause(true)
  bench.handlers().onPause(false)
  await new Promise((resolve) => setTimeout(resolve, 0))
  expect(bench.session.get().notice?.text).toMatch(/tap lug 2\.$/)
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
