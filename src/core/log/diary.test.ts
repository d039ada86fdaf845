import fc from 'fast-check'
import { packed } from './summary'
import { logOfSummary, summaryOf } from './summary'
import { lugsThen } from '../status/strokes'
import { filmAges, playsOn, sparesFor } from '../drift/films'
import { conditionOf } from '../drift/worn'
import { restated } from './restate'
import { kitsFromLog, newKitLog, withEvents } from './kitLog'
import { headLog, type KitState } from './fold'
import { historyOf } from './headLog'
import { EMPTY_DIARY, withDiaryEvent } from './diary'
import type { DiaryEvent, HumbraEvent } from '../records/event'
import { eventSchema } from '../records/event'
import { usualDrum } from '../records/usualDrum'

const START = Date.UTC(2026, 0, 5, 12)
const DAY = 24 * 3600 * 1000
const at = (day: number) => new Date(START + day * DAY).toISOString()
let ids = 0
const base = (day: number) => ({
  ...{ id: `e${++ids}`, at: at(day), kit: 'k', schema: 9, nth: ids, source: 'hand' as const },
  algorithm: null,
})
const gig = (day: number, more: object = {}) =>
  ({
    ...{ ...base(day), kind: 'occasionNoted', occasion: `gig-${day}`, what: 'gig', on: at(day), minutes: 90 },
    ...{ room: 'Hall', sheet: null, loadInAt: null, doorsAt: null, words: '' },
    ...more,
  }) as DiaryEvent
const tom = usualDrum('tom', 12, 't')
const rack = usualDrum('tom', 12, 'r')
const made = (): HumbraEvent[] => [
  { ...base(-1), kind: 'kitEdited', change: { what: 'kitMade', name: 'Kit', simulated: false } },
  { ...base(-1), kind: 'kitEdited', change: { what: 'drumAdded', drum: tom, after: null } },
  { ...base(-1), kind: 'kitEdited', change: { what: 'drumAdded', drum: rack, after: null } },
]
const readHead = (day: number, hz: number, drum = 't'): HumbraEvent[] =>
  [1, 2, 3, 4, 5, 6].map((lug) => ({
    ...{ ...base(day), kind: 'readingTaken', drum, side: 'batter', lug, hz, standardErrorHz: 0.1, poles: [] },
    ...{ otherHead: 'muted' as const, source: 'typed' as const },
  }))
const turned = (day: number, turns: number): HumbraEvent => ({
  ...{ ...base(day), kind: 'rodsTurned', drum: 't', side: 'batter', planned: null },
  turns: new Array<number>(6).fill(turns),
})
const fitted = (day: number, film?: string, drum = 't'): HumbraEvent => ({
  ...{
    ...base(day),
    kind: 'headFitted',
    drum,
    side: 'batter',
    head: { ...tom.batter, fittedOn: at(day).slice(0, 10) },
  },
  ...(film === undefined ? {} : { film }),
})
const kitOf = (events: readonly HumbraEvent[]): KitState => kitsFromLog(events)[0]

const anyDiary = fc.array(
  fc.record({
    kind: fc.integer({ min: 0, max: 3 }),
    thing: fc.integer({ min: 0, max: 3 }),
    day: fc.integer({ min: 0, max: 40 }),
    written: fc.integer({ min: 0, max: 500 }),
    value: fc.integer({ min: 0, max: 90 }),
    off: fc.boolean(),
  }),
  { maxLength: 24 },
)

interface Said {
  kind: number
  thing: number
  day: number
  written: number
  value: number
  off: boolean
}

const diaryEvents = (all: Said[]): DiaryEvent[] =>
  all.map(({ kind, thing, day, written, value, off }, i): DiaryEvent => {
    // No two things are written in the same millisecond of one device.
    const own = { ...base(day), id: `d${i}`, at: new Date(START + written * 1000 + i).toISOString() }
    if (kind === 0)
      return {
        ...gig(day),
        ...own,
        occasion: `o${thing}`,
        minutes: value,
        ...(off ? { cancelled: true as const } : {}),
      } as DiaryEvent
    if (kind === 1) return { ...own, kind: 'dayNoted', on: at(day), drum: null, words: `note ${value}` }
    if (kind === 2)
      return {
        ...own,
        kind: 'weatherNoted',
        room: null,
        samples: [{ at: at(day), celsius: off ? null : value / 2, humidityPercent: value }],
      }
    return {
      ...own,
      kind: 'filmNoted',
      film: `f${thing}`,
      name: `film ${value}`,
      diameterInches: 12,
      side: null,
      head: tom.batter,
    }
  })

test('what a diary says does not depend on the order in which it came in', () => {
  fc.assert(
    fc.property(anyDiary, fc.infiniteStream(fc.integer({ min: 0, max: 1000 })), (all, chance) => {
      const events = diaryEvents(all)
      const shuffled = [...events].sort(() => (chance.next().value ?? 0) - 500)
      const plain = (diary: ReturnType<typeof withDiaryEvent>) => ({
        ...diary,
        air: [...diary.air].sort((a, b) => a[0] - b[0]),
        box: [...diary.box].sort((a, b) => a[0].localeCompare(b[0])),
      })
      expect(plain(shuffled.reduce(withDiaryEvent, EMPTY_DIARY))).toEqual(
        plain(events.reduce(withDiaryEvent, EMPTY_DIARY)),
      )
    }),
  )
})

test('each of these events is one that the log takes', () => {
  for (const event of [
    gig(0),
    ...diaryEvents(
      [0, 1, 2, 3].map((kind) => ({ kind, thing: 1, day: 2, written: 3, value: 40, off: false })),
    ),
  ])
    expect(eventSchema.parse(event)).toEqual(event)
})

test('an act that is taken back leaves the kit as if it had never been, also what is kept in short', () => {
  const acts = [
    () => [gig(3)],
    () => readHead(2, 150),
    () => [turned(4, 0.1), ...readHead(4, 156)],
    () => [fitted(5)],
    () => [fitted(5, 'box-1'), ...readHead(6, 140)],
    () => [{ ...base(6), kind: 'dayNoted', on: at(6), drum: null, words: 'damp' } as HumbraEvent],
  ]
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: acts.length - 1 }), { maxLength: 8 }),
      fc.nat(),
      (which, back) => {
        const done = which.map((i) => acts[i]())
        const undone = done[back % Math.max(1, done.length)] ?? []
        const withdrawals = [...undone]
          .reverse()
          .map((event): HumbraEvent => ({ ...base(20), kind: 'withdrawn', event: event.id }))
        const log = [...made(), ...done.flat(), ...withdrawals]
        const step = (state: ReturnType<typeof newKitLog>, event: HumbraEvent) => withEvents(state, [event])!
        const stepwise = log.reduce(step, newKitLog('k')).kit!
        const never = kitOf(log.filter((event) => !undone.includes(event) && event.kind !== 'withdrawn'))
        expect(packed(stepwise, lugsThen)).toEqual(packed(never, lugsThen))
      },
    ),
    { numRuns: 40 },
  )
})

test('a sitting in short: as it was found, as it was left, and what was turned; the newest one as it stands', () => {
  const kit = kitOf([
    ...made(),
    ...readHead(0, 150),
    turned(0, 0.125),
    ...readHead(0, 158),
    ...readHead(4, 157),
  ])
  const history = historyOf(headLog(kit, 't', 'batter', false), 6)
  expect(history.map(({ found, left }) => [found?.hz, left?.hz].map((hz) => hz && Math.round(hz)))).toEqual([
    [150, 158],
    [157, 157],
  ])
  expect(history[0].turns).toEqual(new Array(6).fill(0.125))
  expect(history[1].turns).toBeNull()
  const unread = kitOf([...made(), ...readHead(0, 150), turned(0, 0.125)])
  expect(historyOf(headLog(unread, 't', 'batter', false), 6)[0].left).toBeNull()
})

test('one lug far off is no head that is higher: the mean is that of all lugs', () => {
  const own = readHead(0, 150).map((event) =>
    event.kind === 'readingTaken' && event.lug === 2 ? { ...event, hz: 156 } : event,
  )
  const [past] = historyOf(headLog(kitOf([...made(), ...own]), 't', 'batter', false), 6)
  // (5 x 150 + 156) / 6 by hand, in the logarithm.
  expect(past.found!.hz).toBeCloseTo(150.98, 1)
  expect(Math.hypot(past.found!.cosineCents, past.found!.sineCents)).toBeGreaterThan(10)
})

test('a head keeps its history when it goes to another drum and back; its age counts what was played on it', () => {
  const kit = kitOf([
    ...made(),
    fitted(0, 'mine'),
    {
      ...base(0),
      kind: 'filmNoted',
      film: 'mine',
      name: 'old faithful',
      diameterInches: 12,
      side: null,
      head: { ...tom.batter, fittedOn: at(0).slice(0, 10) },
    },
    ...readHead(1, 150),
    gig(2),
    gig(3, { minutes: 60 }),
    ...readHead(4, 149),
    fitted(5, 'mine', 'r'),
    ...readHead(6, 150, 'r'),
    gig(7, { what: 'rehearsal', minutes: null }),
    fitted(8, 'mine', 't'),
    ...readHead(9, 151),
    gig(10, { cancelled: true }),
  ])
  const now = START + 14 * DAY
  const film = filmAges(kit, false, now).find(({ id }) => id === 'mine')!
  expect(film).toMatchObject({ name: 'old faithful', on: { drum: { id: 't' }, side: 'batter' } })
  expect(film.weeks).toBeCloseTo(2, 0)
  expect(film).toMatchObject({ sittings: 4, gigs: 2, plays: 3, minutes: 150 })
  expect(film.stints.map(({ drum }) => drum.id).sort()).toEqual(['r', 't', 't'])
  // The other drum has no head that anybody knows of: it is not this one.
  expect(
    filmAges(kit, false, now).some(
      ({ id, on }) => on?.drum.id === 'r' && on.side === 'batter' && id !== 'mine',
    ),
  ).toBe(true)
  expect(playsOn(kit, headLog(kit, 't', 'batter', false), kit.drums[0], 'batter', now)).toBe(3)
  // What the film taught goes with it.
  expect(headLog(kit, 't', 'batter', false).older.length).toBeGreaterThan(0)
  expect(sparesFor(kit, kit.drums[0], 'batter')).toEqual([])
})

test('a head that is worn says why; one with a spare in the box need not be bought', () => {
  const sittings = Array.from({ length: 8 }, (_, i) => [
    ...readHead(3 * i, 150),
    turned(3 * i, 0.1),
    // A turn does less and less: 3,000 Hz^2 at first, a third of that in the end.
    ...readHead(3 * i, Math.sqrt(150 ** 2 + (i < 4 ? 3000 : 1000))),
  ]).flat()
  const worn = kitOf([...made(), fitted(-0.5), ...sittings])
  const now = START + 25 * DAY
  const own = (kit: KitState) =>
    filmAges(kit, false, now).find(({ on }) => on?.drum.id === 't' && on.side === 'batter')!
  const condition = conditionOf(worn, own(worn), now)
  expect(condition.reasons.find(({ why }) => why === 'law-fell')).toMatchObject({
    part: expect.closeTo(1 / 3, 1),
  })
  expect(condition).toMatchObject({ worn: true, buy: true })
  const spare: HumbraEvent = {
    ...base(1),
    kind: 'filmNoted',
    film: 's',
    name: 'spare',
    diameterInches: 12,
    side: 'batter',
    head: tom.batter,
  }
  const with_ = kitOf([...made(), fitted(-0.5), ...sittings, spare])
  expect(conditionOf(with_, own(with_), now)).toMatchObject({ worn: true, buy: false })
  const fresh = kitOf([...made(), ...readHead(0, 150)])
  expect(conditionOf(fresh, own(fresh), now)).toEqual({ reasons: [], worn: false, buy: false })
})

test('diary, heads in short and the shelf go through a summary, and through a database that was lost', () => {
  const log = [
    ...made(),
    gig(1),
    ...readHead(2, 150),
    fitted(3, 'mine'),
    ...readHead(4, 151),
    gig(-1),
    ...diaryEvents([{ kind: 2, thing: 0, day: 1, written: 1, value: 44, off: false }]),
  ]
  const kit = kitOf(log)
  const folded = { ...newKitLog('k'), base: kit, baseEnd: log.at(-1)!, baseCount: log.length, kit }
  const again = logOfSummary(structuredClone(summaryOf(folded, 9, lugsThen)!))!.kit!
  expect(packed(again, lugsThen)).toEqual(packed(kit, lugsThen))
  let next = 0
  const retold = restated(kit, () => `n${next++}`)
  for (const event of retold) expect(eventSchema.parse(event)).toEqual(event)
  const [told] = kitsFromLog(retold)
  expect(told.diary.occasions).toEqual(kit.diary.occasions)
  expect([...told.diary.air]).toEqual([...kit.diary.air])
})
