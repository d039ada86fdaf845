import { usualDrum } from '@/core/records/usualDrum'
import { writeBackup } from '@/core/records/backup'
import type { HumbraEvent } from '@/core/records/event'
import { readKitFile } from '@/core/records/kitFile'
import { sheetText } from '@/text/sheetText'
import { logCsv } from '@/text/csv'
import { readTable } from '@/text/table'
import { backupOf, bringBack } from './actions/backup'
import { leaveDemo, openDemo } from './actions/demo'
import { kitFileWithTakes, takeKitFile } from './actions/files'
import { makeOwnKit } from './actions/kits'
import { keepKit } from './actions/sheets'
import { typeRound } from './actions/said'
import { takeIn, takeTable } from './actions/incoming'
import { kitFromTable, sheetFromTable } from './actions/table'
import { currentView } from './currentView'
import { testSession, twoToms } from './testSession'
import { demoKit, ownKit } from './whichKit'

test('a kit of one’s own comes with its drums, its source and its first head, and goes with one Undo', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeOwnKit(session, [usualDrum('kick', 20, 'k'), usualDrum('snare', 14, 's')], 'typed')
  expect(session.kit()).toMatchObject({ name: 'My kit', simulated: false })
  expect(currentView(session)?.drum.name).toBe('Kick 20')
  expect(session.get().source).toBe('typed')
  makeOwnKit(session, [usualDrum('tom', 12, 't')], 'ear')
  expect(session.kit()?.name).toBe('My kit 2')
  session.undo()
  expect(session.kit()?.name).toBe('My kit')
})

test('several pitches at once fill lugs around the head from the one in focus, as one act', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  makeOwnKit(session, [usualDrum('tom', 12, 't')], 'typed')
  session.set({ bench: { ...session.get().bench, lug: 5 } })
  typeRound(session, [
    { hz: 150, text: '150' },
    { hz: 151, text: '151' },
    { hz: 152, text: '152' },
  ])
  const read = () =>
    [...(currentView(session)!.sitting?.passes.at(-1)?.readings ?? [])].map(([lug, { hz }]) => [lug, hz])
  expect(read()).toEqual([
    [5, 150],
    [6, 151],
    [1, 152],
  ])
  session.undo()
  expect(read()).toEqual([])
})

test('the demo is told from one’s own, leaves with one act, and comes back as it was left', async () => {
  const { session } = testSession()
  const { session: source } = await twoToms()
  const file = await kitFileWithTakes(source, source.kit()!.id)
  const asDemo = JSON.stringify({ ...file, kit: 'demo-lounge', events: file.events.map(demoEvent) })
  session.deps.loadDemo = () => Promise.resolve(asDemo)
  session.deps.beginsWithDemo = () => Promise.resolve(false)
  await session.start(() => Promise.reject(new Error('it does not begin with the demo')))
  expect(session.kit()).toBeNull()
  await openDemo(session)
  expect(demoKit(session.get())?.name).toBe('House')
  expect(ownKit(session.get())).toBeNull()
  leaveDemo(session)
  expect(session.kit()).toBeNull()
  session.undo()
  expect(session.kit()?.simulated).toBe(true)
  leaveDemo(session)
  await openDemo(session)
  expect(session.kit()?.drums.length).toBe(2)
})

const demoEvent = (event: HumbraEvent): HumbraEvent => {
  const moved = { ...event, id: `demo-${event.id}`, kit: 'demo-lounge' }
  return moved.kind === 'kitEdited' && moved.change.what === 'kitMade'
    ? { ...moved, change: { ...moved.change, simulated: true } }
    : moved
}

test('a backup brings everything to an empty device, nothing twice, and back what was put away', async () => {
  const { session: from, readAll } = await twoToms()
  readAll()
  from.setSettings({ a4Hz: 442, decimal: 'comma' })
  const raw = JSON.parse(writeBackup(await backupOf(from))) as object
  const { session: to, disk } = testSession()
  await to.start(() => Promise.resolve())
  await bringBack(to, raw)
  await to.saved()
  expect(to.kit()?.name).toBe('House')
  expect(to.get().settings).toMatchObject({ a4Hz: 442, decimal: 'comma' })
  const count = disk.events.length
  expect(count).toBe((await from.wholeLog(from.kit()!.id)).length)
  await bringBack(to, raw)
  await to.saved()
  expect(disk.events.length).toBe(count)
  expect(to.get().notice?.text).toMatch(/here already/)
  // Here the settings are one's own by now.
  to.setSettings({ a4Hz: 440 })
  to.append([{ kind: 'kitEdited', change: { what: 'kitRemoved' }, source: 'hand', algorithm: null }])
  expect(to.kit()).toBeNull()
  await bringBack(to, raw)
  expect(to.kit()?.name).toBe('House')
  await bringBack(to, { format: 'humbra-backup', schema: 99, madeAt: '', kits: [] })
  expect(to.get().notice?.text).toMatch(/newer Humbra/)
})

test('files of all kinds at once: each where it belongs, what is none by its name', async () => {
  const { session: from } = await twoToms()
  const kit = JSON.stringify(await kitFileWithTakes(from, from.kit()!.id))
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  const text = async (file: File) => Buffer.from(await file.arrayBuffer()).toString()
  const file = (name: string, content: string, type: string) => {
    const made = new File([content], name, { type })
    made.text = () => text(made)
    return made
  }
  const taken = takeIn(session, [
    file('taps.wav', 'RIFF', 'audio/wav'),
    file('a kit without an ending', kit, ''),
    file('picture.png', 'PNG', 'image/png'),
    file('list.csv', 'Tom 12;150;160', 'text/csv'),
  ])
  while (session.get().waitingTable === null) await new Promise((resolve) => setTimeout(resolve, 1))
  // The recording came before there was a kit; it is said, and the rest goes on.
  expect(session.kit()?.name).toBe('House')
  session.set({ waitingTable: null })
  expect(await taken).toEqual({ sounds: 0 })
  expect(session.get().notice?.text).toMatch(/^picture\.png: no kit/)
})

test('a table becomes a sheet of this kit, or a kit with a sheet; what is none is left', async () => {
  const { session } = await twoToms()
  expect(takeTable(session, 'nothing of the kind')).toBe(false)
  const text = 'Rack\t150\t160\nFloor\t98\t\n22 kick\t60\t70'
  expect(takeTable(session, text)).toBe(true)
  const { rows } = readTable(text, session.kit()!.drums, 440, 'sharps')!
  sheetFromTable(session, 'Old list', rows)
  expect(session.get().waitingTable).toBeNull()
  const sheet = session.kit()!.sheets.find(({ name }) => name === 'Old list')!
  const says = sheet.versions.at(-1)!.drums
  expect(says.get('rack')?.batter?.meanHz).toBe(150)
  expect(says.get('floor')).toMatchObject({ batter: { meanHz: 98 }, resonant: null })
  kitFromTable(session, 'Theirs', readTable('22x16 kick\t60\t70\nTom 12\tE3\t', [], 440, 'sharps')!.rows)
  expect(session.kit()).toMatchObject({ name: 'Theirs' })
  expect(
    session.kit()!.drums.map(({ diameterInches, depthInches }) => [diameterInches, depthInches]),
  ).toEqual([
    [22, 16],
    [12, 7],
  ])
  expect(session.kit()!.sheets[0].name).toBe('Theirs as written')
})

test('a sheet goes out as plain lines, and the log as a table that says every act', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  keepKit(session, 'Hall', 'dry')
  const kit = session.kit()!
  expect(sheetText(kit, kit.sheets[0], 440)).toMatch(
    /^Hall, House\. A4 440 Hz\.\nRack: batter 160\.0 Hz \(D♯3 \+49\), resonant 200\.0 Hz[\s\S]*\ndry$/,
  )
  const log = logCsv(kit, await session.wholeLog(kit.id)).split('\r\n')
  expect(log.length).toBe(1 + (await session.wholeLog(kit.id)).length)
  expect(log.find((row) => row.includes('readingTaken'))).toMatch(
    /Rack,resonant,the reading of lug 1 on Rack resonant/,
  )
})

test('a kit file of a drum’s own tolerance, badge and locks comes back with them', async () => {
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  const drum = {
    ...usualDrum('tom', 12, 't'),
    toleranceCents: 4,
    badgeAtLug: true as const,
    lockedRods: [1, 2],
  }
  const dotted = { ...drum, batter: { ...drum.batter, build: 'dot' as const } }
  makeOwnKit(session, [dotted], 'typed')
  expect(currentView(session)?.request.toleranceCents).toBe(4)
  const read = readKitFile(JSON.stringify(await kitFileWithTakes(session, session.kit()!.id)))
  if (!read.ok) throw new Error(read.why)
  const { session: other } = testSession()
  await other.start(() => Promise.resolve())
  await takeKitFile(other, read.file)
  expect(other.kit()?.drums[0]).toEqual(dotted)
})

test('what is changed while the log is still being read is newer than what was left behind', async () => {
  const { session: first, disk } = testSession()
  await first.start(() => Promise.resolve())
  makeOwnKit(first, [usualDrum('tom', 12, 't')], 'typed')
  await first.saved()
  // A page that went away too soon left a choice in the journal.
  const left = { ...first.get().settings, a4Hz: 441, keys: 1 as const }
  disk.journal.push({ name: '1', events: [], practice: [], settings: left })
  const { session } = testSession(disk)
  const { readAll } = session.deps.journal
  session.deps.journal.readAll = async () => {
    const read = await readAll()
    session.setSettings({ a4Hz: 442 })
    return read
  }
  await session.start(() => Promise.resolve())
  expect(session.get().settings.a4Hz).toBe(442)
  // Where nothing was changed meanwhile, what was left is taken up.
  disk.journal.push({ name: '2', events: [], practice: [], settings: left })
  const { session: third } = testSession(disk)
  await third.start(() => Promise.resolve())
  expect(third.get().settings).toMatchObject({ a4Hz: 441, keys: 1 })
})
