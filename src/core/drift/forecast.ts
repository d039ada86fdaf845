import { DAY_MS } from '../units/time'
import { seededRandom } from '../numeric/random'
import { AIR_AHEAD, type Air } from './air'
import { AGEING, GIG_SHAPE, settledBetween, WANDERS, type Ageing } from './ageing'

/** Which of the three causes takes a head out of its band. */
export type DriftCause = 'settling' | 'rods' | 'weather'

/** The day on which a head first leaves its band, as its paths ahead tell. */
export interface Passage {
  /** Moments by which a tenth, a half and nine tenths of the paths have left; null where that lies beyond the horizon. */
  fromMs: number | null
  leavesMs: number | null
  toMs: number | null
  /** By what most of those that leave do; null where hardly any does. */
  cause: DriftCause | null
  /** Part of the paths that is out when it begins, and part that is out at the horizon. */
  outNow: number
  outAtEnd: number
  /** It was out of its band already when it was read last. */
  readOut: boolean
  /** Gigs noted between now and the day. */
  gigsBefore: number
}

/** Quantiles of where the head may stand on a day ahead, cents as the ageing counts them. */
export interface FanDay {
  ms: number
  p10: number
  p25: number
  p50: number
  p75: number
  p90: number
}

export interface PassageOptions {
  nowMs: number
  /** Middle of the band, as the ageing counts cents, and half its width. */
  middleCents: number
  halfCents: number
  /** Where the head was really left, where an estimate knows better than the mean of its readings: cents to add. */
  shiftCents?: number
  horizonDays?: number
}

const PATHS = 320
/** No day is named further ahead. */
export const HORIZON_DAYS = 180
const EARLIEST = 0.1
const LATEST = 0.9

/** Where a head may go, day by day: `PATHS` ways drawn from the belief, the same ones whenever the same is asked. */
class Paths {
  readonly days: number
  /** Cents by path, then by day from 0. */
  readonly cents: Float64Array
  private readonly causes: Float64Array

  constructor(ageing: Ageing, nowMs: number, days: number, shift: number) {
    this.days = days
    this.cents = new Float64Array(PATHS * (days + 1))
    this.causes = new Float64Array(PATHS * (days + 1) * 3)
    const ahead = daysAhead(ageing, nowMs, days)
    const root = rootOf(ageing.belief.p)
    const draw = new Draws()
    const air = { was: ageing.air.at(ageing.atMs), now: ageing.air.at(nowMs) }
    for (let path = 0; path < PATHS; path++) this.#walk(path, ageing, ahead, root, draw, air, shift)
  }

  #walk(
    path: number,
    ageing: Ageing,
    ahead: Ahead,
    root: Float64Array,
    draw: Draws,
    air: { was: Air; now: Air },
    shift: number,
  ): void {
    const { x } = ageing.belief
    const size = AGEING.length
    draw.begin(path)
    const z = Array.from({ length: size }, () => draw.normal())
    const [, settles, backsOff, perDegree, perPercent] = Array.from(x, (mean, i) => {
      let sum = mean
      for (let j = 0; j <= i; j++) sum += root[i * size + j] * z[j]
      return sum
    })
    const settling = Math.max(0, settles)
    const gig = Math.max(0, backsOff) * ageing.held
    const pitch = ageing.pitch.cents + ageing.pitch.sd * draw.normal() + shift
    const celsius = new AirWalk('celsius', ageing, air, ahead.spans[0], draw)
    const humidity = new AirWalk('humidity', ageing, air, ahead.spans[0], draw)
    const { rate, rateSd } = ageing.plays
    const often = Math.max(0, 1 + (rateSd / Math.max(rate, 0.01)) * draw.normal())
    let [sunk, backed, wandered] = [0, 0, 0]
    for (let day = 0; day <= this.days; day++) {
      sunk += settling * ahead.settled[day]
      backed += gig * draw.gigs(ahead.known[day], often * ahead.unknown[day])
      wandered += ageing.scatter * WANDERS * Math.sqrt(ahead.spans[day]) * draw.normal()
      if (day > 0) {
        celsius.step()
        humidity.step()
      }
      const weather = perDegree * celsius.change + perPercent * humidity.change
      const at = path * (this.days + 1) + day
      this.cents[at] = pitch - sunk - backed + wandered + weather
      this.causes[3 * at] = -sunk
      this.causes[3 * at + 1] = -backed
      this.causes[3 * at + 2] = weather
    }
  }

  /** First day on which a path is out of the band, and by what; null where it stays. */
  leaves(path: number, middle: number, half: number): { day: number; cause: DriftCause } | null {
    for (let day = 0; day <= this.days; day++) {
      const at = path * (this.days + 1) + day
      const off = this.cents[at] - middle
      if (Math.abs(off) <= half) continue
      const [settling, rods, weather] = [0, 1, 2].map((i) => this.causes[3 * at + i] * Math.sign(off))
      const most = Math.max(settling, rods, weather)
      return { day, cause: most === weather ? 'weather' : most === rods ? 'rods' : 'settling' }
    }
    return null
  }
}

/** The air on the way of one path: from what it was at the last reading, over what was measured now, and on by chance. */
class AirWalk {
  readonly #was: number
  #value: number
  readonly #mean: number
  readonly #sd: number

  constructor(
    what: 'celsius' | 'humidity',
    { air: known, scatter }: Ageing,
    air: { was: Air; now: Air },
    sinceDays: number,
    private readonly draw: Draws,
  ) {
    this.#sd = scatter * AIR_AHEAD[`${what}Sd`]
    this.#mean = known.means[what]
    this.#was = air.was[what] + air.was[`${what}Sd`] * draw.normal()
    const measured = air.now[`${what}Sd`] < 0.5 * AIR_AHEAD[`${what}Sd`]
    const kept = AIR_AHEAD.keptADay ** sinceDays
    this.#value = measured ? air.now[what] + air.now[`${what}Sd`] * draw.normal() : this.#next(kept)
    if (sinceDays < 0.05) this.#value = this.#was
  }

  /** Since the last reading. */
  get change(): number {
    return this.#value - this.#was
  }

  step(): void {
    this.#value = this.#next(AIR_AHEAD.keptADay)
  }

  #next(kept: number): number {
    const from = this.#value ?? this.#was
    return (
      this.#mean + kept * (from - this.#mean) + Math.sqrt(1 - kept * kept) * this.#sd * this.draw.normal()
    )
  }
}

interface Ahead {
  settled: number[]
  known: number[]
  unknown: number[]
  spans: number[]
}

/** What comes on each day ahead: the first step leads from the last reading to now. */
function daysAhead({ pulls, plays, atMs }: Ageing, nowMs: number, days: number): Ahead {
  const moments = [
    Math.min(atMs, nowMs),
    ...Array.from({ length: days + 1 }, (_, day) => nowMs + day * DAY_MS),
  ]
  const steps = moments.slice(1).map((to, i) => ({ from: moments[i], to }))
  const played = steps.map(({ from, to }) => plays.between(from, to))
  return {
    settled: steps.map(({ from, to }) => settledBetween(pulls, from, to)),
    known: played.map(({ known }) => known),
    unknown: played.map(({ unknown }) => unknown),
    spans: steps.map(({ from, to }) => (to - from) / DAY_MS),
  }
}

/** The first day out of the band. */
export function passageOf(ageing: Ageing, options: PassageOptions): Passage {
  const { nowMs, middleCents, halfCents, shiftCents = 0, horizonDays = HORIZON_DAYS } = options
  const paths = new Paths(ageing, nowMs, horizonDays, shiftCents)
  const left = Array.from({ length: PATHS }, (_, path) => paths.leaves(path, middleCents, halfCents))
  const days = left.map((each) => each?.day ?? Infinity).sort((a, b) => a - b)
  const quantile = (part: number) => {
    const day = days[Math.floor(part * PATHS)]
    return day === Infinity ? null : nowMs + day * DAY_MS
  }
  const leavesMs = quantile(0.5)
  const votes = { settling: 0, rods: 0, weather: 0 }
  for (const each of left) if (each) votes[each.cause]++
  const gone = days.filter((day) => day < Infinity).length
  const readOut = Math.abs(ageing.readCents + shiftCents - middleCents) > halfCents
  const cause = (Object.keys(votes) as DriftCause[]).reduce((a, b) => (votes[b] > votes[a] ? b : a))
  return {
    ...{ fromMs: quantile(EARLIEST), leavesMs, toMs: quantile(LATEST) },
    // What was read out of its band left it before, by whatever moved it then.
    cause: gone > PATHS * EARLIEST && !readOut ? cause : null,
    readOut,
    outNow: days.filter((day) => day === 0).length / PATHS,
    outAtEnd: gone / PATHS,
    gigsBefore:
      leavesMs === null ? 0 : ageing.plays.held.filter(({ ms }) => ms > nowMs && ms <= leavesMs).length,
  }
}

/** Where the head may stand ahead, for drawing. */
export function fanOf(ageing: Ageing, nowMs: number, days: number, shiftCents = 0): FanDay[] {
  const paths = new Paths(ageing, nowMs, days, shiftCents)
  return Array.from({ length: days + 1 }, (_, day) => {
    const all = Float64Array.from({ length: PATHS }, (_, path) => paths.cents[path * (days + 1) + day]).sort()
    const at = (part: number) => all[Math.floor(part * PATHS)]
    return {
      ms: nowMs + day * DAY_MS,
      p10: at(0.1),
      p25: at(0.25),
      p50: at(0.5),
      p75: at(0.75),
      p90: at(0.9),
    }
  })
}

/** Lower root of a covariance (Cholesky); what is not positive counts as nothing. */
function rootOf(p: Float64Array): Float64Array {
  const size = AGEING.length
  const root = new Float64Array(size * size)
  for (let i = 0; i < size; i++)
    for (let j = 0; j <= i; j++) {
      let sum = p[i * size + j]
      for (let k = 0; k < j; k++) sum -= root[i * size + k] * root[j * size + k]
      root[i * size + j] =
        i === j ? Math.sqrt(Math.max(0, sum)) : root[j * size + j] > 1e-9 ? sum / root[j * size + j] : 0
    }
  return root
}

const TABLE = 65536

/** Chance out of tables that are made once: a forecast draws a million times. */
class Draws {
  static #normals: Float64Array | null = null
  static #uniforms: Float64Array | null = null
  #at = 0

  begin(path: number): void {
    this.#at = (path * 7919) % TABLE
  }

  normal(): number {
    Draws.#normals ??= tableOf((random) => random.normal())
    return Draws.#normals[this.#next()]
  }

  #uniform(): number {
    Draws.#uniforms ??= tableOf((random) => random.uniform())
    return Draws.#uniforms[this.#next()]
  }

  #next(): number {
    this.#at = (this.#at + 1) % TABLE
    return this.#at
  }

  /** What gigs take together, in mean gigs: each scatters as a Gamma law; those nobody noted come as a Poisson law has it. */
  gigs(known: number, unknown: number): number {
    let sum = known > 0 ? this.#gamma(known) : 0
    if (unknown <= 0) return sum
    if (unknown > 5)
      return sum + Math.max(0, unknown + Math.sqrt(unknown * (1 + 1 / GIG_SHAPE)) * this.normal())
    const limit = Math.exp(-unknown)
    for (let product = this.#uniform(); product > limit; product *= this.#uniform()) sum += this.#gamma(1)
    return sum
  }

  #gamma(gigs: number): number {
    return gammaAt(this.normal(), gigs)
  }
}

/**
 * What so many gigs take, in mean gigs, at a standard normal value: a Gamma law of shape `GIG_SHAPE` times the gigs and mean the gigs, by
 * the cube of a normal (Wilson & Hilferty 1931, PNAS 17; Abramowitz & Stegun 26.4.17).
 */
export function gammaAt(z: number, gigs: number): number {
  const c = 1 / (9 * GIG_SHAPE * gigs)
  return gigs * Math.max(0, 1 - c + Math.sqrt(c) * z) ** 3
}

function tableOf(draw: (random: ReturnType<typeof seededRandom>) => number): Float64Array {
  const random = seededRandom(20)
  return Float64Array.from({ length: TABLE }, () => draw(random))
}
