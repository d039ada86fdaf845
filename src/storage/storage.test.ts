import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import type { HumbraEvent } from '@/core/records/event'
import { DEFAULT_SETTINGS, SCHEMA_VERSION } from '@/core/records/plain'
import { drillStore } from './drillStore'
import { besideKeys, eventLog } from './eventLog'
import { ownGuard } from './guard'
import { openDB } from 'idb'
import { browserJournal } from './journal'
import { takeStore } from './takeStore'
import { practiceStore } from './practiceStore'
import { doneKey, openHumbraDb, UPGRADES } from './schema'
import { summaryStore } from './summaryStore'
import { settingsStore } from './settingsStore'

const ONE_KEY = { ...DEFAULT_SETTINGS, keys: 1 as const }

const event = (id: string): HumbraEvent => ({
  ...{
    kind: 'kitEdited',
    id,
    at: '2026-01-05T12:00:00.000Z',
    kit: 'k',
    schema: SCHEMA_VERSION,
    source: 'hand',
    algorithm: null,
  },
  change: { what: 'kitRenamed', name: id },
})

test('the log appends, follows on, and takes an event once', async () => {
  const db = await openHumbraDb()
  const log = eventLog(() => Promise.resolve(db), ownGuard)
  await log.append([event('a'), event('b')])
  const first = await log.readAfter(0)
  expect(first.events.map(({ id }) => id)).toEqual(['a', 'b'])
  await log.append([event('b'), event('c')])
  expect((await log.readAfter(first.last)).events.map(({ id }) => id)).toEqual(['c'])
  // An entry of a newer version is counted, left alone, and hides nothing else.
  await db.add('events', { id: 'x', event: { ...event('x'), schema: 99 }, done: doneKey(event('x')) })
  const all = await log.readAfter(0)
  expect([all.events.length, all.unreadable]).toEqual([3, 1])
  expect(await db.count('events')).toBe(4)
})

test('many events at once keep their order, those that are there their place', async () => {
  const db = await openHumbraDb()
  const log = eventLog(() => Promise.resolve(db), ownGuard)
  const many = Array.from({ length: 170 }, (_, i) => event(`many-${i}`))
  const early = await log.append(many.slice(20, 120))
  const places = await log.append(many)
  expect(places.slice(20, 120)).toEqual(early)
  const fresh = [...places.slice(0, 20), ...places.slice(120)]
  expect(fresh).toEqual([...fresh].sort((a, b) => a - b))
  expect(new Set(places).size).toBe(170)
  expect((await log.readAfter(early.at(-1)!)).events.length).toBe(fresh.length)
  expect(await log.lastPlace()).toBe(places.at(-1))
})

test('practice drum and settings are written with their act, and a later act is told from an earlier one', async () => {
  globalThis.indexedDB = new IDBFactory()
  const db = await openHumbraDb()
  const open = () => Promise.resolve(db)
  const log = eventLog(open, ownGuard)
  const state = { kit: 'k', drum: 'd', side: 'batter' as const, evenHz: 200, rods: [0, 0, 0], taps: 1 }
  await log.append([event('a')], { act: '2-b', practice: [state], settings: ONE_KEY })
  expect(await practiceStore(open, ownGuard).readAll()).toEqual([state])
  expect(await settingsStore(open, ownGuard).read()).toEqual(ONE_KEY)
  const keys = besideKeys({ practice: [state], settings: ONE_KEY })
  expect(await log.newerThan('1-a', keys)).toEqual(new Set(['k/d/batter', 'settings']))
  expect(await log.newerThan('2-b', keys)).toEqual(new Set())
  // All or none: what is refused moves no rod.
  const other = { ...event('a'), at: '2026-02-05T12:00:00.000Z' }
  const moved = { ...state, rods: [1, 0, 0] }
  await expect(log.append([other], { act: '3', practice: [moved], settings: null })).rejects.toThrow()
  expect(await practiceStore(open, ownGuard).readAll()).toEqual([state])
})

test('the journal keeps acts in order, and leaves alone what is not its own or not readable', async () => {
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
  const journal = browserJournal(storage, ownGuard)
  const act = (name: string, ids: string[]) => ({
    name,
    events: ids.map(event),
    practice: [],
    settings: ONE_KEY,
  })
  expect(journal.keep(act('2', ['b', 'c']))).toBe(true)
  expect(journal.keep(act('1', ['a']))).toBe(true)
  const large = Array.from({ length: 50 }, (_, i) => `e${i}`)
  expect(journal.keep(act('5', large))).toBe(false)
  expect(await journal.readAll()).toEqual({
    acts: [act('1', ['a']), act('2', ['b', 'c'])],
    damaged: ['3', '4'],
  })
  expect(journal.text('4')).toBe('half')
  journal.drop(['1', '2'])
  expect([...kept.keys()]).toEqual(['another', 'humbra-unsaved-3', 'humbra-unsaved-4'])
  const none = browserJournal(null, ownGuard)
  none.keep(act('1', ['a']))
  expect(await none.readAll()).toEqual({ acts: [], damaged: [] })
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

/** A database of an old form, as the code of its time left it: the first so many steps, and one event in it. */
async function oldDatabase(steps: number): Promise<void> {
  globalThis.indexedDB = new IDBFactory()
  const old = await openDB('humbra', steps, {
    upgrade: (db, _old, _new, tx) =>
      UPGRADES.slice(0, steps).forEach((step) => step(db as never, tx as never)),
  })
  for (const id of ['a', 'b']) {
    const done = steps === UPGRADES.length && { done: doneKey({ ...event(id), nth: id === 'b' ? 1 : 0 }) }
    const nth = done && id === 'b' ? { nth: 1 } : {}
    await old.add('events', { id, event: { ...event(id), schema: 11, ...nth }, ...done })
  }
  old.close()
}

test.each(UPGRADES.map((_, i) => i + 1))(
  'a database of form %i keeps everything and gains the rest',
  async (form) => {
    await oldDatabase(form)
    const made = jest.fn()
    const db = await openHumbraDb({ onMade: made })
    expect(made).not.toHaveBeenCalled()
    const open = () => Promise.resolve(db)
    const log = eventLog(open, ownGuard)
    expect((await log.readAfter(0)).events.map(({ id }) => id)).toEqual(['a', 'b'])
    // By kit, by head, with sounds and summaries: each step has given something.
    expect(await log.kits()).toEqual(['k'])
    expect((await log.readKit('k', null)).events.map(({ id, nth }) => [id, nth])).toEqual([
      ['a', undefined],
      ['b', 1],
    ])
    expect([...db.transaction('events').store.indexNames].sort()).toEqual(['done', 'id', 'kit'])
    await takeStore(open).write([{ reading: 'a', kit: 'k', wav: new Uint8Array(3) }])
    expect((await takeStore(open).sizeOf('k')).takes).toBe(1)
    await log.append([], { act: '1', practice: [], settings: ONE_KEY })
    expect(await settingsStore(open, ownGuard).read()).toEqual(ONE_KEY)
    const end = { at: event('a').at, id: 'a' }
    const summary = { kit: 'k', version: 1, end, count: 1, place: 5, settled: [], state: null }
    await summaryStore(open).write(summary, false)
    await summaryStore(open).write({ ...summary, place: 3 }, false)
    expect((await summaryStore(open).read('k'))?.place).toBe(5)
    await summaryStore(open).write({ ...summary, place: 3 }, true)
    expect((await summaryStore(open).read('k'))?.place).toBe(3)
    db.close()
  },
)

test('kits come in the order of their making, a kit by itself in pieces, its withdrawals alone', async () => {
  globalThis.indexedDB = new IDBFactory()
  const log = eventLog(() => openHumbraDb(), ownGuard)
  const of = (kit: string, id: string): HumbraEvent => ({ ...event(id), kit })
  const undo = { ...event('u'), kit: 'b', kind: 'withdrawn', event: 'b1' } as HumbraEvent
  const early = { ...of('z', 'z0'), at: '2026-01-04T12:00:00.000Z' }
  await log.append([of('z', 'z1'), of('b', 'b1'), { ...of('z', 'z2'), nth: 1 }, undo, early])
  expect(await log.kits()).toEqual(['z', 'b'])
  const first = await log.readKit('z', null, 1)
  expect(first.events.map(({ id }) => id)).toEqual(['z0'])
  expect((await log.readKit('z', first.end, 5)).events.map(({ id }) => id)).toEqual(['z1', 'z2'])
  expect((await log.withdrawals('b')).map(({ id, event }) => [id, event])).toEqual([['u', 'b1']])
  expect([...(await log.placesOf(['b1', 'none']))]).toEqual([['b1', 2]])
  // What came after a place and was done before a moment.
  const came = (after: number, id: string) => log.cameLate('z', after, of('z', id))
  expect([await came(3, 'z1'), await came(5, 'z1'), await came(3, 'a')]).toEqual([true, false, true])
  expect(await log.cameLate('b', 2, of('b', 'b0'))).toBe(false)
})

test('an id that is taken by another event is refused by name, and nothing of its act is written', async () => {
  globalThis.indexedDB = new IDBFactory()
  const log = eventLog(() => openHumbraDb(), ownGuard)
  expect(await log.append([event('a')])).toEqual([1])
  expect(await log.append([event('a'), event('b')])).toEqual([1, 2])
  // The same act in another order of its fields, of an older form, and with its order within the moment, is the same.
  const { id, ...rest } = event('a')
  expect(await log.append([{ ...rest, nth: 3, schema: 11, id } as HumbraEvent])).toEqual([1])
  const other = { ...event('a'), at: '2026-02-05T12:00:00.000Z' }
  await expect(log.append([event('c'), other])).rejects.toMatchObject({ name: 'RepeatedId' })
  expect((await log.readAfter(0)).events.map(({ id }) => id)).toEqual(['a', 'b'])
})

test('what was practised is written in place, oldest first, and what cannot be read is left alone', async () => {
  const db = await openHumbraDb()
  const store = drillStore(() => Promise.resolve(db), ownGuard)
  const lesson = (id: string, at: string) => ({
    ...{ what: 'lesson' as const, id, at, lesson: 'raise' as const, met: true, said: 'Spread 9 c.' },
  })
  await store.write([lesson('b', '2026-11-02T10:00:00.000Z'), lesson('a', '2026-11-01T10:00:00.000Z')])
  await store.write([{ ...lesson('b', '2026-11-02T10:00:00.000Z'), met: false }])
  await db.put('drills', { what: 'of a newer form', id: 'x', at: '2026-11-03T10:00:00.000Z' } as never)
  expect((await store.readAll()).map((each) => [each.id, each.what === 'lesson' && each.met])).toEqual([
    ['a', true],
    ['b', false],
  ])
  expect(await db.count('drills')).toBe(3)
})
