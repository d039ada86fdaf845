import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import type { HumbraEvent } from '@/core/records/event'
import { eventLog } from './eventLog'
import { openDB } from 'idb'
import { browserJournal } from './journal'
import { takeStore } from './takeStore'
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
  const log = eventLog(() => Promise.resolve(db))
  await log.append([event('a'), event('b')])
  const first = await log.readAfter(0)
  expect(first.entries.map(({ event }) => event.id)).toEqual(['a', 'b'])
  await log.append([event('b'), event('c')])
  expect((await log.readAfter(first.last)).entries.map(({ event }) => event.id)).toEqual(['c'])
  // An entry of a newer version is counted, left alone, and hides nothing else.
  await db.add('events', { id: 'x', event: { ...event('x'), schema: 99 } })
  const all = await log.readAfter(0)
  expect([all.entries.length, all.unreadable]).toEqual([3, 1])
  expect(await db.count('events')).toBe(4)
})

test('practice drum and settings', async () => {
  const db = await openHumbraDb()
  const state = { kit: 'k', drum: 'd', side: 'batter' as const, evenHz: 200, rods: [0, 0, 0], taps: 1 }
  await practiceStore(() => Promise.resolve(db)).write([state])
  expect(await practiceStore(() => Promise.resolve(db)).readAll()).toEqual([state])
  await settingsStore(() => Promise.resolve(db)).write({ keys: 2 })
  expect(await settingsStore(() => Promise.resolve(db)).read()).toEqual({ keys: 2 })
})

test('the journal keeps acts in order, and leaves alone what is not its own or not readable', () => {
  const kept = new Map<string, string>([
    ['another', '{}'],
    [
      'humbra-unsaved-3',
      JSON.stringify({ events: [{ ...event('n'), schema: 99 }], practice: [], settings: null }),
    ],
    ['humbra-unsaved-4', 'half'],
  ])
  const storage = {
    get length() {
      return kept.size
    },
    key: (i: number) => [...kept.keys()][i],
    getItem: (key: string) => kept.get(key) ?? null,
    removeItem: (key: string) => void kept.delete(key),
    setItem(key: string, text: string) {
      if (text.length > 2000) throw new DOMException('full', 'QuotaExceededError')
      kept.set(key, text)
    },
  } as Storage
  const journal = browserJournal(storage)
  const act = (name: string, ids: string[]) => ({
    name,
    events: ids.map(event),
    practice: [],
    settings: { keys: 2 },
  })
  journal.keep(act('2', ['b', 'c']))
  journal.keep(act('1', ['a']))
  journal.keep(
    act(
      '5',
      Array.from({ length: 50 }, (_, i) => `e${i}`),
    ),
  )
  expect(journal.readAll()).toEqual([act('1', ['a']), act('2', ['b', 'c'])])
  journal.drop(['1', '2'])
  expect([...kept.keys()]).toEqual(['another', 'humbra-unsaved-3', 'humbra-unsaved-4'])
  const none = browserJournal(null)
  none.keep(act('1', ['a']))
  expect(none.readAll()).toEqual([])
})

test('sounds of taps: by kit, counted, removed with it', async () => {
  const store = takeStore(() => openHumbraDb())
  const take = (reading: string, kit: string, bytes: number) => ({ reading, kit, wav: new Uint8Array(bytes) })
  await store.write([take('a', 'k', 10), take('b', 'k', 20), take('c', 'other', 5)])
  expect(await store.sizeOf('k')).toEqual({ takes: 2, bytes: 30 })
  expect((await store.get('c'))?.wav.length).toBe(5)
  await store.removeKit('k')
  expect(await store.ofKit('k')).toEqual([])
  expect((await store.ofKit('other')).length).toBe(1)
})

test('a database of the first form keeps everything and gains the sounds', async () => {
  globalThis.indexedDB = new IDBFactory()
  const old = await openDB('humbra', 1, {
    upgrade(db) {
      const events = db.createObjectStore('events', { keyPath: 'seq', autoIncrement: true })
      events.createIndex('id', 'id', { unique: true })
      db.createObjectStore('practice')
      db.createObjectStore('settings')
    },
  })
  await old.add('events', { id: 'a', event: event('a') })
  old.close()
  const db = await openHumbraDb()
  expect(
    (await eventLog(() => Promise.resolve(db)).readAfter(0)).entries.map(({ event }) => event.id),
  ).toEqual(['a'])
  await takeStore(() => Promise.resolve(db)).write([{ reading: 'a', kit: 'k', wav: new Uint8Array(3) }])
  expect((await takeStore(() => Promise.resolve(db)).sizeOf('k')).takes).toBe(1)
})
