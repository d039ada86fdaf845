import { format } from 'date-fns'
import { scaleTime } from 'd3-scale'
import { timeDay, timeMonday, timeMonth } from 'd3-time'

/** The Logbook's lanes: time to the right, one lane a head, cents from the target upward. */
export interface LaneInput {
  width: number
  height: number
  fromMs: number
  toMs: number
  nowMs: number
  /** Half of the band; null without a target. */
  halfCents: number | null
  points: ReadonlyArray<{ ms: number; cents: number; errorCents: number; out: boolean }>
  /** Times at which rods were turned: the line of belief is broken there. */
  turnedMs: readonly number[]
  /** Times at which it was measured by hand, without a pitch. */
  byHandMs: readonly number[]
  changesMs: readonly number[]
  now: { cents: number; sd: number } | null
  fan: ReadonlyArray<{ ms: number; p10: number; p25: number; p50: number; p75: number; p90: number }>
  leavesMs: number | null
  rangeMs: readonly [number, number] | null
}

export interface LaneModel {
  /** Tape from the first day to now, torn at its ends and where another head came on. */
  pieces: string[]
  band: { y: number; height: number } | null
  zeroY: number
  /** What is believed between readings, and the width of that. */
  line: string
  width: string
  dots: string
  byHand: string
  errors: string
  /** Readings out of the band. */
  outs: string
  /** Readings beyond the lane's edge: a small arrow there. */
  beyond: string
  /** Spans in which it was read out of its band, along the lane's foot. */
  outSpans: string
  fanWide: string
  fanNear: string
  fanLine: string
  /** Expected to leave its band here: hollow, since it is not read. */
  leaves: { x: number; y: number; from: number; to: number } | null
  ticks: Array<{ x: number }>
}

/** A lane shows this many half bands to either side, and never less than so many cents. */
const SHOWN = 2.2
const LEAST_CENTS = 8
/** Without a target: as far as the readings go, within reason. */
const MOST_CENTS = 60
const TEETH = 4

export function laneScale({ halfCents, points, height }: Pick<LaneInput, 'halfCents' | 'points' | 'height'>) {
  const reach =
    halfCents === null
      ? Math.min(MOST_CENTS, Math.max(LEAST_CENTS, ...points.map(({ cents }) => 1.2 * Math.abs(cents))))
      : Math.max(LEAST_CENTS, SHOWN * halfCents)
  return (cents: number) => height / 2 - (Math.max(-1.15, Math.min(1.15, cents / reach)) * (height - 6)) / 2
}

export const timeScale = ({ fromMs, toMs, width }: Pick<LaneInput, 'fromMs' | 'toMs' | 'width'>) =>
  scaleTime().domain([fromMs, toMs]).range([0, width])

export function laneModel(input: LaneInput): LaneModel {
  const { height, fromMs, toMs, nowMs, halfCents, changesMs, turnedMs, fan, rangeMs, leavesMs } = input
  const time = timeScale(input)
  const x = (ms: number) => time(ms)
  const y = laneScale(input)
  const points = thinned(
    input.points.filter(({ ms }) => ms >= fromMs - (toMs - fromMs) && ms <= toMs),
    x,
  )
  const inside = ({ cents }: { cents: number }) => y(cents) > 2 && y(cents) < height - 2
  const shown = points.filter(({ ms }) => ms >= fromMs)
  const end = x(Math.min(nowMs, toMs))
  return {
    pieces: tapePieces(
      [Math.max(0, x(firstMs(input))), ...changesMs.map(x).filter((at) => at > 0 && at < end), end],
      height,
    ),
    band: halfCents === null ? null : { y: y(halfCents), height: y(-halfCents) - y(halfCents) },
    zeroY: y(0),
    ...believedPaths(points, [...turnedMs, ...changesMs], input.now, nowMs, x, y),
    dots: shown
      .filter((each) => inside(each) && !each.out)
      .map(({ ms, cents }) => dot(x(ms), y(cents), DOT))
      .join(''),
    byHand: input.byHandMs
      .filter((ms) => ms >= fromMs && ms <= toMs)
      .map((ms) => dot(x(ms), y(0), DOT))
      .join(''),
    outs: shown
      .filter((each) => inside(each) && each.out)
      .map(({ ms, cents }) => square(x(ms), y(cents)))
      .join(''),
    beyond: shown
      .filter((each) => !inside(each))
      .map(({ ms, cents }) => arrow(x(ms), cents > 0 ? 3 : height - 3, cents > 0))
      .join(''),
    errors: shown
      .filter(inside)
      .map(
        ({ ms, cents, errorCents }) => `M${r(x(ms))} ${r(y(cents - errorCents))}V${r(y(cents + errorCents))}`,
      )
      .join(''),
    outSpans: outSpans(points, turnedMs, nowMs)
      .map(([from, to]) => `M${r(Math.max(0, x(from)))} ${height - 1.5}H${r(Math.max(x(to), x(from) + 4))}`)
      .join(''),
    ...fanPaths(fan, x, y),
    leaves:
      leavesMs === null || halfCents === null || leavesMs > toMs
        ? null
        : {
            x: x(leavesMs),
            y: y((medianAt(fan, leavesMs) ?? 0) < 0 ? -halfCents : halfCents),
            from: x(rangeMs?.[0] ?? leavesMs),
            to: Math.min(input.width, x(rangeMs?.[1] ?? leavesMs)),
          },
    ticks: timeTicks(input).map(({ x: at }) => ({ x: at })),
  }
}

const firstMs = ({ points, byHandMs, fromMs }: LaneInput) => {
  const first = Math.min(points[0]?.ms ?? Infinity, byHandMs[0] ?? Infinity)
  return Number.isFinite(first) ? Math.max(fromMs, first) : fromMs
}
const r = (value: number) => Math.round(value * 10) / 10
const DOT = 3.4

const dot = (x: number, y: number, radius: number) =>
  `M${r(x - radius)} ${r(y)}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0`
const square = (x: number, y: number) => `M${r(x - 4.2)} ${r(y)}l4.2 -4.2l4.2 4.2l-4.2 4.2Z`
const arrow = (x: number, y: number, up: boolean) =>
  up ? `M${r(x - 4)} ${r(y + 5)}h8l-4 -6Z` : `M${r(x - 4)} ${r(y - 5)}h8l-4 6Z`

type Point = LaneInput['points'][number]

/** No more than a reading every two px is drawn: of those that fall together the lowest and the highest. */
function thinned(points: readonly Point[], x: (ms: number) => number): Point[] {
  if (points.length < 200) return [...points]
  const kept: Point[] = []
  let bin: Point[] = []
  const flush = () => {
    if (bin.length < 3) kept.push(...bin)
    else {
      const low = bin.reduce((a, b) => (b.cents < a.cents ? b : a))
      const high = bin.reduce((a, b) => (b.cents > a.cents ? b : a))
      kept.push(...(low.ms < high.ms ? [low, high] : [high, low]))
    }
    bin = []
  }
  for (const point of points) {
    if (bin.length && Math.floor(x(point.ms) / 2) !== Math.floor(x(bin[0].ms) / 2)) flush()
    bin.push(point)
  }
  flush()
  return kept
}

/** Between two readings without a turn the pitch went from one to the other, nobody knows just how: widest in the middle. */
function believedPaths(
  points: readonly Point[],
  breaks: readonly number[],
  now: LaneInput['now'],
  nowMs: number,
  x: (ms: number) => number,
  y: (cents: number) => number,
): { line: string; width: string } {
  let [line, width] = ['', '']
  const all = now ? [...points, { ms: nowMs, cents: now.cents, errorCents: now.sd, out: false }] : points
  for (const [i, to] of all.slice(1).entries()) {
    const from = all[i]
    const last = now !== null && i === all.length - 2
    const broken = !last && breaks.some((ms) => ms > from.ms && ms <= to.ms)
    if (broken) continue
    line += `M${r(x(from.ms))} ${r(y(from.cents))}L${r(x(to.ms))} ${r(y(to.cents))}`
    const days = (to.ms - from.ms) / 86_400_000
    const bulge = last ? 0 : BRIDGE * Math.sqrt(days / 4)
    const middle = { ms: (from.ms + to.ms) / 2, cents: (from.cents + to.cents) / 2 }
    const sd = Math.hypot(bulge, (from.errorCents + to.errorCents) / 2)
    const top = [
      `${r(x(from.ms))} ${r(y(from.cents + from.errorCents))}`,
      `${r(x(middle.ms))} ${r(y(middle.cents + sd))}`,
      `${r(x(to.ms))} ${r(y(to.cents + to.errorCents))}`,
    ]
    const foot = [
      `${r(x(to.ms))} ${r(y(to.cents - to.errorCents))}`,
      `${r(x(middle.ms))} ${r(y(middle.cents - sd))}`,
      `${r(x(from.ms))} ${r(y(from.cents - from.errorCents))}`,
    ]
    width += `M${[...top, ...foot].join('L')}Z`
  }
  return { line, width }
}

/** What a head may do between two readings, in cents for the root of a day. */
const BRIDGE = 0.9

/** From a reading out of the band until the next one in it, or until it was turned. */
function outSpans(
  points: readonly Point[],
  turned: readonly number[],
  nowMs: number,
): Array<[number, number]> {
  return points.flatMap((point, i): Array<[number, number]> => {
    if (!point.out) return []
    const next = points[i + 1]?.ms ?? nowMs
    const turn = turned.find((ms) => ms >= point.ms && ms < next)
    return [[point.ms, turn ?? next]]
  })
}

function fanPaths(fan: LaneInput['fan'], x: (ms: number) => number, y: (cents: number) => number) {
  if (fan.length < 2) return { fanWide: '', fanNear: '', fanLine: '' }
  const area = (high: 'p90' | 'p75', low: 'p10' | 'p25') =>
    `M${fan.map((day) => `${r(x(day.ms))} ${r(y(day[high]))}`).join('L')}L${[...fan]
      .reverse()
      .map((day) => `${r(x(day.ms))} ${r(y(day[low]))}`)
      .join('L')}Z`
  return {
    fanWide: area('p90', 'p10'),
    fanNear: area('p75', 'p25'),
    fanLine: `M${fan.map((day) => `${r(x(day.ms))} ${r(y(day.p50))}`).join('L')}`,
  }
}

const medianAt = (fan: LaneInput['fan'], ms: number) =>
  fan.find((day) => day.ms >= ms)?.p50 ?? fan.at(-1)?.p50

/** Pieces of tape between the places at which it is torn. */
function tapePieces(at: readonly number[], height: number): string[] {
  return at.slice(1).flatMap((to, i) => {
    const from = at[i] + (i === 0 ? 0 : GAP)
    const end = to - (i === at.length - 2 ? 0 : GAP)
    if (end - from < 3) return []
    const edge = (x: number, seed: number) =>
      Array.from({ length: TEETH + 1 }, (_, tooth) => {
        const deep = (((seed * 37 + tooth * 61) % 17) / 17) * 4
        return `${r(x + deep)} ${r((height * tooth) / TEETH)}`
      })
    return [`M${[...edge(from, i + 3), ...edge(end - 4, i + 8).reverse()].join('L')}Z`]
  })
}

/** A new head tears the tape by so many px to either side. */
const GAP = 8

export interface TimeTick {
  x: number
  label: string
}

/** Days, weeks or months, by how much time is shown. */
export function timeTicks(input: Pick<LaneInput, 'fromMs' | 'toMs' | 'width'>): TimeTick[] {
  const { fromMs, toMs, width } = input
  const time = timeScale(input)
  const days = (toMs - fromMs) / 86_400_000
  const each = days < 12 ? timeDay.every(1)! : days < 130 ? timeMonday : timeMonth
  const all = each.range(new Date(fromMs), new Date(toMs))
  const room = Math.max(1, Math.ceil((all.length * 58) / width))
  let month = -1
  return all.flatMap((day, i) => {
    if (i % room) return []
    const label =
      days >= 130 || day.getMonth() !== month ? format(day, days >= 130 ? 'MMM' : 'd MMM') : format(day, 'd')
    month = day.getMonth()
    return [{ x: time(day), label }]
  })
}

/** Humidity or temperature over time: its line, and its least and greatest with their places. */
export function airModel(
  { fromMs, toMs, width }: Pick<LaneInput, 'fromMs' | 'toMs' | 'width'>,
  height: number,
  samples: ReadonlyArray<{ ms: number; value: number }>,
): { line: string; marks: Array<{ x: number; y: number; value: number }> } {
  const x = timeScale({ fromMs, toMs, width })
  const shown = samples.filter(({ ms }) => ms >= fromMs && ms <= toMs)
  if (shown.length < 2) return { line: '', marks: [] }
  const values = shown.map(({ value }) => value)
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const y = (value: number) => height - 3 - ((value - low) / Math.max(1, high - low)) * (height - 18)
  const day = 86_400_000
  const line = shown
    .map(({ ms, value }, i) => `${i && ms - shown[i - 1].ms < 4 * day ? 'L' : 'M'}${r(x(ms))} ${r(y(value))}`)
    .join('')
  const mark = (value: number) => {
    const at = shown.find((each) => each.value === value)!
    return { x: x(at.ms), y: y(value), value }
  }
  return { line, marks: high - low > 1 ? [mark(high), mark(low)] : [mark(high)] }
}
