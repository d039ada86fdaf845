import { DAY_MS } from '../units/time'
import { nearRods } from '../kit/uneven'
import type { PastSitting, Reading } from '../log/history'
import { meanTurn } from '../log/history'
import { observed, varianceOf, type Gaussian } from '../numeric/gaussian'
import type { Drum, Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { AIR_AHEAD, REFERENCE_AIR, type AirKnown } from './air'
import type { Played, Plays } from './plays'

/**
 * How a head's mean pitch moves while nobody turns it, from three causes with rates of their own: its film settles with the
 * logarithm of time, its rods back off a little at every gig and never tighten, and film and shell answer to the air both ways. The
 * rates begin as priors and are learned from what the head's own sittings found and left, by a Kalman filter over
 * `AGEING` numbers (Kalman 1960; Harvey 1989, *Forecasting, Structural Time Series Models and the Kalman Filter*, chapter 3).
 */
export const AGEING = ['level', 'settling', 'rods', 'celsius', 'humidity'] as const
const SIZE = AGEING.length
const [LEVEL, SETTLING, RODS, CELSIUS, HUMIDITY] = [0, 1, 2, 3, 4]

/** What is known of a head beside its readings. */
export interface HeadDays {
  drum: Drum
  side: Side
  /** When the film that is on was new; null where nobody knows. */
  newMs: number | null
  plays: Plays
  air: AirKnown
}

/** A head as it is believed to age. */
export interface Ageing extends HeadDays {
  /** Of level (cents from `referenceHz`, at 20 degrees and 50 percent), cents lost for a factor e of time, cents lost at a gig, cents for a degree, cents for a percent. */
  belief: Gaussian
  referenceHz: number
  /** Moment of the belief: of the newest reading. */
  atMs: number
  /** Cents from `referenceHz` as read then. */
  readCents: number
  /** Pitch then, of the reading and of what was expected of it; wide where it was turned since. */
  pitch: { cents: number; sd: number }
  /** Times at which the film was pulled up, each with its part of a film from new. */
  pulls: readonly Pull[]
  /** Rods of this head that back off less for their locks: factor on what a gig takes. */
  held: number
  /** Readings behind it. */
  readings: number
  /** By what its readings scatter beside what was expected: 1 as the priors have it, less for a calm head. */
  scatter: number
}

interface Pull {
  ms: number
  part: number
  /** Days by which pressing and playing put its settling ahead. */
  aheadDays: number
}

/** Priors by common practice, no source: cents for a factor e of days, cents a gig, cents a degree and a percent. */
const PRIOR = {
  settling: { mean: 8, sd: 5 },
  celsius: { mean: -0.6, sd: 0.9 },
  humidity: { mean: -0.15, sd: 0.3 },
}
const GIG_CENTS: Record<Drum['kind'], number> = { snare: 1.5, tom: 0.9, 'floor-tom': 0.8, kick: 0.6 }
const SIDE_PART = { batter: 1, resonant: 0.4 }
const GIG_SD = 1.1
/** What neither cause explains, in cents for the root of a day. */
export const WANDERS = 0.35
/** Readings of the same head on two days differ by this beside their own errors (place of tap, hand, microphone), in cents. */
const OCCASION = 1
/** A pull of so many cents creeps as a film from new. */
const WHOLE_PULL = 600
const CREEP_FROM_DAYS = 0.4
/** A film of unknown age lies some months back. */
const OLD_DAYS = 120
/** Where a head was turned its level is as good as not known. */
const TURNED = 120
/** A lock takes this part of what backs off (a judgement: it drifts less). */
const LOCK_HOLDS = 0.7

/** What a gig takes, scattered as a Gamma law of this shape: mostly little, now and then much. */
export const GIG_SHAPE = 1.5

function priorOf({ drum, side }: HeadDays): { means: number[]; sds: number[] } {
  const gig = GIG_CENTS[drum.kind] * SIDE_PART[side]
  return {
    means: [0, PRIOR.settling.mean, gig, PRIOR.celsius.mean, PRIOR.humidity.mean],
    sds: [TURNED, PRIOR.settling.sd, GIG_SD * gig, PRIOR.celsius.sd, PRIOR.humidity.sd],
  }
}

/** The factor that locks leave of what backs off: by how many of the rods nearest the player carry one. */
function heldBy({ drum }: HeadDays): number {
  const near = nearRods(drum.lugs)
  const locked = near.filter((rod) => drum.lockedRods?.includes(rod + 1)).length
  return 1 - (LOCK_HOLDS * locked) / near.length
}

/** Logarithm of time gained by all that creeps, between two moments. */
export function settledBetween(pulls: readonly Pull[], fromMs: number, toMs: number): number {
  return pulls.reduce((sum, { ms, part, aheadDays }) => {
    const age = (at: number) => Math.max(0, (at - ms) / DAY_MS) + CREEP_FROM_DAYS + aheadDays
    return sum + part * Math.log(age(toMs) / age(fromMs))
  }, 0)
}

/** Learns how a head ages from its history. @returns null for a head without a reading */
export function ageingOf(history: readonly PastSitting[], days: HeadDays): Ageing | null {
  const first = history.find(({ found, left }) => found ?? left)
  if (!first) return null
  const filter = new AgeingFilter(days, (first.found ?? first.left)!.hz, Date.parse(first.from))
  for (const past of history) filter.take(past)
  return filter.end()
}

class AgeingFilter {
  #belief: Gaussian
  #atMs: number
  #readCents = 0
  #pitch = { cents: 0, sd: TURNED }
  #readings = 0
  #surprise = SURPRISE_WORTH
  #film: string | null | undefined
  #pulls: Pull[] = []
  readonly #prior: ReturnType<typeof priorOf>
  readonly #held: number

  constructor(
    private readonly days: HeadDays,
    private readonly referenceHz: number,
    startMs: number,
  ) {
    this.#prior = priorOf(days)
    this.#held = heldBy(days)
    this.#atMs = startMs
    const p = new Float64Array(SIZE * SIZE)
    this.#prior.sds.forEach((sd, i) => (p[i * SIZE + i] = sd ** 2))
    this.#belief = { x: Float64Array.from(this.#prior.means), p }
  }

  take(past: PastSitting): void {
    const [fromMs, toMs] = [Date.parse(past.from), Date.parse(past.to)]
    if (past.film !== this.#film) this.#newFilm(past, fromMs)
    const cents = (reading: Reading) => centsBetween(this.referenceHz, reading.hz)
    const turned = past.turns !== null
    // Without turns what was read first and last is one and the same.
    if (past.found && turned) this.#read(past.found, fromMs)
    if (turned) {
      this.#moveTo(toMs)
      this.#widen(LEVEL, TURNED)
      this.#pitch = { cents: this.#readCents, sd: TURNED }
      const up = past.found && past.left ? cents(past.left) - cents(past.found) : 300 * meanTurn(past)
      if (up > 0) {
        const part = Math.min(1, up / WHOLE_PULL)
        this.#pulls = [...this.#pulls, { ms: toMs, part, aheadDays: ahead(past) }].slice(-PULLS_KEPT)
      }
    }
    const newest = past.left ?? (turned ? null : past.found)
    if (newest) this.#read(newest, toMs)
  }

  end(): Ageing {
    return {
      ...this.days,
      ...{ belief: this.#belief, referenceHz: this.referenceHz, atMs: this.#atMs },
      ...{ readCents: this.#readCents, pitch: this.#pitch, pulls: this.#pulls },
      ...{ held: this.#held, readings: this.#readings },
      scatter: Math.sqrt(this.#surprise / (SURPRISE_WORTH + this.#readings)),
    }
  }

  /** Another film: it settles anew and answers to the air in its own way; rods and shell are what they were. */
  #newFilm({ film, presses }: PastSitting, fromMs: number): void {
    const first = this.#film === undefined
    this.#film = film
    const { newMs } = this.days
    const isNew = !first || (newMs !== null && newMs <= fromMs)
    const ms = first ? (isNew ? newMs! : fromMs - OLD_DAYS * DAY_MS) : fromMs
    this.#pulls = [{ ms, part: 1, aheadDays: 0.2 * Math.min(3, presses) }]
    if (first) return
    this.#moveTo(fromMs)
    this.#reset(SETTLING)
    this.#widen(LEVEL, TURNED)
    this.#widen(CELSIUS, 0.5 * this.#prior.sds[CELSIUS])
    this.#widen(HUMIDITY, 0.5 * this.#prior.sds[HUMIDITY])
  }

  #moveTo(ms: number): void {
    if (ms <= this.#atMs) return
    const step = stepOf(this.#belief, this.#held, {
      settled: settledBetween(this.#pulls, this.#atMs, ms),
      played: this.days.plays.between(this.#atMs, ms),
      days: (ms - this.#atMs) / DAY_MS,
    })
    this.#belief = moved(this.#belief, step)
    this.#atMs = ms
  }

  #read(reading: Reading, ms: number): void {
    this.#moveTo(ms)
    const value = centsBetween(this.referenceHz, reading.hz)
    const { row, variance } = airRow(this.#belief, this.days.air, ms)
    const expected = row.reduce((sum, each, i) => sum + each * this.#belief.x[i], 0)
    const before = varianceOf(this.#belief, row) + variance
    const error = reading.errorCents ** 2 + OCCASION ** 2
    const gain = before / (before + error)
    // The first reading of a level that nobody knew is no surprise.
    if (this.#pitch.sd < TURNED)
      this.#surprise += Math.min(SURPRISE_MOST, (value - expected) ** 2 / (before + error))
    else this.#surprise++
    this.#pitch = { cents: expected + gain * (value - expected), sd: Math.sqrt((1 - gain) * before) }
    this.#belief = observed(this.#belief, row, value, variance + error)
    // Rods never tighten by themselves, and no film rises as it settles.
    for (const rate of [SETTLING, RODS]) this.#belief.x[rate] = Math.max(0, this.#belief.x[rate])
    this.#readCents = value
    this.#readings++
  }

  #widen(at: number, sd: number): void {
    const p = this.#belief.p.slice()
    p[at * SIZE + at] += sd ** 2
    this.#belief = { ...this.#belief, p }
  }

  #reset(at: number): void {
    const { x, p } = { x: this.#belief.x.slice(), p: this.#belief.p.slice() }
    x[at] = this.#prior.means[at]
    for (let i = 0; i < SIZE; i++) p[at * SIZE + i] = p[i * SIZE + at] = 0
    p[at * SIZE + at] = this.#prior.sds[at] ** 2
    this.#belief = { x, p }
  }
}

const PULLS_KEPT = 6
const ahead = ({ presses }: PastSitting) => 0.2 * Math.min(3, presses)

/** The priors of what scatters are worth so many readings; one reading is no more than so many times surprising. */
const SURPRISE_WORTH = 6
const SURPRISE_MOST = 9

interface Step {
  settled: number
  gigs: number
  variance: number
}

/** How the level moves in a span: by the rates, and by what scatters. */
function stepOf(
  { x, p }: Gaussian,
  held: number,
  { settled, played, days }: { settled: number; played: Played; days: number },
): Step {
  const gig2 = x[RODS] ** 2 + p[RODS * SIZE + RODS]
  const gigs = played.known + played.unknown
  return {
    settled,
    gigs: held * gigs,
    variance: held ** 2 * gig2 * (gigs / GIG_SHAPE + played.unknownVariance) + WANDERS ** 2 * days,
  }
}

function moved({ x, p }: Gaussian, { settled, gigs, variance }: Step): Gaussian {
  const row = [1, -settled, -gigs, 0, 0]
  const next = { x: x.slice(), p: p.slice() }
  next.x[LEVEL] = row.reduce((sum, each, i) => sum + each * x[i], 0)
  const cross = Array.from({ length: SIZE }, (_, j) =>
    row.reduce((sum, each, i) => sum + each * p[i * SIZE + j], 0),
  )
  for (let j = 1; j < SIZE; j++) next.p[j] = next.p[j * SIZE] = cross[j]
  next.p[0] = varianceOf({ x, p }, row) + variance
  return next
}

/** How a pitch shows the level in the air of a moment, and what of that air is not known. */
function airRow({ x, p }: Gaussian, air: AirKnown, ms: number): { row: number[]; variance: number } {
  const { celsius, celsiusSd, humidity, humiditySd } = air.at(ms)
  const square = (at: number) => x[at] ** 2 + p[at * SIZE + at]
  return {
    row: [1, 0, 0, celsius - REFERENCE_AIR.celsius, humidity - REFERENCE_AIR.humidity],
    variance: square(CELSIUS) * celsiusSd ** 2 + square(HUMIDITY) * humiditySd ** 2,
  }
}

/**
 * Where a head is believed to stand at a moment, cents from `referenceHz`, with one standard deviation; later than its reading. The
 * pitch itself was read: only what moved since adds to its error.
 */
export function standingAt(ageing: Ageing, ms: number): { cents: number; sd: number } {
  const { belief, plays, pulls, atMs, held, air, pitch, scatter } = ageing
  const toMs = Math.max(ms, atMs)
  const days = (toMs - atMs) / DAY_MS
  const step = stepOf(belief, held, {
    ...{ days, settled: settledBetween(pulls, atMs, toMs), played: plays.between(atMs, toMs) },
  })
  const change = airChange(air, atMs, toMs)
  const row = [0, -step.settled, -step.gigs, change.celsius, change.humidity]
  const square = (at: number) => belief.x[at] ** 2 + belief.p[at * SIZE + at]
  const weather = square(CELSIUS) * change.celsiusVariance + square(HUMIDITY) * change.humidityVariance
  return {
    cents: pitch.cents + row.reduce((sum, each, i) => sum + each * belief.x[i], 0),
    sd: Math.sqrt(pitch.sd ** 2 + varianceOf(belief, row) + scatter ** 2 * (step.variance + weather)),
  }
}

/** How the air changed between two moments; where neither was measured it is hardly another after an hour. */
function airChange(air: AirKnown, fromMs: number, toMs: number) {
  const [from, to] = [air.at(fromMs), air.at(toMs)]
  const moved = 2 * (1 - AIR_AHEAD.keptADay ** ((toMs - fromMs) / DAY_MS))
  const variance = (a: number, b: number, sd: number) => Math.min(a * a + b * b, moved * sd * sd)
  return {
    celsius: to.celsius - from.celsius,
    humidity: to.humidity - from.humidity,
    celsiusVariance: variance(from.celsiusSd, to.celsiusSd, AIR_AHEAD.celsiusSd),
    humidityVariance: variance(from.humiditySd, to.humiditySd, AIR_AHEAD.humiditySd),
  }
}

/** The rates of a head's causes with one standard deviation each: cents for a factor e of days, a gig, a degree, a percent. */
export function ratesOf({ belief: { x, p }, held }: Ageing) {
  const rate = (at: number, factor = 1) => ({
    mean: factor * x[at],
    sd: factor * Math.sqrt(Math.max(0, p[at * SIZE + at])),
  })
  return {
    settling: rate(SETTLING),
    gig: rate(RODS, held),
    celsius: rate(CELSIUS),
    humidity: rate(HUMIDITY),
  }
}
