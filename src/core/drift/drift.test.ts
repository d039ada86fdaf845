import fc from 'fast-check'
import { EMPTY_DIARY, withDiaryEvent, type Diary } from '../log/diary'
import type { PastSitting, Reading } from '../log/history'
import type { DiaryEvent } from '../records/event'
import type { Drum } from '../records/kit'
import { usualDrum } from '../records/usualDrum'
import { shiftByCents } from '../units/pitch'
import { DAY_MS } from '../units/time'
import { AirKnown } from './air'
import { AGEING, ageingOf, ratesOf, settledBetween, standingAt, type Ageing } from './ageing'
import { fanOf, gammaAt, passageOf } from './forecast'
import { keptForecast } from './kept'
import { Plays } from './plays'
import { rodLosses, rodsToLock } from './rods'

const START = Date.UTC(2026, 2, 2, 12)
const at = (day: number) => new Date(START + day * DAY_MS).toISOString()
const base = { kit: 'k', schema: 9, source: 'hand' as const, algorithm: null }
let count = 0
const gig = (
  day: number,
  more: Partial<Extract<DiaryEvent, { kind: 'occasionNoted' }>> = {},
): DiaryEvent => ({
  ...{ ...base, id: `g${count++}`, at: at(day), kind: 'occasionNoted', occasion: `o${day}`, what: 'gig' },
  ...{ on: at(day), minutes: null, room: null, sheet: null, loadInAt: null, doorsAt: null, words: '' },
  ...more,
})
const air = (day: number, celsius: number | null, humidityPercent: number | null): DiaryEvent => ({
  ...{ ...base, id: `w${count++}`, at: at(day), kind: 'weatherNoted', room: null },
  samples: [{ at: at(day), celsius, humidityPercent }],
})
const diaryOf = (events: readonly DiaryEvent[]): Diary => events.reduce(withDiaryEvent, EMPTY_DIARY)

const snare = usualDrum('snare', 14, 's')
const reading = (cents: number, wave: Partial<Reading> = {}): Reading => ({
  ...{
    hz: shiftByCents(220, cents),
    errorCents: 0.8,
    cosineCents: 0,
    sineCents: 0,
    waveErrorCents: 1,
    lugs: 10,
  },
  ...wave,
})
const sat = (day: number, cents: number, more: Partial<PastSitting> = {}): PastSitting => ({
  ...{ from: at(day), to: at(day), film: null, found: reading(cents), left: reading(cents) },
  ...{ turns: null, presses: 0, by: 'typed' as const },
  ...more,
})

function ageing(
  history: readonly PastSitting[],
  diary: Diary,
  nowDay: number,
  drum: Drum = snare,
  newDay: number | null = -400,
): Ageing {
  const nowMs = START + nowDay * DAY_MS
  const newMs = newDay === null ? null : START + newDay * DAY_MS
  const days = { plays: new Plays(diary, nowMs), air: new AirKnown(diary.air) }
  return ageingOf(history, { drum, side: 'batter', newMs, ...days })!
}

const weeks = (each: (day: number) => number, days = 70) =>
  Array.from({ length: days / 3 }, (_, i) => sat(3 * i, each(3 * i)))

test('a head that falls only where it was played: the rods learn it, the film does not', () => {
  const gigs = Array.from({ length: 23 }, (_, i) => gig(3 * i + 1))
  const diary = diaryOf([...gigs, ...Array.from({ length: 70 }, (_, day) => air(day, 20, 50))])
  const { gig: learned } = ratesOf(
    ageing(
      weeks((day) => -2.4 * Math.floor((day + 1) / 3)),
      diary,
      69,
    ),
  )
  expect(Math.abs(learned.mean - 2.4)).toBeLessThan(0.35)
  expect(learned.sd).toBeLessThan(0.6)
  const calm = ratesOf(
    ageing(
      weeks(() => 0),
      diary,
      69,
    ),
  ).gig
  expect(calm.mean).toBeLessThan(0.35)
})

test('rods never tighten by themselves: a head that rises from gig to gig is laid to something else', () => {
  const gigs = Array.from({ length: 23 }, (_, i) => gig(3 * i + 1))
  const own = ageing(
    weeks((day) => 2 * Math.floor((day + 1) / 3)),
    diaryOf([...gigs, ...Array.from({ length: 70 }, (_, day) => air(day, 20, 50))]),
    69,
  )
  expect(ratesOf(own).gig.mean).toBe(0)
  expect(ratesOf(own).settling.mean).toBeGreaterThanOrEqual(0)
})

test('a head that follows the air: a degree and a percent have rates of their own, both ways', () => {
  const celsius = (day: number) => 20 + 5 * Math.sin(day / 4)
  const humidity = (day: number) => 50 + 15 * Math.cos(day / 5.3)
  const days = Array.from({ length: 70 }, (_, day) => air(day, celsius(day), humidity(day)))
  const follows = (day: number) => -1.5 * (celsius(day) - 20) + 0.4 * (humidity(day) - 50)
  const rates = ratesOf(ageing(weeks(follows), diaryOf([gig(-1), gig(200), ...days]), 69))
  expect(Math.abs(rates.celsius.mean + 1.5)).toBeLessThan(0.3)
  expect(Math.abs(rates.humidity.mean - 0.4)).toBeLessThan(0.1)
})

test('a new film settles with the logarithm of its days, and is not taken for loose rods', () => {
  const diary = diaryOf([gig(-1), gig(200), ...Array.from({ length: 30 }, (_, day) => air(day, 20, 50))])
  const sinks = (day: number) => -11 * Math.log((day + 0.4) / 0.4)
  const own = ageing(
    weeks(sinks, 24).map((each, i) => (i === 0 ? { ...each, from: at(0), to: at(0) } : each)),
    diary,
    24,
    snare,
    0,
  )
  expect(Math.abs(ratesOf(own).settling.mean - 11)).toBeLessThan(1)
  // What it still does in a week it did in a few hours when it was new.
  expect(
    settledBetween([{ ms: START, part: 1, aheadDays: 0 }], START + 21 * DAY_MS, START + 28 * DAY_MS),
  ).toBeCloseTo(Math.log(28.4 / 21.4), 6)
})

test('turning ends nothing that was learned, and a tuned head begins where it was left', () => {
  const history = [
    ...weeks(() => 0, 30),
    sat(30, -9, { left: reading(0.2), turns: new Array<number>(10).fill(0.02) }),
  ]
  const own = ageing(history, diaryOf([]), 30)
  expect(Math.abs(standingAt(own, START + 30 * DAY_MS).cents - 0.2)).toBeLessThan(0.6)
  expect(standingAt(own, START + 90 * DAY_MS).sd).toBeGreaterThan(standingAt(own, START + 33 * DAY_MS).sd)
})

test('turned and not read again: nobody knows where it stands', () => {
  const own = ageing(
    [sat(0, 0), sat(3, -9, { left: null, turns: new Array<number>(10).fill(0.02) })],
    diaryOf([]),
    3,
  )
  expect(standingAt(own, START + 3 * DAY_MS).sd).toBeGreaterThan(50)
})

test('locks on the rods nearest the player leave less to back off', () => {
  const locked = { ...snare, lockedRods: [5, 6, 7] }
  const bare = ageing([sat(0, 0)], diaryOf([]), 0)
  expect(ratesOf(ageing([sat(0, 0)], diaryOf([]), 0, locked)).gig.mean).toBeCloseTo(
    0.3 * ratesOf(bare).gig.mean,
    6,
  )
})

/** A head of which everything is known: it loses a cent at every gig, one a day, and nothing else moves it. */
function oneCentADay(): Ageing {
  const diary = diaryOf(Array.from({ length: 60 }, (_, i) => gig(i + 0.5)))
  const own = ageing([sat(0, 0)], diary, 0)
  const belief = { x: Float64Array.from([0, 0, 1, 0, 0]), p: new Float64Array(AGEING.length ** 2) }
  return { ...own, belief, pitch: { cents: 0, sd: 0 }, held: 1, scatter: 0 }
}

test('the day of leaving is that of a sum of Gamma steps: an inverse Gaussian law (Schroedinger 1915), skewed late', () => {
  const own = oneCentADay()
  const { fromMs, leavesMs, toMs, cause } = passageOf(own, { nowMs: START, middleCents: 0, halfCents: 12 })
  const day = (ms: number | null) => (ms! - START) / DAY_MS
  // Mean 12 days, variance 12 times that of a step, 2/3: the law has 8.66, 11.68 and 15.75 (scipy.stats.invgauss).
  expect(Math.abs(day(leavesMs) - 12.2)).toBeLessThan(1.2)
  expect(Math.abs(day(fromMs) - 9.2)).toBeLessThan(1.2)
  expect(Math.abs(day(toMs) - 16.3)).toBeLessThan(1.3)
  expect(day(toMs) - day(leavesMs)).toBeGreaterThanOrEqual(day(leavesMs) - day(fromMs))
  expect(cause).toBe('rods')
  const fan = fanOf(own, START, 20)
  expect(fan[10].p50).toBeLessThan(fan[5].p50)
  expect(Math.abs(fan[10].p50 + 10)).toBeLessThan(0.8)
})

test('what a gig takes: quantiles of the chi-squared law of three degrees, 6.251 and 0.584 (Abramowitz & Stegun, table 26.8)', () => {
  // A Gamma law of shape 1.5 is half of that; a mean gig is 1.5 of its units.
  expect(Math.abs(gammaAt(1.2816, 1) - 6.251 / 3)).toBeLessThan(0.03)
  expect(Math.abs(gammaAt(-1.2816, 1) - 0.584 / 3)).toBeLessThan(0.03)
})

test('air nobody measured is the season’s, between two days it is both of theirs, and surer the nearer they are', () => {
  const known = new AirKnown(diaryOf([air(0, 28, null), air(4, 24, null)]).air)
  const between = known.at(START + 2 * DAY_MS)
  expect(between.celsius).toBeGreaterThan(known.means.celsius)
  expect(between.celsiusSd).toBeLessThan(known.at(START + 12 * DAY_MS).celsiusSd)
  expect(known.at(START).celsius).toBeCloseTo(28, 6)
  expect(known.at(START + 300 * DAY_MS).celsius).toBeCloseTo(known.means.celsius, 3)
  expect(known.at(START).humiditySd).toBe(9)
})

test('gigs: counted where the diary is kept, guessed where it is silent, planned ones to come', () => {
  const plays = new Plays(diaryOf([gig(0), gig(2, { minutes: 240 }), gig(4), gig(30)]), START + 10 * DAY_MS)
  expect(plays.between(START - DAY_MS, START + 5 * DAY_MS)).toMatchObject({ known: 4, unknown: 0 })
  expect(plays.between(START + 5 * DAY_MS, START + 29 * DAY_MS)).toMatchObject({ known: 0, unknown: 0 })
  expect(plays.between(START + 31 * DAY_MS, START + 41 * DAY_MS).unknown).toBeGreaterThan(0.5)
  const none = new Plays(EMPTY_DIARY, START)
  expect(none.between(START, START + 8 * DAY_MS)).toMatchObject({ known: 0, unknown: 2 })
  const off = new Plays(diaryOf([gig(0), gig(1), gig(1, { cancelled: true, at: at(2) })]), START + 3 * DAY_MS)
  expect(off.held.length).toBe(1)
})

test('missing gigs or weather make the forecast no surer', () => {
  const fall = (day: number) => -0.8 * Math.floor((day + 1) / 3)
  const gigs = Array.from({ length: 40 }, (_, i) => gig(3 * i + 1))
  const days = Array.from({ length: 70 }, (_, day) => air(day, 20, 50))
  const sd = (events: DiaryEvent[]) =>
    standingAt(ageing(weeks(fall), diaryOf(events), 69), START + 90 * DAY_MS).sd
  const all = sd([...gigs, ...days])
  expect(sd([...days])).toBeGreaterThan(all)
  expect(sd([...gigs])).toBeGreaterThan(all)
})

test('no history makes a forecast that is no number', () => {
  const anySitting = fc.record({
    day: fc.integer({ min: 0, max: 400 }),
    cents: fc.integer({ min: -300, max: 300 }),
    turned: fc.boolean(),
    read: fc.boolean(),
    film: fc.constantFrom(null, 'a', 'b'),
  })
  fc.assert(
    fc.property(
      fc.array(anySitting, { maxLength: 25 }),
      fc.option(fc.integer({ min: -500, max: 0 })),
      (all, newDay) => {
        const history = all
          .sort((a, b) => a.day - b.day)
          .map(({ day, cents, turned, read, film }) => ({
            ...sat(day, cents),
            film,
            left: read ? reading(cents / 2) : null,
            turns: turned ? new Array<number>(10).fill(0.1) : null,
          }))
        const diary = diaryOf([gig(3), gig(9), gig(500), air(5, 25, 70)])
        const nowMs = START + 400 * DAY_MS
        const days = { plays: new Plays(diary, nowMs), air: new AirKnown(diary.air) }
        const own = ageingOf(history, {
          ...{ drum: snare, side: 'batter', ...days },
          newMs: newDay === null ? null : START + newDay * DAY_MS,
        })
        if (!own) return
        const { cents, sd } = standingAt(own, nowMs)
        expect(Number.isFinite(cents) && Number.isFinite(sd) && sd > 0).toBe(true)
        const passage = passageOf(own, { nowMs, middleCents: 0, halfCents: 8, horizonDays: 30 })
        expect(
          passage.fromMs === null || passage.leavesMs === null || passage.fromMs <= passage.leavesMs,
        ).toBe(true)
        expect(passage.leavesMs === null || passage.toMs === null || passage.leavesMs <= passage.toMs).toBe(
          true,
        )
        expect(ratesOf(own).gig.mean).toBeGreaterThanOrEqual(0)
      },
    ),
    { numRuns: 60 },
  )
})

test('pitch names the pair that backs off, never the side; locks are for the rod nearest the player', () => {
  const ninth = (day: number, cents: number) =>
    // Rods 3 and 8 of ten lie at 2 pi 2 / 10: twice the angle for the second pattern.
    sat(day, 0, {
      found: reading(0, {
        cosineCents: -cents * Math.cos(0.8 * Math.PI),
        sineCents: -cents * Math.sin(0.8 * Math.PI),
      }),
      left: reading(0),
      turns: new Array<number>(10).fill(0),
    })
  const losses = rodLosses(snare, [sat(0, 0), ninth(3, 10), ninth(6, 9), ninth(9, 11)], EMPTY_DIARY, 32_000)
  expect(losses[0].rods).toEqual([3, 8])
  expect(losses[0].by).toBe('pitch')
  // 10 cents of 220 Hz are 559 Hz^2: a 57th of a turn by the law; three times that.
  expect(losses[0].turns).toBeCloseTo((30 * 2 * 220 * 220) / 1731.2 / 32_000, 3)
  expect(rodsToLock(snare, losses)[0].rods).toEqual([3, 8])
  const locked = { ...snare, lockedRods: [3, 8] }
  const held = rodLosses(locked, [sat(0, 0), ninth(3, 10), ninth(6, 9), ninth(9, 11)], EMPTY_DIARY, 32_000)
  expect(rodsToLock(locked, held)).toEqual([])
  expect(
    rodsToLock(
      snare,
      rodLosses(
        snare,
        weeks(() => 0, 30),
        EMPTY_DIARY,
        32_000,
      ),
    ),
  ).toEqual([])
})

test('a gauge names the rod itself', () => {
  const dials = (rod: number, by: number) =>
    Array.from({ length: 10 }, (_, i) => (i + 1 === rod ? 70 - by : 70))
  const with_ = (day: number, found: number[], left: number[]) => sat(day, 0, { dials: { found, left } })
  const losses = rodLosses(
    snare,
    [
      with_(0, dials(7, 0), dials(7, 0)),
      with_(3, dials(7, 6), dials(7, 0)),
      with_(6, dials(7, 5), dials(7, 0)),
    ],
    EMPTY_DIARY,
    32_000,
  )
  expect(losses[0]).toMatchObject({ rods: [7], by: 'gauge' })
  expect(losses[0].turns).toBeCloseTo(11, 6)
})

test('a forecast is kept by a reading that lies in it, and broken by one that does not', () => {
  const history = [...weeks(() => 0, 40), sat(42, -1), sat(45, -14)]
  const nowMs = START + 45 * DAY_MS
  const days = { plays: new Plays(EMPTY_DIARY, nowMs), air: new AirKnown(EMPTY_DIARY.air) }
  const at = (i: number) => keptForecast(history, i, { drum: snare, side: 'batter', newMs: null, ...days })
  expect(at(0)).toBeNull()
  expect(at(history.length - 2)).toMatchObject({ kept: true })
  expect(at(history.length - 1)).toMatchObject({ kept: false })
  expect(at(history.length - 1)!.cents).toBeLessThan(-9)
  // Behind turns without a reading nothing was foreseen.
  const turned = [...history.slice(0, 3), sat(9, 0, { left: null, turns: [0.1] }), sat(12, 0)]
  expect(keptForecast(turned, 4, { drum: snare, side: 'batter', newMs: null, ...days })).toBeNull()
})
