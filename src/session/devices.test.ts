import { packed } from '@/core/log/summary'
import { writeKitFile } from '@/core/records/plain'
import { lugsThen } from '@/core/status/strokes'
import { backupOf, bringBack } from './actions/backup'
import { decideImport, importKit, kitFileWithTakes } from './actions/files'
import { fileKit, archiveKit, renameKit } from './actions/kits'
import { typeReading } from './actions/said'
import { writeBackup } from '@/core/records/backup'
import { atRest, failedAtStart, opens, tryAgain } from './failures'
import { kitsListed } from './kitsListed'
import type { Session } from './session'
import { logOf, testSession, twoToms, type TestBench } from './testSession'

const DAY_MS = 86_400_000

const fileOf = async (session: Session) =>
  new File([writeKitFile(await kitFileWithTakes(session, session.kit()!.id))], 'kit.json')
const seen = (session: Session) => packed(session.kit()!, lugsThen)

/** Another device that took the kit, some days later by its clock. */
async function secondDevice(first: Session, days: number): Promise<TestBench> {
  const bench = testSession()
  bench.advanceMs(days * DAY_MS)
  let ids = 0
  bench.session.deps.newId = () => `other-${++ids}`
  await bench.session.start(() => Promise.resolve())
  await importKit(bench.session, await fileOf(first))
  bench.session.setSettings({ source: 'typed', drum: 'rack', side: 'batter' })
  return bench
}

test('two devices merge by file and by backup to one state, what was taken back on either included', async () => {
  const { session: one, advanceMs } = await twoToms()
  one.setSettings({ drum: 'rack', side: 'batter' })
  const { session: two } = await secondDevice(one, 2)
  advanceMs(6 * DAY_MS)
  typeReading(one, 170.5)
  typeReading(two, 150.5)
  renameKit(two, 'Wrong')
  two.undo()
  const [ofOne, ofTwo] = [await fileOf(one), await fileOf(two)]
  for (const [session, file] of [
    [one, ofTwo],
    [two, ofOne],
  ] as const) {
    await importKit(session, file)
    await decideImport(session, 'merge')
  }
  expect(seen(one)).toEqual(seen(two))
  const last = one.kit()!.heads.get('rack/batter')!.real.sittings.at(-1)!.sitting(6)
  expect(last.passes.at(-1)!.readings.get(1)!.hz).toBeCloseTo(170.5, 9)
  expect(one.kit()!.name).toBe('House')
  // A third one by backups, in the other order.
  const three = testSession().session
  await three.start(() => Promise.resolve())
  for (const session of [two, one]) await bringBack(three, JSON.parse(writeBackup(await backupOf(session))))
  expect(seen(three)).toEqual(seen(one))
})

test('a clock that stands behind is said once, and what is done then is the newest', async () => {
  const { session: one } = await twoToms()
  one.setSettings({ drum: 'rack', side: 'batter' })
  const { session: two } = await secondDevice(one, 400)
  typeReading(two, 150.5)
  await importKit(one, await fileOf(two))
  await decideImport(one, 'merge')
  await import('@/text/clock')
  await Promise.resolve()
  expect(one.get().notice?.text).toMatch(/clock stands .* behind the newest entry of House/)
  one.set({ notice: null })
  typeReading(one, 160.5)
  expect(one.get().notice?.text ?? '').not.toMatch(/clock/)
  expect(logOf(one).at(-1)).toMatchObject({ kind: 'readingTaken', hz: 160.5 })
})

test('entries say on which device they were done, and who it was where a name is set', async () => {
  const { session: one } = await twoToms()
  one.setSettings({ drum: 'rack', side: 'batter' })
  typeReading(one, 150)
  one.setSettings({ person: 'Ana' })
  typeReading(one, 151)
  const { session: two } = await secondDevice(one, 1)
  typeReading(two, 152)
  const said = logOf(two)
    .filter(({ kind }) => kind === 'readingTaken')
    .map(({ by, device }) => [by, device === one.get().settings.device])
  expect(said).toEqual([
    [undefined, true],
    ['Ana', true],
    [undefined, false],
  ])
  // A backup brings the name along, not the device.
  const three = testSession().session
  three.deps.newId = () => 'third'
  await three.start(() => Promise.resolve())
  const own = three.get().settings.device
  await bringBack(three, JSON.parse(writeBackup(await backupOf(one))))
  expect(three.get().settings).toMatchObject({ person: 'Ana', device: own })
})

test('ids that another kit has: a file comes in under numbers of its own, a merge and a backup are refused as a whole', async () => {
  const { session } = await twoToms()
  const file = await kitFileWithTakes(session, session.kit()!.id)
  const strange = {
    ...file,
    kit: 'strange',
    events: file.events.map((event) => ({ ...event, kit: 'strange' })),
  }
  const before = logOf(session).length
  const backup = { ...(await backupOf(session)), kits: [strange] }
  await bringBack(session, JSON.parse(writeBackup(backup)))
  expect(session.get().notice?.text).toMatch(/numbers that another kit has\. Nothing was changed/)
  expect(logOf(session).length).toBe(before)
  const twice = {
    ...backup,
    kits: [
      strange,
      { ...strange, kit: 'again', events: [...strange.events].map((event) => ({ ...event, kit: 'again' })) },
    ],
  }
  const empty = testSession().session
  await empty.start(() => Promise.resolve())
  await bringBack(empty, JSON.parse(writeBackup(twice)))
  expect(empty.get().kits).toEqual([])
  await importKit(session, new File([writeKitFile(strange)], 'kit.json'))
  expect(session.get().notice?.text).toMatch(/under numbers of its own/)
  expect(session.get().kits.length).toBe(2)
  const mixed = { ...file, events: [...file.events, { ...file.events[0], id: logOf(session).at(-1)!.id }] }
  await importKit(session, new File([writeKitFile(mixed)], 'kit.json'))
  await decideImport(session, 'merge')
  expect(session.get().notice?.text).toMatch(/cannot be merged/)
  expect(session.get().aside).toEqual([])
})

test('kits by owner and job, the one touched last first; what is put away gives way to another', async () => {
  const { session, advanceMs } = await twoToms()
  const first = session.kit()!.id
  fileKit(session, { name: 'House', owner: 'School', job: 'Room 2' })
  advanceMs(1000)
  const { session: other } = await secondDevice(session, 0)
  expect(other.kit()).toMatchObject({ owner: 'School', job: 'Room 2' })
  await importKit(session, await fileOf(other))
  await decideImport(session, 'both')
  const [newest] = kitsListed(session.get().logs)
  expect(newest.words).toMatch(/school room 2/)
  session.setSettings({ kit: first })
  archiveKit(session, first, true)
  expect(session.kit()!.id).not.toBe(first)
  session.undo()
  expect(session.kit()!.id).toBe(first)
  fileKit(session, { name: 'Hall', owner: '', job: '' })
  expect(session.undo()?.what).toBe('the name of Hall')
  expect(session.kit()).toMatchObject({ name: 'House', owner: 'School' })
})

test('a kit that cannot be folded is left out by itself, said, and exported; the others open', async () => {
  const bench = await twoToms()
  await bench.session.saved()
  const good = bench.session.kit()!.id
  // What no file could bring in: a log that the fold itself trips over.
  const broken = bench.disk.events.map((event) => ({ ...event, id: `b-${event.id}`, kit: 'broken' }))
  Object.assign(
    broken.find(
      ({ kind, ...event }) =>
        kind === 'kitEdited' && (event as never as { change: { what: string } }).change.what === 'drumAdded',
    )!,
    {
      change: { what: 'drumAdded', after: 'x' },
    },
  )
  bench.disk.events.push(...broken)
  const again = testSession(bench.disk)
  await again.session.start(() => Promise.resolve())
  expect(again.session.get().kits.map(({ id }) => id)).toEqual([good])
  expect(again.session.get().failed).toMatchObject([{ kit: 'broken', name: 'House' }])
  expect((await kitFileWithTakes(again.session, 'broken')).events.length).toBe(broken.length)
})

test('a kit counts as failed when the page did not come to rest with it twice, and only then', () => {
  const { failures: store } = testSession().session.deps
  const kit = { id: 'k', name: 'Kit' }
  const failed = () => failedAtStart(store).map((each) => each.kit)
  opens(store, kit)
  expect(failed()).toEqual([])
  opens(store, { id: 'other', name: 'Other' })
  opens(store, kit)
  expect(failed()).toEqual([])
  atRest(store)
  opens(store, kit)
  expect(failed()).toEqual([])
  opens(store, kit)
  expect([failed(), store.read().opening]).toEqual([['k'], null])
  opens(store, kit)
  tryAgain(store, 'k')
  expect(store.read()).toEqual({ failed: [], opening: null })
})
