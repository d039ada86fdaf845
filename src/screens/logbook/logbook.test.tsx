import { act, fireEvent, screen, within } from '@testing-library/react'
import { typeReading } from '@/session/actions/said'
import { chooseHead } from '@/session/actions/kits'
import { noteDay, noteOccasion, noteWeather } from '@/session/actions/diary'
import { keepKit } from '@/session/actions/sheets'
import { settled, showScreen } from '../testScreen'
import { twoToms } from '@/session/testSession'
import { FilmDialog } from './FilmDialog'
import { HeadsPart } from './HeadsPart'
import { LogbookScreen } from './LogbookScreen'
import { GigDialog } from './OccasionDialog'
import { WeatherDialog } from './WeatherDialog'

const DAY = 24 * 3600 * 1000

async function kept() {
  const bench = await twoToms()
  bench.readAll()
  keepKit(bench.session, 'Hall', '')
  bench.advanceMs(3 * DAY)
  bench.read('rack', 'batter', 158)
  bench.session.tick()
  return bench
}

test('before anything was read the place says what it is for; then it names the head that goes first, and why', async () => {
  const { session, readAll } = await twoToms()
  await showScreen(session, <LogbookScreen />)
  expect(screen.getByText(/Nothing was read yet/)).toBeTruthy()
  await act(async () => readAll())
  expect(screen.getByText(/Keep the kit as a sheet/)).toBeTruthy()
  await act(async () => void keepKit(session, 'Hall', ''))
  await settled()
  expect(await screen.findByRole('button', { name: 'Take it to the bench' })).toBeTruthy()
})

test('a lane says in words what it draws, opens to its sittings and closes again', async () => {
  const { session } = await kept()
  await showScreen(session, <LogbookScreen />)
  await settled()
  const lane = screen.getByRole('button', {
    name: /^Rack batter: 2 readings since .*1 of them out of its band/,
  })
  expect(screen.getByRole('button', { name: /^Floor resonant: 1 reading since/ })).toBeTruthy()
  fireEvent.click(lane)
  const table = screen.getByRole('region', { name: 'Sittings of Rack batter' })
  // The heads of the columns, and two sittings.
  expect(within(table).getAllByRole('row').length).toBe(3)
  expect(within(table).getAllByRole('button', { name: 'bring it back there' }).length).toBe(2)
  // 1200 log2(158 / 160).
  expect(within(table).getByText('22 c low')).toBeTruthy()
  fireEvent.click(lane)
  expect(screen.queryByRole('region', { name: 'Sittings of Rack batter' })).toBeNull()
})

test('a sitting says whose hand it was, and no spread of a single lug', async () => {
  const { session, advanceMs } = await kept()
  advanceMs(3 * DAY)
  session.setSettings({ person: 'Ana' })
  chooseHead(session, 'rack', 'batter')
  typeReading(session, 157)
  session.tick()
  await showScreen(session, <LogbookScreen />)
  await settled()
  fireEvent.click(screen.getByRole('button', { name: /^Rack batter: 3 readings/ }))
  const table = screen.getByRole('region', { name: 'Sittings of Rack batter' })
  const [heads, ...rows] = within(table)
    .getAllByRole('row')
    .map((row) => Array.from(row.children, (cell) => cell.textContent))
  const column = (name: string) => rows.map((row) => row[heads.indexOf(name)])
  expect(column('by')).toEqual(['typed, Ana', 'typed', 'typed'])
  expect(column('spread')).toEqual(['', '0 c', '0 c'])
})

test('gigs and humidity over the lanes, in words', async () => {
  const { session } = await kept()
  const now = session.deps.nowMs()
  const gig = {
    what: 'gig' as const,
    minutes: null,
    room: 'Hall',
    sheet: null,
    loadInAt: null,
    doorsAt: null,
    words: '',
  }
  noteOccasion(session, { ...gig, on: new Date(now - DAY).toISOString() })
  noteOccasion(session, { ...gig, on: new Date(now + 2 * DAY).toISOString() })
  noteWeather(session, [{ at: new Date(now).toISOString(), celsius: 20, humidityPercent: 61 }], null)
  await showScreen(session, <LogbookScreen />)
  expect(
    screen.getByRole('img', {
      name: /^1 times played, 1 to come, the next on .*; humidity on 1 days, 61 to 61 percent/,
    }),
  ).toBeTruthy()
})

test('a gig whose minutes are none is not taken, and says so', async () => {
  const { session } = await twoToms()
  let closed = 0
  await showScreen(session, <GigDialog onClose={() => closed++} />)
  fireEvent.change(screen.getByLabelText('Minutes played'), { target: { value: 'long' } })
  fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
  expect(screen.getByRole('alert').textContent).toMatch(/number from 1 to 1440/)
  expect(session.kit()!.diary.occasions).toEqual([])
  fireEvent.change(screen.getByLabelText('Minutes played'), { target: { value: '95' } })
  fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
  expect(session.kit()!.diary.occasions[0]).toMatchObject({ minutes: 95, what: 'gig' })
  expect(closed).toBe(1)
})

test('weather: a number that is none is said; one of the two is enough', async () => {
  const { session } = await twoToms()
  await showScreen(session, <WeatherDialog onClose={() => undefined} />)
  const note = () => fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
  note()
  expect(screen.getByRole('alert').textContent).toMatch(/temperature, the humidity, or both/)
  fireEvent.change(screen.getByLabelText('Humidity, %'), { target: { value: '140' } })
  note()
  expect(screen.getByRole('alert').textContent).toMatch(/percent from 0 to 100/)
  fireEvent.change(screen.getByLabelText('Humidity, %'), { target: { value: '61,5' } })
  note()
  expect([...session.kit()!.diary.air.values()]).toEqual([
    { celsius: { sum: 0, count: 0 }, humidity: { sum: 61.5, count: 1 } },
  ])
})

test('the box: a head is put in by name and size, and goes on a drum of its size alone', async () => {
  const { session, readAll } = await twoToms()
  readAll()
  await showScreen(session, <FilmDialog session={session} kit={session.kit()!} onClose={() => undefined} />)
  fireEvent.change(screen.getByLabelText('Size, inches'), { target: { value: '99' } })
  fireEvent.click(screen.getByRole('button', { name: 'Put it in the box' }))
  expect(screen.getByRole('alert').textContent).toMatch(/5 to 40 inches/)
  fireEvent.change(screen.getByLabelText('Size, inches'), { target: { value: '12' } })
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'spare 12' } })
  fireEvent.click(screen.getByRole('button', { name: 'Put it in the box' }))
  await showScreen(session, <HeadsPart session={session} kit={session.kit()!} nowMs={session.deps.nowMs()} />)
  const fits = screen.getAllByLabelText('fit')
  // Both sides of the 12, neither of the 16.
  expect(fits.length).toBe(2)
  fireEvent.change(fits[0], { target: { value: [...session.kit()!.diary.box.keys()][0] } })
  expect(session.kit()!.heads.get('rack/batter')!.real.stints.length).toBe(2)
  expect(session.get().notice!.text).toMatch(/^spare 12 is on Rack batter/)
})

/** A place opened at one of its parts. */
async function part(session: Awaited<ReturnType<typeof kept>>['session'], name: string) {
  await showScreen(session, <LogbookScreen />)
  await settled()
  fireEvent.click(screen.getByRole('radio', { name }))
}

test('found by words; a note can be dropped, a gig corrected', async () => {
  const { session } = await kept()
  const now = session.deps.nowMs()
  noteDay(session, 'growls in the corner', now, 'floor')
  const gig = {
    what: 'gig' as const,
    minutes: 90,
    room: 'Hall',
    sheet: null,
    loadInAt: null,
    doorsAt: null,
    words: '',
  }
  noteOccasion(session, { ...gig, on: new Date(now - DAY).toISOString() })
  await part(session, 'Find and compare')
  const entries = () => within(screen.getByRole('list', { name: 'Entries' })).queryAllByRole('listitem')
  fireEvent.change(screen.getByLabelText('Words'), { target: { value: 'growls' } })
  expect(entries().map((entry) => entry.textContent)).toEqual([
    expect.stringMatching(/note, Floor growls in the corner/),
  ])
  fireEvent.click(screen.getByRole('button', { name: 'drop it' }))
  expect(screen.getByText('Nothing in the log is so.')).toBeTruthy()
  fireEvent.change(screen.getByLabelText('Words'), { target: { value: 'gig' } })
  fireEvent.click(screen.getByRole('button', { name: 'correct it' }))
  const dialog = within(screen.getByRole('dialog', { name: 'The gig' }))
  expect((dialog.getByLabelText('Minutes played') as HTMLInputElement).value).toBe('90')
  fireEvent.click(dialog.getByRole('button', { name: 'Call it off' }))
  expect(session.kit()!.diary.occasions).toMatchObject([{ cancelled: true, minutes: 90 }])
})

test('two days over each other: cents of every head that both know', async () => {
  const { session } = await kept()
  await part(session, 'Find and compare')
  const day = (ms: number) => new Date(ms).toISOString().slice(0, 10)
  fireEvent.change(screen.getByLabelText('One day'), {
    target: { value: day(session.deps.nowMs() - 3 * DAY) },
  })
  const rows = within(screen.getByRole('table', { name: 'Heads on two days' }))
  // 160 to 158 Hz: 1200 log2(158 / 160) = -21.8.
  expect(rows.getByRole('row', { name: /^Rack batter/ }).textContent).toBe('Rack batter160.0158.0−22not')
  fireEvent.change(screen.getByLabelText('One day'), { target: { value: '' } })
  expect(screen.getByText('Nothing was read by then.')).toBeTruthy()
})

test('a season on one page, and what is in no file yet', async () => {
  const { session } = await kept()
  const gig = {
    what: 'gig' as const,
    minutes: 90,
    room: 'Hall',
    sheet: null,
    loadInAt: null,
    doorsAt: null,
    words: '',
  }
  noteOccasion(session, { ...gig, on: new Date(session.deps.nowMs() - DAY).toISOString() })
  await part(session, 'Report')
  const report = within(screen.getByRole('article', { name: 'Report' }))
  expect(
    report.getByText(/^1 gig, 0 rehearsals, 2 hours played in Hall\. Read on 2 days, held against Hall\./),
  ).toBeTruthy()
  expect(report.getByRole('row', { name: /^Rack batter 2 1 −22 to/ })).toBeTruthy()
  expect(screen.getByText(/acts of this kit are in no file yet; it was never put into one/)).toBeTruthy()
})

test('which rods back off is said with the day, or that too few sittings tell', async () => {
  const { session } = await kept()
  await showScreen(session, <LogbookScreen />)
  await settled()
  fireEvent.click(screen.getByRole('button', { name: /^Rack batter:/ }))
  expect(screen.getByText(/^Too few sittings to tell which rods back off/)).toBeTruthy()
})
