import { AirKnown } from '@/core/drift/air'
import { ageingOf } from '@/core/drift/ageing'
import { HORIZON_DAYS, passageOf } from '@/core/drift/forecast'
import { Plays } from '@/core/drift/plays'
import { EMPTY_DIARY, withDiaryEvent, type Diary } from '@/core/log/diary'
import type { PastSitting, Reading } from '@/core/log/history'
import { seededRandom, type Random } from '@/core/numeric/random'
import type { DiaryEvent } from '@/core/records/event'
import type { Drum, Side } from '@/core/records/kit'
import { usualDrum } from '@/core/records/usualDrum'
import { shiftByCents } from '@/core/units/pitch'
import { DAY_MS } from '@/core/units/time'
import { median, printTable } from './stats'

/**
 * Heads that age by laws of their own, not those of the forecast: settling has its own onset, what gigs take is a mix of nothing,
 * little and knocks, air swings with the season and acts two days late, and the rest wanders with heavy tails.
 */
interface MadeHead {
  seed: number
  drum: Drum
  side: Side
  history: PastSitting[]
  diary: Diary
  newMs: number
  nowMs: number
  targetHz: number
  halfCents: number
  /** Days from now until it is first out of the band; beyond the horizon: Infinity. */
  trueDays: number
  /** For the simple ways: cents from the target as read on days of the history, and the turns between them. */
  read: Array<{ day: number; cents: number; sinceTurn: boolean }>
  dense: boolean
}

interface Kept {
  gigs: boolean
  weather: boolean
}

const ALL: Kept = { gigs: true, weather: true }
const START_MS = Date.UTC(2026, 0, 5, 12)
const KINDS = [
  ['snare', 14, 220],
  ['tom', 12, 150],
  ['tom', 10, 190],
  ['floor-tom', 16, 95],
  ['kick', 22, 62],
] as const

const lognormal = (random: Random, middle: number, sigma: number) =>
  middle * Math.exp(sigma * random.normal())

interface Nature {
  sinks: number
  onset: number
  gig: number
  perDegree: number
  perPercent: number
  wanders: number
}

function natureOf(random: Random, side: Side): Nature {
  return {
    sinks: lognormal(random, 6, 0.5),
    onset: lognormal(random, 0.7, 0.5),
    gig: lognormal(random, side === 'batter' ? 0.9 : 0.35, 0.6),
    perDegree: -0.6 + 0.7 * random.normal(),
    perPercent: -0.15 + 0.2 * random.normal(),
    wanders: lognormal(random, 0.3, 0.4),
  }
}

/** What one gig takes: often hardly anything, mostly a little, now and then a knock. */
function takenBy(random: Random, gig: number): number {
  const kind = random.uniform()
  if (kind < 0.15) return 0
  return kind > 0.95 ? gig * (2 + 3 * random.uniform()) : lognormal(random, 0.85 * gig, 0.6)
}

/** Air by day: a season, and days that resemble the one before. */
function airOf(random: Random, days: number) {
  const phase = 2 * Math.PI * random.uniform()
  let [celsius, humidity] = [0, 0]
  return Array.from({ length: days }, (_, day) => {
    celsius = 0.8 * celsius + 1.1 * random.normal()
    humidity = 0.8 * humidity + 4 * random.normal()
    const season = Math.sin((2 * Math.PI * day) / 365 + phase)
    return { celsius: 20.5 + 2 * season + celsius, humidity: 50 - 6 * season + humidity }
  })
}

export function madeHead(seed: number, kept: Kept = ALL): MadeHead {
  const random = seededRandom(seed * 31 + 7)
  const [kind, inches, hz] = KINDS[seed % KINDS.length]
  const drum = usualDrum(kind, inches, 'd')
  const side: Side = Math.floor(seed / 5) % 2 ? 'resonant' : 'batter'
  const targetHz = hz * Math.exp(0.05 * random.normal())
  const dense = seed % 3 !== 0
  const length = Math.round(50 + 130 * random.uniform())
  const total = length + HORIZON_DAYS + 2
  const halfCents = 5 + 6 * random.uniform()
  const often = 0.05 + 0.5 * random.uniform()
  const air = airOf(random, total)
  const gigs = Array.from({ length: total }, () => random.uniform() < often)
  const changes = new Set(seed % 4 === 0 ? [Math.round(length * (0.3 + 0.6 * random.uniform()))] : [])
  const wasNew = seed % 5 === 1 ? 0 : -Math.round(30 + 200 * random.uniform())
  let nature = natureOf(random, side)
  let newDay = wasNew
  let level = 2 * random.normal()
  let lag = air[0]
  const centsOf = () =>
    level + nature.perDegree * (lag.celsius - 20.5) + nature.perPercent * (lag.humidity - 50)
  const history: PastSitting[] = []
  const read: MadeHead['read'] = []
  let film: string | null = null
  let next = 0
  let trueDays = Infinity
  let sinceTurn = false
  let lastRead = 0
  const step = (day: number) => {
    const age = (at: number) => Math.max(0, at - newDay) + nature.onset
    level -= nature.sinks * Math.log(age(day) / age(day - 1))
    if (gigs[day]) level -= takenBy(random, nature.gig)
    const tail = random.uniform() < 0.04 ? 3 : 1
    level += nature.wanders * tail * random.normal()
    lag = {
      celsius: 0.5 * lag.celsius + 0.5 * air[day].celsius,
      humidity: 0.6 * lag.humidity + 0.4 * air[day].humidity,
    }
  }
  for (let day = 0; day <= length; day++) {
    if (day > 0) step(day)
    if (changes.has(day)) {
      film = `film-${day}`
      newDay = day
      const { gig } = nature
      nature = { ...natureOf(random, side), gig }
      level = -60
      next = day
    }
    if (day < next && day < length) continue
    next = day + Math.max(1, Math.round((dense ? 3 : 14) * (0.4 + 1.2 * random.uniform())))
    const at = (hours: number) => new Date(START_MS + day * DAY_MS + hours * 3_600_000).toISOString()
    const found = centsOf() + 1.2 * random.normal()
    const turn = Math.abs(found) > halfCents * (0.75 + 0.5 * random.uniform()) || day === 0
    if (turn) level += -found + 1.3 * random.normal()
    const left = turn ? centsOf() + 1.2 * random.normal() : found
    lastRead = day
    if (read.length) read.push({ day, cents: found, sinceTurn })
    sinceTurn = !turn
    if (turn) read.push({ day, cents: left, sinceTurn: false })
    else if (!read.length) read.push({ day, cents: found, sinceTurn: false })
    sinceTurn = true
    history.push({
      ...{ from: at(0), to: at(0.5), film, by: 'typed' as const },
      found: reading(targetHz, found),
      left: reading(targetHz, left),
      turns: turn ? new Array<number>(drum.lugs).fill(-found / 400) : null,
      presses: turn ? 1 : 0,
    })
  }
  for (let day = length; day < total; day++) {
    if (day > length) step(day)
    if (Math.abs(centsOf()) > halfCents) {
      trueDays = day - length
      break
    }
  }
  return {
    ...{ seed, drum, side, history, halfCents, targetHz, trueDays, read, dense },
    newMs: START_MS + newDay * DAY_MS,
    nowMs: START_MS + lastRead * DAY_MS + 3_600_000,
    diary: diaryOf(kept, gigs, air, length, seed),
  }
}

function reading(targetHz: number, cents: number): Reading {
  const hz = shiftByCents(targetHz, cents)
  return { hz, errorCents: 1.2, cosineCents: 0, sineCents: 0, waveErrorCents: 2, lugs: 6 }
}

/** What its owner wrote down: gigs with those planned for some weeks, the air on most days. */
function diaryOf(
  kept: Kept,
  gigs: readonly boolean[],
  air: ReturnType<typeof airOf>,
  now: number,
  seed: number,
): Diary {
  const at = (day: number) => new Date(START_MS + day * DAY_MS - 3_600_000).toISOString()
  const base = { kit: 'k', schema: 9, source: 'hand' as const, algorithm: null }
  const planned = now + (seed % 2 ? 21 : 0)
  const played = gigs.flatMap((is, day): DiaryEvent[] =>
    is && kept.gigs && day <= planned
      ? [
          {
            ...{ ...base, id: `g${day}`, at: at(0), kind: 'occasionNoted', occasion: `o${day}`, what: 'gig' },
            ...{
              on: at(day),
              minutes: null,
              room: null,
              sheet: null,
              loadInAt: null,
              doorsAt: null,
              words: '',
            },
          },
        ]
      : [],
  )
  const samples = air
    .slice(0, now + 1)
    .flatMap(({ celsius, humidity }, day) =>
      (day * 7 + seed) % 10 < 8 ? [{ at: at(day + 0.04), celsius, humidityPercent: humidity }] : [],
    )
  const weather: DiaryEvent[] = kept.weather
    ? [{ ...base, id: 'w', at: at(0), kind: 'weatherNoted', room: null, samples }]
    : []
  return [...played, ...weather].reduce(withDiaryEvent, EMPTY_DIARY)
}

const HEADS = 500
const SIMPLE = ['last reading kept', 'straight line', 'the year’s mean rate'] as const

/** A way that names a day, and what of it holds 80%: stretched so over all heads, which none of them could know beforehand. */
function simpleDays(head: MadeHead, way: (typeof SIMPLE)[number]): number {
  const now = head.read.at(-1)!
  const rate = way === 'straight line' ? lineOf(head) : meanRate(head)
  if (way === 'last reading kept' || Math.abs(rate) < 1e-6) return HORIZON_DAYS
  const room = rate > 0 ? head.halfCents - now.cents : head.halfCents + now.cents
  return Math.min(HORIZON_DAYS, Math.max(0.5, room / Math.abs(rate)))
}

function lineOf({ read }: MadeHead): number {
  const from = read.findLastIndex(({ sinceTurn }) => !sinceTurn)
  const since = read.slice(from)
  if (since.length < 2) return 0
  const [days, cents] = [since.map(({ day }) => day), since.map((each) => each.cents)]
  const mean = (all: number[]) => all.reduce((sum, each) => sum + each, 0) / all.length
  const [md, mc] = [mean(days), mean(cents)]
  const top = days.reduce((sum, day, i) => sum + (day - md) * (cents[i] - mc), 0)
  return top / (days.reduce((sum, day) => sum + (day - md) ** 2, 0) || 1)
}

function meanRate({ read }: MadeHead): number {
  let [cents, days] = [0, 0]
  read.forEach((each, i) => {
    if (i === 0 || !each.sinceTurn) return
    cents += each.cents - read[i - 1].cents
    days += each.day - read[i - 1].day
  })
  return days ? cents / days : 0
}

const capped = (days: number | null) => Math.min(HORIZON_DAYS, days ?? HORIZON_DAYS)

export interface Ranged {
  from: number
  to: number
  truth: number
}

export function forecastHead(head: MadeHead): Ranged {
  const { drum, side, newMs, nowMs, diary, history, targetHz, halfCents, trueDays } = head
  const days = { plays: new Plays(diary, nowMs), air: new AirKnown(diary.air) }
  const ageing = ageingOf(history, { drum, side, newMs, ...days })!
  const middleCents = 1200 * Math.log2(targetHz / ageing.referenceHz)
  const { fromMs, toMs } = passageOf(ageing, { nowMs, middleCents, halfCents })
  const inDays = (ms: number | null) => capped(ms === null ? null : (ms - nowMs) / DAY_MS)
  return { from: inDays(fromMs), to: inDays(toMs), truth: capped(trueDays) }
}

export const held = (all: readonly Ranged[]) =>
  all.filter(({ from, to, truth }) => truth >= from && truth <= to).length / all.length
const meanWidth = (all: readonly Ranged[]) =>
  all.reduce((sum, { from, to }) => sum + to - from, 0) / all.length

const medianWidth = (all: readonly Ranged[]) => median(all.map(({ from, to }) => to - from))

function simpleRanges(heads: readonly MadeHead[], way: (typeof SIMPLE)[number]): Ranged[] {
  const ratios = heads.map((head) => capped(head.trueDays) / simpleDays(head, way)).sort((a, b) => a - b)
  const [low, high] = [0.1, 0.9].map((part) => ratios[Math.floor(part * ratios.length)])
  return heads.map((head) => {
    const days = simpleDays(head, way)
    return { from: capped(low * days), to: capped(high * days), truth: capped(head.trueDays) }
  })
}

/** The day of leaving the band, of 500 made heads, beside three simple ways. */
export function benchAgeing(): void {
  const seeds = Array.from({ length: HEADS }, (_, i) => i)
  const heads = seeds.map((seed) => madeHead(seed)).filter(({ trueDays }) => trueDays > 0)
  const row = (name: string, all: readonly Ranged[]) => [
    name,
    String(all.length),
    `${(100 * held(all)).toFixed(0)}%`,
    meanWidth(all).toFixed(1),
    medianWidth(all).toFixed(1),
  ]
  const of = (kept: Kept) =>
    seeds
      .map((seed) => madeHead(seed, kept))
      .filter(({ trueDays }) => trueDays > 0)
      .map(forecastHead)
  const own = heads.map(forecastHead)
  const simple = SIMPLE.map((way) => simpleRanges(heads, way))
  printTable(
    'The day a head leaves its band: 80% ranges on made heads, horizon 180 days',
    ['way', 'heads', 'held', 'mean width, d', 'median width, d'],
    [
      row('three causes', own),
      ...SIMPLE.map((way, i) => row(`${way}, stretched to hold 80%`, simple[i])),
      row('three causes, dense readings', heads.filter(({ dense }) => dense).map(forecastHead)),
      row('three causes, sparse readings', heads.filter(({ dense }) => !dense).map(forecastHead)),
      row('three causes, gigs not noted', of({ gigs: false, weather: true })),
      row('three causes, weather not noted', of({ gigs: true, weather: false })),
      row('three causes, neither noted', of({ gigs: false, weather: false })),
    ],
  )
  const beside = (width: (all: readonly Ranged[]) => number) =>
    (width(own) / Math.min(...simple.map(width))).toFixed(2)
  console.log(`width beside the best simple way: mean ${beside(meanWidth)}, median ${beside(medianWidth)}`)
}
