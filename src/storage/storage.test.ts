import 'fake-indexeddb/auto'
import type { HumbraEvent } from '@/core/records/event'
import { eventLog } from './eventLog'
import { practiceStore } from './practiceStore'
import { openHumbraDb } from './schema'
import { settingsStore } from './settingsStore'

const event = (id: string): HumbraEvent => ({
  ...{
    kind: 'kitEdited',
    id,
    at: '2026-01-05T12:00:00.000Z',
    kit: 'k',
    schema: 1,
    source: 'hand',
    algorithm: null,
  },
  change: { what: 'kitRenamed', name: id },
})

test('the log appends, follows on, and takes an event once', async () => {
  const db = await openHumbraDb()
  const log = eventLog(db)
  await log.append([event('a'), event('b')])
  const first = await log.readAfter(0)
  expect(first.events.map(({ id }) => id)).toEqual(['a', 'b'])
  await log.append([event('b'), event('c')])
  expect((await log.readAfter(first.last)).events.map(({ id }) => id)).toEqual(['c'])
  // An entry of a newer version is counted, left alone, and hides nothing else.
  await db.add('events', { id: 'x', event: { ...event('x'), schema: 99 } })
  const all = await log.readAfter(0)
  expect([all.events.length, all.unreadable]).toEqual([3, 1])
  expect(await db.count('events')).toBe(4)
})

test('practice drum and settings', async () => {
  const db = await openHumbraDb()
  const state = { kit: 'k', drum: 'd', side: 'batter' as const, evenHz: 200, rods: [0, 0, 0], taps: 1 }
  await practiceStore(db).write([state])
  expect(await practiceStore(db).readAll()).toEqual([state])
  await settingsStore(db).write({ keys: 2 })
  expect(await settingsStore(db).read()).toEqual({ keys: 2 })
})
