import { headStatus } from '@/core/status/head'
import { nextOfKit } from '@/core/status/next'
import ICAL from 'ical.js'
import { forecastOf } from '@/core/status/forecast'
import { headReports } from '@/core/runs/reports'
import { eventSchema } from '@/core/records/event'
import { usualDrum } from '@/core/records/usualDrum'
import { dayText, leavesText, lockText, oddsText, rangeText, sinceText, whyThatDay } from '@/text/forecast'
import { logbookCsv } from '@/text/csv'
import { laneText, notInFileText, occasionText, tonightText } from '@/text/logbook'
import { turnsLabel } from '@/text/turns'
import { nextText, drumText, summaryText } from '@/screens/kit/summaryText'
import { calendarOf } from './actions/calendar'
import { takeIn } from './actions/incoming'
import {
  callOff,
  fitFromBox,
  nameFilm,
  noteDay,
  noteFilm,
  noteOccasion,
  weatherFromTable,
} from './actions/diary'
import { chooseHead } from './actions/kits'
import { benchThen, bringBackThere } from './actions/logbook'
import { keepKit } from './actions/sheets'
import { turnedOtherwise } from './actions/turning'
import { currentView } from './currentView'
import { filed, notInFile } from './filed'
import { entriesOf, found, likeNow, twoDays } from './findLog'
import { kitStatus } from '@/core/status/kit'
import { hereOf } from './here'
import { firstOut, forecastsInTurn, type Forecasts } from './forecasts'
import { lanesOf } from './logbookView'
import { seasonOf } from './season'
import { logOf, twoToms } from './testSession'

const DAY = 24 * 3600 * 1000
const all = (session: Parameters<typeof currentView>[0]) =>
  new Promise<Forecasts>((resolve) => {
    forecastsInTurn(hereOf(session.get(), session.kit()!), (forecasts, done) => done && resolve(forecasts))
  })
const gigOn = (ms: number) => ({
  ...{ on: new Date(ms).toISOString(), what: 'gig' as const, minutes: 120, room: 'Hall', sheet: null },
  ...{
    loadInAt: new Date(ms - 3 * 3600_000).toISOString(),
    doorsAt: new Date(ms - 3600_000).toISOString(),
    words: '',
  },
})

/** A rack tom that falls 3 cents at each of its gigs, every third day, and is not turned. */
async function played() {
  const bench = await twoToms()
  const { session, read, advanceMs } = bench
  let times = 1
  read('floor', 'batter', 100)
  read('rack', 'resonant', 200)
  read('rack', 'batter', 160)
  keepKit(session, 'Hall', '')
  for (let i = 0; i < 5; i++) {
    advanceMs(1.5 * DAY)
    noteOccasion(session, gigOn(session.deps.nowMs()))
    advanceMs(1.5 * DAY)
    times *= 2 ** (-0.6 / 1200)
    read('rack', 'batter', 160 * times)
  }
  session.tick()
  return bench
}

test('gigs to come bring the day nearer, and it is said by gig', async () => {
  const { session } = await played()
  const now = session.deps.nowMs()
  const rack = session.kit()!.drums[0]
  const of = () =>
    forecastOf(
      { ...hereOf(session.get(), session.kit()!), nowMs: now },
      headStatus({ ...hereOf(session.get(), session.kit()!), nowMs: now }, rack, 'batter'),
    )!
  for (let i = 0; i < 12; i++) noteOccasion(session, gigOn(now + (3 + 7 * i) * DAY))
  const seldom = of()
  for (let i = 0; i < 40; i++) noteOccasion(session, gigOn(now + (1 + 2 * i) * DAY))
  const often = of()
  expect(often.leavesMs!).toBeLessThan(seldom.leavesMs ?? Infinity)
  expect(often.gigsBefore).toBeGreaterThan(0)
  expect(whyThatDay(often)).toMatch(/^It falls \d\.\d c a gig|^Its film|^A degree/)
  expect(leavesText('Rack batter', often, now)).toMatch(/^Rack batter (leaves its band|is likely out)/)
})

test('the forecast of `state` and of the Logbook are one', async () => {
  const { session } = await played()
  const kit = session.kit()!
  const now = session.deps.nowMs()
  const forecasts = await all(session)
  for (const report of headReports({ ...hereOf(session.get(), kit), nowMs: now })) {
    const own = forecasts.get(`${report.drum}/${report.side}`)
    const day = (ms: number | null | undefined) => (ms ? new Date(ms).toISOString().slice(0, 10) : undefined)
    if (report.forecast) expect(report.forecast.leavesAt).toBe(day(own?.leavesMs))
  }
  const days = firstOut(kit, forecasts).map(({ forecast }) => forecast.leavesMs!)
  expect(days.length).toBeGreaterThan(1)
  expect(days).toEqual([...days].sort((a, b) => a - b))
})

test('Kit knows the date: settled on the day, perhaps moved some weeks later, likely moved when a season has passed; read again it is settled', async () => {
  const { session, readAll, advanceMs } = await twoToms()
  readAll()
  keepKit(session, 'Hall', '')
  const states = () => {
    session.tick()
    const drums = kitStatus(hereOf(session.get(), session.kit()!))
    return { drums, text: summaryText(drums), words: drums.map((drum) => drumText(drum).word) }
  }
  expect(states().words).toEqual(['settled', 'settled'])
  expect(states().text).toBe('Every head that was read is where it should be.')
  advanceMs(12 * DAY)
  const soon = states()
  expect(soon.words).not.toContain('settled')
  expect(soon.text).toMatch(/may have moved since|have likely moved since|has likely moved since/)
  const next = nextOfKit(hereOf(session.get(), session.kit()!), soon.drums, 2)
  expect(next).toMatchObject({ what: 'read' })
  expect(nextText(next, session.deps.nowMs())!.why).toMatch(/read 12 days ago/)
  advanceMs(200 * DAY)
  const late = states()
  expect(late.words).toEqual(['likely moved', 'likely moved'])
  const odds = late.drums[0].heads.batter
  expect(odds.out!).toBeGreaterThan(soon.drums[0].heads.batter.out!)
  readAll()
  expect(states().words).toEqual(['settled', 'settled'])
})

test('lanes: what was read out of the band is marked, turns and new heads stand in it, what was simulated never', async () => {
  const { session, read, advanceMs } = await played()
  chooseHead(session, 'rack', 'batter')
  turnedOtherwise(session, [-0.1, -0.1, 0, 0, 0, 0])
  advanceMs(DAY)
  read('rack', 'batter', 156)
  session.setSettings({ source: 'practice' })
  const lane = lanesOf(hereOf(session.get(), session.kit()!)).find(({ key }) => key === 'rack/batter')!
  expect(lane.points.at(-1)).toMatchObject({ out: true })
  expect(lane.turns.at(-1)!.text).toBe('1 and 2 down 3/32')
  expect(lane.now!.cents).toBeLessThan(-30)
  expect(laneText(lane, null, session.deps.nowMs())).toMatch(
    /^Rack batter: 7 readings since .*1 of them out of its band, turned 1 times/,
  )
  const unread = lanesOf(hereOf(session.get(), session.kit()!)).find(({ key }) => key === 'floor/resonant')!
  expect(laneText(unread, null, 0)).toBe('Floor resonant: never read')
})

test('iCalendar: gigs, retune days and head changes with ids that stay; a second file raises the sequence', async () => {
  const { session, advanceMs } = await played()
  const now = session.deps.nowMs()
  noteOccasion(session, gigOn(now + 2 * DAY), 'gig-1')
  const forecasts = await all(session)
  const parse = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vevent')
      .map((each) => new ICAL.Event(each))
  const first = parse(calendarOf(session.kit()!, forecasts, now))
  const gig = first.find(({ uid }) => uid.includes('gig-1'))!
  expect(gig).toMatchObject({ summary: 'House: gig', location: 'Hall' })
  expect(gig.startDate.toJSDate().getTime()).toBe(now + 2 * DAY)
  expect(gig.duration.toSeconds()).toBe(7200)
  expect(first.some(({ summary }) => summary === 'Retune Rack batter')).toBe(true)
  callOff(
    session,
    session.kit()!.diary.occasions.find(({ id }) => id === 'gig-1')!,
  )
  advanceMs(DAY)
  const second = parse(calendarOf(session.kit()!, forecasts, session.deps.nowMs()))
  expect(new Set(second.map(({ uid }) => uid))).toEqual(new Set(first.map(({ uid }) => uid)))
  const again = second.find(({ uid }) => uid === gig.uid)!
  expect(again.sequence).toBeGreaterThan(gig.sequence)
  expect(again.component.getFirstPropertyValue('status')).toBe('CANCELLED')
})

test('find: by words, drum, room and day; two days over each other; when it last sounded like this', async () => {
  const { session, read, advanceMs } = await twoToms()
  const start = session.deps.nowMs()
  const set = (rack: number, floor: number) => {
    read('rack', 'batter', rack)
    read('floor', 'batter', floor)
  }
  set(160, 100)
  noteDay(session, 'Growls in the corner', session.deps.nowMs(), 'floor')
  noteOccasion(session, gigOn(session.deps.nowMs() + 3600_000))
  advanceMs(20 * DAY)
  chooseHead(session, 'rack', 'batter')
  turnedOtherwise(session, new Array<number>(6).fill(0.25))
  set(180, 112)
  advanceMs(20 * DAY)
  set(160.4, 100.2)
  const kit = session.kit()!
  const now = session.deps.nowMs()
  const lanes = lanesOf({ ...hereOf(session.get(), kit), nowMs: now })
  const entries = entriesOf(kit, lanes)
  const nothing = { words: '', drum: '', room: '', sheet: '', fromMs: null, toMs: null }
  const hits = (wanted: object) => found(entries, kit, { ...nothing, ...wanted })
  expect(hits({ words: 'growls corner' }).map(({ what }) => what)).toEqual(['note'])
  expect(hits({ words: 'growls', drum: 'rack' })).toEqual([])
  expect(hits({ room: 'Hall' }).every(({ ms }) => Math.abs(ms - start) < DAY)).toBe(true)
  expect(hits({ room: 'Hall', words: 'sitting' }).length).toBe(2)
  expect(hits({ fromMs: now - DAY }).length).toBe(2)
  const [rack] = twoDays(kit, lanes, start + DAY, start + 21 * DAY)
  expect(rack).toMatchObject({ turns: 0.25 })
  // 1200 log2(180 / 160).
  expect(rack.cents).toBeCloseTo(203.9, 0)
  const [like] = likeNow(lanes, now)
  expect(Math.abs(like.ms - start)).toBeLessThan(DAY)
  expect(like.cents).toBeLessThan(6)
  const season = seasonOf(kit, lanes, start - DAY, now + DAY)
  expect(season).toMatchObject({ gigs: 1, minutes: 120, rooms: ['Hall'], sittings: 3 })
  const csv = logbookCsv(kit, lanes).split('\r\n')
  expect(csv[0]).toMatch(/^\uFEFFat,what,drum,head,found_hz,left_hz,off_cents,turns/)
  expect(csv.filter((line) => line.includes(',sitting,')).length).toBe(6)
  expect(csv.some((line) => line.includes('Growls in the corner'))).toBe(true)
})

test('as it was: the bench of that day, without what came since; brought back there it is the aim', async () => {
  const { session, read, advanceMs } = await twoToms()
  read('rack', 'batter', 160)
  const then = session.deps.nowMs()
  advanceMs(5 * DAY)
  read('rack', 'batter', 150)
  const was = (await benchThen(session, 'rack', 'batter', then))!
  expect(was.sitting!.passes[0].readings.get(1)!.hz).toBe(160)
  expect(was.report!.believed!.meanHz).toBeCloseTo(160, 0)
  expect(await benchThen(session, 'rack', 'batter', then - 400 * DAY)).toBeNull()
  bringBackThere(session, session.kit()!.drums[0], 'batter', 160)
  expect(currentView(session)).toMatchObject({ aim: { kind: 'hz', hz: 160 } })
})

test('a head of the box goes on a drum; a name given to the one that was on keeps its history', async () => {
  const { session, readAll, advanceMs } = await twoToms()
  readAll()
  const rack = session.kit()!.drums[0]
  nameFilm(session, rack, 'batter', 'the loud one', null)
  const film = noteFilm(session, {
    name: 'spare 12',
    diameterInches: 12,
    side: null,
    head: usualDrum('tom', 12, 'x').batter,
  })
  advanceMs(DAY)
  fitFromBox(session, rack, 'batter', session.kit()!.diary.box.get(film)!, session.deps.nowMs())
  const named = [...session.kit()!.diary.box.values()].map(({ name }) => name)
  expect(named.sort()).toEqual(['spare 12', 'the loud one'])
  session.undo()
  expect(session.kit()!.heads.get('rack/batter')!.real.stints.length).toBe(1)
})

test('every event that these acts make is one that the database and a file take', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  const rack = session.kit()!.drums[0]
  noteOccasion(session, gigOn(session.deps.nowMs()), 'g')
  const [gig] = session.kit()!.diary.occasions
  noteOccasion(session, { ...gig, minutes: 60 }, gig.id)
  callOff(session, gig)
  noteDay(session, 'damp', session.deps.nowMs(), 'rack')
  weatherFromTable(session, 'date,temp\n2026-01-03,20', 'Hall')
  nameFilm(session, rack, 'batter', 'the loud one', null)
  const { batter: head } = rack
  const id = noteFilm(session, { name: 'spare', diameterInches: 12, side: null, head })
  const spare = () => session.kit()!.diary.box.get(id)!
  fitFromBox(session, rack, 'batter', spare(), session.deps.nowMs())
  noteFilm(session, spare(), id, true)
  bringBackThere(session, rack, 'batter', 160)
  for (const event of logOf(session)) expect(eventSchema.parse(event)).toEqual(event)
})

test('what is in no file yet is counted from the last one on', async () => {
  const { session, readAll, advanceMs } = await twoToms()
  readAll()
  const count = () => notInFile(session.get().logs.get(session.kit()!.id)!, session.get().settings)
  expect(count().count).toBeGreaterThan(20)
  expect(notInFileText(count())).toMatch(/never put into one/)
  filed(session, [session.kit()!.id])
  expect(count()).toMatchObject({ count: 0, more: false })
  advanceMs(1000)
  noteDay(session, 'one', session.deps.nowMs(), null)
  expect(notInFileText(count())).toMatch(/^One act of this kit is in no file yet/)
})

test('weather is taken from a table, and said where it is none', async () => {
  const { session } = await twoToms()
  expect(weatherFromTable(session, 'drum,Hz\nx,1', null)).toMatch(/first row/)
  expect(session.kit()!.diary.air.size).toBe(0)
  expect(
    weatherFromTable(session, 'date,temp,humidity\n2026-01-03,20,44\n2026-01-04,21,48', 'Hall'),
  ).toBeNull()
  expect(session.kit()!.diary.air.size).toBe(2)
  expect(session.get().notice!.text).toBe('Took in the weather of 2 days.')
  // The same when it is dropped anywhere.
  await takeIn(session, [new File(['date;Feuchte\n2026-01-09;70'], 'logger.csv', { type: 'text/csv' })])
  expect(session.kit()!.diary.air.size).toBe(3)
})

test('days, ranges, odds and turns as people say them', () => {
  const now = new Date(2026, 4, 20, 12).getTime()
  expect([0, 1, -1, 3, 30].map((days) => dayText(now + days * DAY, now))).toEqual([
    'today',
    'tomorrow',
    'yesterday',
    'Saturday',
    '19 Jun',
  ])
  const passage = {
    fromMs: now + DAY,
    leavesMs: now + 3 * DAY,
    toMs: now + 5 * DAY,
    cause: 'rods' as const,
    outNow: 0,
    outAtEnd: 1,
    gigsBefore: 2,
    readOut: false,
  }
  expect(leavesText('Snare 14 batter', passage, now)).toBe(
    'Snare 14 batter leaves its band on Saturday, tomorrow to Monday',
  )
  expect(rangeText({ ...passage, toMs: null }, now)).toBe('tomorrow to beyond half a year')
  expect(leavesText('X', { ...passage, outNow: 0.9 }, now)).toBe('X is likely out of its band already')
  expect(leavesText('X', { ...passage, leavesMs: null }, now)).toMatch(/half a year/)
  expect([0.01, 0.3, 0.8, 0.99].map(oddsText)).toEqual([
    'almost surely still there',
    '7 in 10 still there',
    '8 in 10 moved',
    'almost surely moved',
  ])
  const asRead = {
    ...{ at: new Date(now - 9 * DAY).toISOString(), hz: 200, errorCents: 1 },
    ...{ cosineCents: 0, sineCents: 0, waveErrorCents: 1 },
  }
  const pitch = { hz: 200 * 2 ** (-3.2 / 1200), errorCents: 3, known: 'aged' as const, lugs: [] }
  expect(sinceText({ asRead, pitch }, now)).toBe('read 9 days ago, likely 3.2 c lower since')
  expect(turnsLabel([0, 0, 0.0625, 0.0625, 0, 0])).toBe('3 and 4 up 1/16')
  expect(turnsLabel([-0.125, -0.125, -0.125, -0.125, -0.125, -0.13])).toBe('all down 1/8')
  const loss = {
    rods: [3, 8],
    turns: 0.06,
    errorTurns: 0.01,
    spans: 6,
    played: 4,
    by: 'pitch' as const,
    unlocked: [8, 3],
  }
  expect(lockText([loss])).toBe(
    'Lock rod 8. Pitch names the pair, not the side: feel both, and lock the loose one first.',
  )
  const gig = {
    ...gigOn(new Date(2026, 4, 20, 20).getTime()),
    id: 'g',
    writtenAt: '',
    source: 'hand' as const,
    cancelled: false,
  }
  expect(occasionText(gig)).toBe('gig, 120 min, Hall, load-in 17:00, doors 19:00')
  expect(tonightText(gig)).toBe('For the gig in Hall: load-in 17:00, doors 19:00.')
})
