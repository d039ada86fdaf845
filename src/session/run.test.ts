import { usualDrum } from '@/core/records/usualDrum'
import { drasticRoom } from '@/core/bench/drastic'
import { leaveOut, type WorkItem } from '@/core/status/worklist'
import { runCsv } from '@/text/csv'
import { reportIntervals, reportRows, standsText, todoText } from '@/text/run'
import { changeDrum, chooseHead } from './actions/kits'
import { currentView } from './currentView'
import { endRun, goToNext, leaveHead, runView, startRun, takeUpAgain } from './actions/run'
import { bringBack, copySheet, keepKit, noteOnSheet, removeSheet } from './actions/sheets'
import { turnedOtherwise } from './actions/turning'
import { testSession, twoToms } from './testSession'

const DAY = 24 * 3600 * 1000

async function withKit() {
  const bench = await twoToms()
  const { session } = bench
  const view = () => runView(session.get(), session.kit(), session.deps.nowMs())!
  const names = (items: WorkItem[]) => items.map(({ drum, side }) => `${drum.id}/${side}`)
  return { ...bench, view, names }
}

test('a sheet keeps the whole kit; versions, a copy, notes and coming back lose nothing', async () => {
  const { session, read, readAll, advanceMs } = await withKit()
  read('rack', 'batter', 160)
  expect(keepKit(session, 'Hall', 'first')).toBe(3)
  readAll()
  advanceMs(DAY)
  readAll(1.1)
  expect(keepKit(session, 'Hall', 'higher')).toBe(0)
  const hall = () => session.kit()!.sheets[0]
  expect(hall().versions.map(({ notes }) => notes)).toEqual(['first', 'higher'])
  expect(hall().targets.get('rack/batter')!.target.meanHz).toBeCloseTo(176, 0)
  bringBack(session, hall(), hall().versions[0])
  expect(hall().versions.length).toBe(3)
  expect(hall().targets.get('rack/batter')!.target.meanHz).toBeCloseTo(160, 0)
  noteOnSheet(session, hall(), 'for the small room')
  copySheet(session, hall(), 'Hall, copy')
  expect(session.kit()!.sheets.map(({ name }) => name)).toEqual(['Hall', 'Hall, copy'])
  expect(session.kit()!.sheets[1].versions[0].notes).toBe('for the small room')
  removeSheet(session, hall().id, 'Hall')
  session.undo()
  expect(hall().name).toBe('Hall')
})

test('a run: what is out comes first, resonant before batter; done, left and reported, over a reload', async () => {
  const { session, disk, read, readAll, view, names } = await withKit()
  readAll()
  keepKit(session, 'Hall', '')
  const sheet = session.kit()!.sheets[0]
  chooseHead(session, 'floor', 'batter')
  turnedOtherwise(session, new Array<number>(8).fill(-0.1))
  read('floor', 'batter', 95)
  chooseHead(session, 'floor', 'resonant')
  turnedOtherwise(session, new Array<number>(8).fill(-0.1))
  read('floor', 'resonant', 124)
  startRun(session, sheet, null)
  expect(names(view().todo)).toEqual(['floor/resonant', 'floor/batter'])
  expect(currentView(session)).toMatchObject({ side: 'resonant', drum: { id: 'floor' } })
  expect(todoText(view().todo[0])).toBe('tune')
  expect(standsText(view().todo[0])).toMatch(/^8\d c low/)
  // A second session on the same disk goes on where the first one was.
  await session.saved()
  const again = testSession(disk)
  await again.session.start(() => Promise.resolve())
  expect(runView(again.session.get(), again.session.kit(), session.deps.nowMs())!.todo.length).toBe(2)
  turnedOtherwise(session, new Array<number>(8).fill(0.1))
  read('floor', 'resonant', 130)
  expect(names(view().todo)).toEqual(['floor/batter'])
  expect(goToNext(session)).toBe(true)
  expect(currentView(session)).toMatchObject({ side: 'batter', drum: { id: 'floor' } })
  leaveHead(session, 'floor', 'batter', 'good-enough')
  expect(view().todo).toEqual([])
  endRun(session)
  expect(view()).toBeNull()
  const run = session.kit()!.runs[0]
  const rows = reportRows(run, session.kit()!.drums)
  expect(rows.find(({ drum, side }) => drum === 'Floor' && side === 'resonant')).toMatchObject({
    before: expect.stringMatching(/^124\.\d Hz, 8\d c low/),
    after: expect.stringMatching(/^1(29|30)\.\d Hz/),
    left: '',
  })
  expect(rows.find(({ drum, side }) => drum === 'Floor' && side === 'batter')!.left).toBe('good enough')
})

test('heads not read lately are believed to have moved, with honest width; with the clock short the least worth is left', async () => {
  const { session, readAll, advanceMs, view } = await withKit()
  readAll()
  keepKit(session, 'Hall', '')
  advanceMs(10 * DAY)
  startRun(session, session.kit()!.sheets[0], new Date(session.deps.nowMs() + 5 * 60_000).toISOString())
  const { items, todo, noTime, minutesLeft } = view()
  for (const item of items) {
    expect(item.known).toBe(false)
    expect(item.offCents).toBeLessThan(0)
    expect(item.errorCents).toBeGreaterThan(5)
    expect(standsText(item)).toMatch(/give or take/)
  }
  expect(minutesLeft).toBeCloseTo(2, 1)
  expect(noTime.size).toBeGreaterThan(0)
  const kept = todo.filter((item) => !noTime.has(item))
  expect(kept.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(2)
  const worth = ({ worth, minutes }: WorkItem) => worth / minutes
  for (const left of noTime)
    for (const stays of kept)
      if (left.minutes <= stays.minutes) expect(worth(left)).toBeLessThanOrEqual(worth(stays) + 1e-9)
  expect(leaveOut(todo, 1000).size).toBe(0)
})

test('before is what was read as found, not what was believed; a head that was left is taken up again', async () => {
  const { session, read, readAll, advanceMs, view } = await withKit()
  readAll()
  keepKit(session, 'Hall', '')
  advanceMs(10 * DAY)
  startRun(session, session.kit()!.sheets[0], null)
  const was = (drum: string) =>
    session.kit()!.runs[0].before.find((head) => head.drum === drum && head.side === 'batter')!
  expect(was('rack').known).toBe(false)
  read('rack', 'batter', 150)
  turnedOtherwise(session, new Array<number>(6).fill(0.1))
  read('rack', 'batter', 160)
  leaveHead(session, 'floor', 'batter', 'cannot')
  expect(view().todo.some(({ drum, side }) => drum.id === 'floor' && side === 'batter')).toBe(false)
  takeUpAgain(session, 'floor', 'batter')
  expect(view().todo.some(({ drum, side }) => drum.id === 'floor' && side === 'batter')).toBe(true)
  const believed = was('floor').meanHz
  endRun(session)
  // Read before a rod was turned: 150 Hz, whatever it reads now. A head that nobody read stays believed.
  expect(was('rack')).toMatchObject({ known: true })
  expect(was('rack').meanHz).toBeCloseTo(150, 0)
  expect(was('floor')).toMatchObject({ known: false, meanHz: believed })
  const [between] = reportIntervals(session.kit()!.runs[0], session.kit()!.drums)
  expect(between).toMatchObject({ from: 'Rack', to: 'Floor' })
  expect(between.after).toMatch(/ down$/)
  expect(runCsv(session.kit()!.runs[0], session.kit()!.drums).split('\r\n')[0]).toMatch(
    /^\uFEFFstarted,ended,drum,head,before_hz/,
  )
})

test('a head changed since the sheet: its relation to the other head comes first', async () => {
  const { session, readAll, advanceMs, view } = await withKit()
  readAll()
  keepKit(session, 'Hall', '')
  advanceMs(DAY)
  const { drum } = currentView(session)!
  chooseHead(session, 'floor', 'batter')
  changeDrum(session, drum, { ...drum, batter: { ...drum.batter, fittedOn: '2026-01-06' } })
  startRun(session, session.kit()!.sheets[0], null)
  const item = view().items.find((each) => each.drum.id === 'floor' && each.side === 'batter')!
  // The other head stands where it did: 130 Hz, and 100 to 130 is what the sheet says.
  expect(item.relationHz).toBeCloseTo(100, 0)
  expect(view().items.filter((each) => each.relationHz !== null).length).toBe(1)
})

test('room for a drastic turn: a turn at most, less near slack, none under a low limit', () => {
  const tom = usualDrum('tom', 12, 'd')
  expect(drasticRoom(tom, 'batter', 240, 40_000)).toEqual({ up: 1, down: 1 })
  expect(drasticRoom(tom, 'batter', 160, 40_000)).toEqual({ up: 1, down: 0.375 })
  expect(drasticRoom(tom, 'batter', 100, 40_000)).toBeNull()
  const low = { ...tom, batter: { ...tom.batter, ceilingHz: 250 } }
  expect(drasticRoom(low, 'batter', 240, 40_000)).toBeNull()
})
