import { makeNotATap } from '@ref/notTaps'
import { watchAdvice } from './adviceWatch'
import { currentView } from './currentView'
import { typeReading } from './actions/said'
import { notMissed, tapMissed } from './actions/missed'
import { listening, noise, otherDrum, RATE_HZ, readingsOf, twice } from './testListening'

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
