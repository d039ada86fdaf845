import { hereOf } from './here'
import { differences, standingNow } from '@/core/sheets/compare'
import { NO_CHOICES } from '@/core/records/plain'
import { readKitFile } from '@/core/records/kitFile'
import { writeKitFile } from '@/core/records/plain'
import { turnsBetween, turnLawOf } from '@/core/membrane/turnLaw'
import { kitFileWithTakes } from './actions/files'
import { chooseHead } from './actions/kits'
import { currentView } from './currentView'
import { endRun, leaveHead, startRun } from './actions/run'
import { archiveSheet, keepKit, keepDrum, keepPlan, setAim } from './actions/sheets'
import { planningOf } from './selectors'
import { choose, keepScheme, pin } from './actions/spacing'
import { markRange, noteWords, setLayers, setWires } from './actions/stand'
import { twoToms } from './testSession'

const HOUR = 3600 * 1000

test('heads kept one by one make one version a sitting; a later one makes the next', async () => {
  const { session, readAll, advanceMs } = await twoToms()
  readAll()
  for (const side of ['batter', 'resonant'] as const) {
    chooseHead(session, 'rack', side)
    keepDrum(session, { name: 'Hall', heads: [{ side, uneven: false }], hold: true })
    advanceMs(60_000)
  }
  const hall = () => session.kit()!.sheets[0]
  expect(hall().versions.length).toBe(1)
  expect(hall().versions[0].drums.get('rack')).toMatchObject({
    batter: { keepUneven: false },
    resonant: { keepUneven: false },
  })
  advanceMs(24 * HOUR)
  readAll(1.05)
  chooseHead(session, 'rack', 'batter')
  keepDrum(session, { name: 'Hall', heads: [{ side: 'batter', uneven: false }], hold: true })
  expect(hall().versions.length).toBe(2)
  // The older version still says what it said, and the newer one what was not kept again.
  expect(hall().versions[0].drums.get('rack')!.batter!.meanHz).toBeCloseTo(160, 0)
  expect(hall().versions[1].drums.get('rack')!.batter!.meanHz).toBeCloseTo(168, 0)
  expect(hall().versions[1].drums.get('rack')!.resonant!.meanHz).toBeCloseTo(200, 0)
})

test('two states head by head: cents and the turns between them by the head’s own law', async () => {
  const { session, read, readAll } = await twoToms()
  readAll()
  keepKit(session, 'Hall', '')
  const { kit, practice } = currentView(session)!
  const here = hereOf(session.get(), kit, practice)
  const same = differences(here, kit.sheets[0].versions[0].drums, standingNow(here))
  expect(same.length).toBe(4)
  for (const { cents, turns } of same)
    expect([cents, turns].map((x) => Math.abs(x!) < 0.01)).toEqual([true, true])
  read('rack', 'batter', 160)
  const higher = new Map(kit.sheets[0].versions[0].drums)
  const rack = higher.get('rack')!
  higher.set('rack', { ...rack, batter: { ...rack.batter!, meanHz: 180 }, resonant: null })
  const [batter, resonant] = differences(here, standingNow(here), higher)
  const law = turnLawOf(kit.drums[0], 'batter', null)
  expect(batter.turns).toBeCloseTo(turnsBetween(batter.fromHz!, 180, law), 6)
  expect(resonant).toMatchObject({ toHz: null, cents: null, turns: null })
})

test('what is kept whole becomes what every head is brought to, whatever it was aimed at before', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  const { drum } = currentView(session)!
  setAim(session, drum, 'batter', { kind: 'hz', hz: 222 })
  keepPlan(session, 'Plan', 'fourths', [{ id: drum.id, batterHz: 150, resonantHz: 190, centreHz: 88 }])
  chooseHead(session, drum.id, 'batter')
  expect(currentView(session)).toMatchObject({ aim: { kind: 'sheet' }, kept: { meanHz: 150 } })
  expect(session.kit()!.sheets[0].versions[0].drums.get(drum.id)!.centreHz).toBe(88)
  // Other drums are not spoken of, and stay as they were.
  expect(session.kit()!.sheets[0].targets.size).toBe(2)
  archiveSheet(session, session.kit()!.sheets[0], true)
  expect(session.kit()!.sheet).toBeNull()
})

test('all that a kit can say now goes out to a file and comes back the same', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  noteWords(session, 'sings')
  setLayers(session, ['padOne'])
  setWires(session, 4.5, 'turns', null)
  markRange(session, 'best')
  keepScheme(session, 'Ours', [450, 350])
  keepKit(session, 'Hall', 'notes')
  startRun(session, session.kit()!.sheets[0], '2026-01-05T19:00:00.000Z')
  leaveHead(session, 'rack', 'batter', 'cannot')
  endRun(session)
  const file = await kitFileWithTakes(session, session.kit()!.id)
  const read = readKitFile(writeKitFile(file))
  expect(read).toEqual({ ok: true, file })
})

test('what was chosen for planning becomes the request; what is no pitch is named and left out', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  choose(session, {
    avoidText: 'E2, 110; loud',
    keyText: 'A minor',
    anchor: 'lowest',
    fixed: ['floor', 'gone'],
  })
  const { request, trouble } = planningOf(session.get())!
  expect(trouble).toEqual(['avoid'])
  expect(request.avoidHz!.map((hz) => Math.round(hz))).toEqual([82, 110])
  expect(request).toMatchObject({ anchor: 'lowest', fixed: ['floor'], scheme: { kind: 'fourths' } })
  expect(request.favourHz!.length).toBe(7)
  pin(session, 'rack', 171)
  expect(planningOf(session.get())!.request.pinned).toEqual({ rack: 171 })
  pin(session, 'rack', null)
  choose(session, { relationCents: 400, relations: { rack: 700 } })
  expect(planningOf(session.get())!.request.headRelation).toEqual({ byDrum: { floor: 400, rack: 700 } })
  choose(session, NO_CHOICES)
  expect(planningOf(session.get())!.request).not.toHaveProperty('headRelation')
})
