import { nameIn } from '@/core/log/order'
import { writeBackup } from '@/core/records/backup'
import type { HumbraEvent } from '@/core/records/event'
import { usualDrum } from '@/core/records/usualDrum'
import {
  addDrum,
  changeDrum,
  chooseHead,
  duplicateDrum,
  makeKit,
  moveDrum,
  removeDrum,
  removeKit,
  restoreKit,
} from './actions/kits'
import { backupOf, bringBack } from './actions/backup'
import { decideImport, importKit, kitFileWithTakes } from './actions/files'
import { clearFinding, noteFinding } from './actions/findings'
import { readAgain, withdrawTap } from './actions/readings'
import { currentView } from './currentView'
import { chooseSource, typeReading } from './actions/said'
import { keepDrum } from './actions/sheets'
import {
  moveOn,
  pressed,
  toAim,
  turned,
  turnedAll,
  turnedBack,
  turnedOtherwise,
  turnNotMade,
} from './actions/turning'
import { watchAdvice } from './adviceWatch'
import type { Notice } from './state'
import { kitStatus } from '@/core/status/kit'
import { hereOf } from './here'
import { testSession, type TestBench, logOf } from './testSession'

const READ = [228.1, 230, 231, 229, 228, 230.2, 231.1, 229.1]
const settle = async () => {
  for (let i = 0; i < 12; i++) await Promise.resolve()
}

async function withSnare(bench = testSession()): Promise<TestBench> {
  const { session } = bench
  await session.start(() => Promise.resolve())
  watchAdvice(session)
  makeKit(session, 'Test kit')
  addDrum(session, { ...usualDrum('snare', 14, 'snare'), lugs: 8 })
  session.setSettings({ source: 'typed', keys: 2 })
  chooseHead(session, 'snare', 'batter')
  return bench
}

async function readAll(session: TestBench['session'], hz: readonly number[] = READ): Promise<void> {
  hz.forEach((each) => typeReading(session, each))
  await settle()
}

test('readings lead to a move, moves to a press, the press to reading again', async () => {
  const { session } = await withSnare()
  expect(currentView(session)).toMatchObject({ phase: 'read', lug: 1 })
  await readAll(session)
  const view = currentView(session)!
  expect(view.phase).toBe('turn')
  expect(view.steps.length).toBeGreaterThan(0)
  turned(session)
  expect(currentView(session)).toMatchObject({ movesMade: 1 })
  expect(currentView(session)!.steps).toEqual(view.steps.slice(1))
  turnedAll(session)
  expect(currentView(session)!.phase).toBe('press')
  pressed(session)
  expect(currentView(session)).toMatchObject({ phase: 'read', lug: 1 })
  typeReading(session, 230)
  expect(currentView(session)!.sitting!.passes.length).toBe(2)
  expect(currentView(session)!.sitting!.passes[1].pressed).toBe(true)
})

test('another rod than was asked is believed and asked about; back to the aim it is planned from where the rods stand', async () => {
  const { session } = await withSnare()
  await readAll(session)
  const before = currentView(session)!.steps
  // The highest rod, by far too much: nothing the plan had asked for.
  const really = new Array<number>(8).fill(0)
  const asked = before.flatMap(({ rods }) => rods)
  const wrong = [1, 2, 3, 4, 5, 6, 7, 8].find((rod) => !asked.includes(rod)) ?? 3
  really[wrong - 1] = 0.5
  turnedOtherwise(session, really)
  await settle()
  const view = currentView(session)!
  expect(view.sitting!.passes[0].turns).toEqual(really)
  expect(view.phase).toBe('said')
  expect(view.lastTurn).toEqual(really)
  expect(view.head.pitch.known).toBe('expected')
  expect(view.advice!.plan.turns[wrong - 1]).toBeLessThan(0)
  toAim(session)
  expect(currentView(session)!.phase).toBe('turn')
  // The new moves are made in order like any other, and nothing had to be read first.
  turnedAll(session)
  expect(currentView(session)!.phase).toBe('press')
  pressed(session)
  typeReading(session, 231)
  const { passes } = currentView(session)!.sitting!
  expect(passes.length).toBe(3)
  expect(passes[2]).toMatchObject({ pressed: true, replanned: false })
})

test('an undone turn was not made, or was turned back', async () => {
  const { session } = await withSnare()
  await readAll(session)
  turned(session)
  const event = logOf(session).at(-1)!
  if (event.kind !== 'rodsTurned') throw new Error('a turn was expected')
  turnNotMade(session, event)
  expect(currentView(session)!.turnedNow).toBeNull()
  session.redo()
  expect(currentView(session)!.turnedNow).toEqual(event.turns)
  turnedBack(session, event)
  currentView(session)!.turnedNow!.forEach((turn) => expect(turn).toBeCloseTo(0, 12))
})

test('a lug is read again, taps are combined, the last is dropped, and a move may be shown early', async () => {
  const { session } = await withSnare()
  typeReading(session, 228)
  readAgain(session, 1)
  expect(currentView(session)!.lug).toBe(1)
  typeReading(session, 228.4)
  const reading = () => currentView(session)!.sitting!.passes[0].readings.get(1)!
  expect(reading().used.length).toBe(2)
  // 228 is known to half a hertz, 228.4 to its own two cents: the finer counts for more.
  expect(reading().hz).toBeCloseTo(228.3, 1)
  withdrawTap(session, 1)
  expect(reading().hz).toBeCloseTo(228, 6)
  for (const hz of [230, 231, 229]) typeReading(session, hz)
  await settle()
  expect(currentView(session)!.phase).toBe('read')
  moveOn(session)
  await settle()
  expect(currentView(session)!.phase).not.toBe('read')
})

test('undo and redo walk through every kind of step', async () => {
  const { session } = await withSnare()
  const names = () => session.kit()!.drums.map((drum) => drum.name)
  const snare = session.kit()!.drums[0]
  addDrum(session, usualDrum('tom', 10, 'tom'))
  duplicateDrum(session, snare)
  moveDrum(session, session.kit()!.drums[2], -1)
  removeDrum(session, snare)
  expect(names()).toEqual(['Tom 10', 'Snare 14 copy'])
  const after = names()
  for (let i = 0; i < 4; i++) session.undo()
  expect(names()).toEqual(['Snare 14'])
  for (let i = 0; i < 4; i++) expect(session.redo()).not.toBeNull()
  expect(names()).toEqual(after)
  expect(session.redo()).toBeNull()
  for (let i = 0; i < 20; i++) session.undo()
  expect(session.kit()).toBeNull()
  for (let i = 0; i < 20; i++) session.redo()
  expect(names()).toEqual(after)
  removeKit(session)
  expect(session.kit()).toBeNull()
  expect(await restoreKit(session)).toBe(true)
  expect(session.kit()!.name).toBe('Test kit')
})

test('what the fit says is kept, not the readings; the next sitting is held against it', async () => {
  const { session, advanceMs } = await withSnare()
  await readAll(session)
  expect(keepDrum(session, { name: 'Lounge', heads: [{ side: 'batter', uneven: false }], hold: true })).toBe(
    true,
  )
  const kit = session.kit()!
  const target = kit.sheets[0].targets.get('snare/batter')!.target
  expect(target.meanHz).toBeCloseTo(229.6, 0)
  expect(target.keepUneven).toBe(false)
  expect(target.meanErrorCents).toBeGreaterThan(0)
  advanceMs(5 * 3600 * 1000)
  typeReading(session, 224)
  await settle()
  const view = currentView(session)!
  expect(view.sitting!.passes.length).toBe(1)
  expect(view.request.target).toEqual({ hz: target.meanHz })
  expect(kitStatus(hereOf(session.get(), session.kit()!))[0].heads.batter.kept).toEqual(target)
})

test('everything is there again after a reload, in the middle of a pass', async () => {
  const bench = await withSnare()
  await readAll(bench.session)
  turned(bench.session)
  await bench.session.saved()
  const again = testSession(bench.disk)
  await again.session.start(() => Promise.resolve())
  // Before the moves are worked out again nobody is told to press.
  expect(currentView(again.session)).toMatchObject({ advice: null, phase: 'turn' })
  watchAdvice(again.session)
  await settle()
  const [was, is] = [currentView(bench.session)!, currentView(again.session)!]
  expect(is.turnedNow).toEqual(was.turnedNow)
  expect(is.steps).toEqual(was.steps)
})

test('a full disk loses nothing: it is said, kept here, and saved when there is room', async () => {
  const bench = await withSnare()
  await bench.session.saved()
  const before = bench.disk.events.length
  bench.disk.full = true
  typeReading(bench.session, 230)
  await bench.session.saved()
  expect(bench.session.get()).toMatchObject({ trouble: 'full', unsaved: 1 })
  expect(currentView(bench.session)!.sitting!.passes[0].readings.size).toBe(1)
  bench.disk.full = false
  await bench.session.retrySave()
  expect(bench.session.get()).toMatchObject({ trouble: null, unsaved: 0 })
  expect(bench.disk.events.length).toBe(before + 1)
})

test('a page that goes away before the disk answers loses nothing, in what order it was done', async () => {
  const bench = await withSnare()
  chooseSource(bench.session, 'practice')
  await bench.session.saved()
  bench.disk.stuck = true
  const lugs = currentView(bench.session)!.drum.lugs
  turnedOtherwise(bench.session, new Array<number>(lugs).fill(0.25))
  pressed(bench.session)
  bench.session.setSettings({ keys: 1 })
  const stood = [...bench.session.get().practice.values()]
  expect(stood.length).toBe(1)
  await settle()
  bench.disk.stuck = false
  const again = testSession(bench.disk)
  await again.session.start(() => Promise.resolve())
  expect(logOf(again.session)).toEqual(logOf(bench.session))
  expect(
    logOf(again.session)
      .slice(-2)
      .map(({ kind }) => kind),
  ).toEqual(['rodsTurned', 'pressed'])
  expect([...again.session.get().practice.values()]).toEqual(stood)
  expect(again.session.get().settings.keys).toBe(1)
  expect(bench.disk.journal).toEqual([])
  expect(bench.disk.events).toEqual(logOf(bench.session))
})

test('what a full disk refused outlasts a reload', async () => {
  const bench = await withSnare()
  await bench.session.saved()
  bench.disk.full = true
  typeReading(bench.session, 230)
  await bench.session.saved()
  const again = testSession(bench.disk)
  await again.session.start(() => Promise.resolve())
  expect(again.session.get()).toMatchObject({ trouble: 'full', unsaved: 1 })
  expect(currentView(again.session)!.sitting!.passes[0].readings.size).toBe(1)
  bench.disk.full = false
  await again.session.retrySave()
  expect(bench.disk.events).toEqual(logOf(bench.session))
})

test('new film begins a new history', async () => {
  const { session } = await withSnare()
  await readAll(session)
  const drum = session.kit()!.drums[0]
  changeDrum(session, drum, { ...drum, batter: { ...drum.batter, fittedOn: '2026-01-05' } })
  expect(currentView(session)!.sitting).toBeNull()
})

test('a kit file of a kit that is here: merge, both, replace', async () => {
  const { session } = await withSnare()
  await readAll(session)
  noteFinding(session, 'dirty', [2])
  clearFinding(session, currentView(session)!.head.findings[0].id)
  const file = await kitFileWithTakes(session, session.kit()!.id)
  const chosen = () => new File([JSON.stringify(file)], 'kit.json')
  await importKit(session, chosen())
  expect(session.get().waitingImport?.name).toBe('Test kit')
  const events = logOf(session).length
  await decideImport(session, 'merge')
  expect(logOf(session).length).toBe(events)
  await importKit(session, chosen())
  await decideImport(session, 'both')
  expect(session.get().kits.map((kit) => kit.name)).toEqual(['Test kit', 'Test kit (file)'])
  // What was put right stays so in the copy, whose events have other ids.
  session.setSettings({ kit: session.get().kits[1].id })
  expect(currentView(session)!.head.findings).toEqual([])
  session.setSettings({ kit: file.kit })
  await importKit(session, chosen())
  await decideImport(session, 'replace')
  expect(session.get().kits.length).toBe(2)
  expect(session.get().kits.some(({ id }) => id === file.kit)).toBe(false)
  const log = logOf(session)
  await importKit(session, new File(['{"format":"humbra-kit","schema":99}'], 'newer.json'))
  expect(session.get().notice?.text).toMatch(/newer Humbra/)
  expect(logOf(session)).toEqual(log)
})

test('looking through what comes in says where it is and can be stopped, and then nothing was taken', async () => {
  const one = testSession()
  await one.session.start(() => Promise.resolve())
  const names = ['Hall', 'Club', 'Barn']
  for (const name of names) makeKit(one.session, name)
  const backup = JSON.parse(writeBackup(await backupOf(one.session))) as unknown
  const { session } = testSession()
  await session.start(() => Promise.resolve())
  const { tryLog } = session.deps.adviser()
  // The second takes without end.
  const tried: string[] = []
  const slow = (events: readonly HumbraEvent[], nowMs: number) =>
    tried.push(nameIn(events)) === 2 ? new Promise<never>(() => undefined) : tryLog(events, nowMs)
  session.deps.adviser = () => ({ tryLog: slow }) as never
  const bringing = bringBack(session, backup)
  const looking = await new Promise<Notice>((resolve) => {
    session.subscribe(() => session.get().notice && resolve(session.get().notice!))
  })
  expect(looking.text).toBe('Looking through Club, 2 of 3…')
  looking.stop!()
  await bringing
  expect(session.get().notice?.text).toBe('Stopped. Nothing was changed.')
  expect(session.get().kits).toEqual([])
  tried.push('', '')
  await bringBack(session, backup)
  expect(
    session
      .get()
      .kits.map(({ name }) => name)
      .sort(),
  ).toEqual([...names].sort())
  expect(session.get().notice).toMatchObject({ text: 'Brought back 3 kits.', tone: 'plain' })
  // What is here already is not looked through again.
  const before = tried.length
  await bringBack(session, backup)
  expect(tried.length).toBe(before)
})
