import { addDrum, makeKit, renameKit } from './actions/kits'
import { decideImport, importKit, kitFileWithTakes } from './actions/files'
import { currentView } from './currentView'
import { leaveHead, startRun } from './actions/run'
import { typeReading } from './actions/said'
import { keepKit } from './actions/sheets'
import { pin } from './actions/spacing'
import { logOf, testSession, twoToms } from './testSession'
import { turnedOtherwise } from './actions/turning'
import { usualDrum } from '@/core/records/usualDrum'
import { writeKitFile } from '@/core/records/plain'

const refusal = (name: string, message = 'no') => Object.assign(new Error(message), { name })

/** A session whose database treats acts as it is told, by what they say. */
async function withDatabase(answer: (text: string) => Error | null) {
  const bench = testSession()
  const { openStorage } = bench.session.deps
  bench.session.deps.openStorage = async () => {
    const stores = (await openStorage())!
    const { append } = stores.log
    stores.log.append = (events) => {
      const error = answer(JSON.stringify(events))
      return error ? Promise.reject(error) : append(events)
    }
    return stores
  }
  const { session } = bench
  await session.start(() => Promise.resolve())
  makeKit(session, 'House')
  addDrum(session, usualDrum('tom', 12, 'rack'))
  session.setSettings({ source: 'typed' })
  await session.saved()
  return bench
}

test('one act that is refused is set aside by name, and stops no other', async () => {
  const { session, disk } = await withDatabase((text) =>
    text.includes('"hz":151') ? refusal('RepeatedId', 'the id is taken') : null,
  )
  for (const hz of [150, 151, 152]) typeReading(session, hz)
  await session.saved()
  const { aside, trouble, unsaved } = session.get()
  expect([trouble, unsaved, aside.length]).toEqual([null, 0, 1])
  expect(aside[0]).toMatchObject({ why: 'the id is taken', events: [{ kind: 'readingTaken', hz: 151 }] })
  const kept = disk.events.flatMap((event) => (event.kind === 'readingTaken' ? [event.hz] : []))
  expect(kept).toEqual([150, 152])
  // It stays in the journal until it is let go.
  expect(disk.journal.length).toBe(1)
  session.letGo(aside[0].name)
  expect([disk.journal.length, session.get().aside.length]).toEqual([0, 0])
})

test('a full disk holds back one kit in its order, and another kit goes on', async () => {
  let full = true
  const { session, disk } = await withDatabase((text) =>
    full && text.includes('too large') ? refusal('QuotaExceededError') : null,
  )
  const first = session.kit()!.id
  renameKit(session, 'too large')
  renameKit(session, 'after it')
  makeKit(session, 'Other')
  await session.saved()
  expect(session.get()).toMatchObject({ trouble: 'full', unsaved: 2 })
  expect(session.get().kits.map(({ name }) => name)).toEqual(['after it', 'Other'])
  const names = () =>
    disk.events.flatMap(({ kit, ...event }) =>
      'change' in event && 'name' in event.change && kit === first ? [event.change.name] : [],
    )
  expect(names()).toEqual(['House'])
  expect(disk.events.some(({ kit }) => kit !== first)).toBe(true)
  full = false
  await session.retrySave()
  expect(session.get()).toMatchObject({ trouble: null, unsaved: 0 })
  expect(names()).toEqual(['House', 'too large', 'after it'])
})

test('an import too large for the journal is said when the database has it; until then leaving would lose it', async () => {
  let full = true
  const { session } = await withDatabase((text) =>
    full && text.includes('House (file)') ? refusal('QuotaExceededError') : null,
  )
  const file = writeKitFile(await kitFileWithTakes(session, session.kit()!.id))
  session.deps.journal.keep = () => false
  const both = async () => {
    await importKit(session, new File([file], 'kit.json'))
    await decideImport(session, 'both')
  }
  await both()
  expect(session.kit()?.name).toBe('House (file)')
  expect(session.atRisk).toBe(true)
  expect(session.get()).toMatchObject({ trouble: 'full', notice: null })
  full = false
  await session.retrySave()
  expect(session.atRisk).toBe(false)
  await both()
  expect(session.get().notice?.text).toBe('Imported House (file).')
  expect(session.get().unsaved).toBe(0)
})

test('a connection that is lost is tried once more, and then said as what it is', async () => {
  let failures = 1
  const { session, disk } = await withDatabase((text) =>
    text.includes('Later') && failures-- > 0 ? refusal('InvalidStateError') : null,
  )
  renameKit(session, 'Later')
  await session.saved()
  expect(session.get().trouble).toBeNull()
  failures = 2
  renameKit(session, 'Later again')
  await session.saved()
  expect(session.get()).toMatchObject({ trouble: 'closed', unsaved: 1 })
  await session.retrySave()
  expect(session.get().trouble).toBeNull()
  expect(disk.events.at(-1)).toMatchObject({ change: { name: 'Later again' } })
})

test('Undo takes back whatever a person did, whole, and says what', async () => {
  const { session, readAll, advanceMs } = await twoToms()
  readAll()
  const undone = () => session.undo()?.what
  pin(session, 'rack', 155)
  expect(undone()).toBe('the choice in Spacing')
  expect(session.get().settings.spacing.pinned).toEqual({})
  session.redo()
  expect(session.get().settings.spacing.pinned).toEqual({ rack: 155 })
  session.setSettings({ keys: 1 })
  expect(undone()).toBe('the number of keys')
  expect(session.get().settings.keys).toBe(2)
  // A place is no act.
  session.setSettings({ drum: 'floor' })
  expect(undone()).toBe('the choice in Spacing')
  const before = logOf(session).length
  keepKit(session, 'Hall', '')
  expect(undone()).toBe('the sheet Hall')
  expect([session.kit()!.sheets.length, session.kit()!.sheet, session.kit()!.aims.size]).toEqual([0, null, 0])
  expect(logOf(session).length).toBeGreaterThan(before)
  session.redo()
  startRun(session, session.kit()!.sheets[0], null)
  leaveHead(session, 'rack', 'batter', 'cannot')
  expect(session.kit()!.runs[0].left.size).toBe(1)
  expect(undone()).toBe('leaving the batter head of Rack')
  expect(session.kit()!.runs[0].left.size).toBe(0)
  // Three hours later it is another sitting.
  advanceMs(3 * 3600 * 1000 + 1)
  expect(session.undo()).toBeNull()
})

test('an import goes as a whole, of whatever kind it was', async () => {
  const { session } = await twoToms()
  const kit = session.kit()!.id
  typeReading(session, 150)
  const file = writeKitFile(await kitFileWithTakes(session, session.kit()!.id))
  const chosen = () => new File([file], 'kit.json')
  const other = testSession().session
  await other.start(() => Promise.resolve())
  await importKit(other, chosen())
  expect(other.get().kits.length).toBe(1)
  expect(other.undo()?.what).toBe('the import of House')
  expect(other.get().kits).toEqual([])
  other.redo()
  expect(other.get().kits.length).toBe(1)
  for (const how of ['both', 'replace', 'merge'] as const) {
    const seen = () => session.get().kits.map(({ id, name }) => [id, name])
    const was = seen()
    await importKit(session, chosen())
    await decideImport(session, how)
    if (how === 'merge') expect(seen()).toEqual(was)
    else {
      expect(seen()).not.toEqual(was)
      expect(session.undo()?.what).toMatch(/^the import of House/)
      expect(seen()).toEqual(was)
      session.redo()
      expect(seen()).not.toEqual(was)
      session.undo()
      expect(seen()).toEqual(was)
    }
    session.setSettings({ kit })
  }
  expect(currentView(session)!.sitting!.passes[0].readings.size).toBe(1)
})

test('a fresh start takes back nothing of yesterday', async () => {
  const bench = await twoToms()
  typeReading(bench.session, 150)
  await bench.session.saved()
  const again = testSession(bench.disk)
  await again.session.start(() => Promise.resolve())
  expect(again.session.undo()).toBeNull()
  expect(currentView(again.session)!.sitting!.passes[0].readings.size).toBe(1)
})

test('what one act changes is one transaction: a turn and where the practice drum’s rods then stand', async () => {
  const bench = testSession()
  const { openStorage } = bench.session.deps
  const written: Array<[events: number, practice: number, settings: boolean]> = []
  bench.session.deps.openStorage = async () => {
    const stores = (await openStorage())!
    const { append } = stores.log
    stores.log.append = (events, beside) => {
      written.push([events.length, beside?.practice.length ?? 0, beside?.settings !== null])
      return append(events, beside)
    }
    return stores
  }
  const { session } = bench
  await session.start(() => Promise.resolve())
  makeKit(session, 'House')
  addDrum(session, usualDrum('tom', 12, 'rack'))
  session.set({ practiceKit: session.kit()!.id })
  session.setSettings({ source: 'practice' })
  await session.saved()
  written.length = 0
  turnedOtherwise(session, [0.125, 0, 0, 0, 0, 0])
  await session.saved()
  expect(written).toEqual([[1, 1, false]])
})
