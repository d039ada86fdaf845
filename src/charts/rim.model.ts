import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { harmonicAt, type Harmonics } from '@/core/head/harmonics'
import { centsBetween } from '@/core/units/pitch'
import { fixed } from '@/text/shown'

/** The rim strip: the head's edge unrolled, lugs left to right from the badge, cents from the target upward. */
export interface RimInput {
  width: number
  height: number
  lugs: number
  /** Zero of the scale, in Hz: the target, or the mean where only evenness counts. */
  zeroHz: number
  /** Target per lug in Hz: flat, or a profile. */
  targetHz: readonly number[]
  toleranceCents: number
  readings: ReadonlyArray<RimReading>
  /** Where each lug is expected after the pass; empty when there is none. */
  expected: ReadonlyArray<{ hz: number; errorCents: number }>
  /** Fitted state in Hz^2; null before anything was read. */
  fit: Harmonics | null
}

/** What was read of one lug; a dial or an ear says a place on the scale, not a pitch. */
export interface RimReading {
  lug: number
  hz: number
  errorHz: number
  taps: number
  /** Left out of what is believed: drawn crossed. */
  leftOut?: boolean
  /** Shown, and not in the database yet: drawn pale. */
  onTheWay?: boolean
}

export interface RimMark {
  lug: number
  x: number
  y: number
  /** Ends of the error bar. */
  low: number
  high: number
  crossed?: boolean
  pale?: boolean
}

export interface RimModel {
  left: number
  right: number
  top: number
  bottom: number
  lugX: number[]
  ticks: Array<{ y: number; label: string; zero: boolean }>
  band: { path: string } | null
  readings: RimMark[]
  expected: RimMark[]
  curve: string | null
}

const PADDING = { left: 54, right: 14, top: 16, bottom: 14 }
/** The scale shows at least this many cents to either side, so that a fine head does not look rough. */
const LEAST_CENTS = 12
const CURVE_POINTS = 120

export function rimModel(input: RimInput): RimModel {
  const { width, height, lugs, zeroHz, targetHz, toleranceCents } = input
  const left = PADDING.left
  const right = width - PADDING.right
  const top = PADDING.top
  const bottom = height - PADDING.bottom
  const step = (right - left) / lugs
  const x = (index: number) => left + (index + 0.5) * step
  const cents = (hz: number) => centsBetween(zeroHz, hz)

  const curveCents = input.fit
    ? Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
        const place = (i / CURVE_POINTS) * lugs - 0.5
        return { place, cents: cents(Math.sqrt(Math.max(1, harmonicAt(input.fit!, place, lugs)))) }
      })
    : []
  const reading = input.readings.map(({ lug, hz, errorHz, leftOut, onTheWay }) => ({
    lug,
    crossed: leftOut ?? false,
    pale: onTheWay ?? false,
    cents: cents(hz),
    error: centsBetween(hz, hz + errorHz),
  }))
  const expected = input.expected.map(({ hz, errorCents }, i) => ({
    lug: i + 1,
    cents: cents(hz),
    error: errorCents,
  }))
  const targets = targetHz.map(cents)
  const all = [
    // What was left out does not set the scale: it stands crossed at the edge.
    ...reading
      .filter(({ crossed }) => !crossed)
      .flatMap((mark) => [mark.cents - mark.error, mark.cents + mark.error]),
    ...expected.map((mark) => mark.cents),
    ...curveCents.map((point) => point.cents),
    ...targets.flatMap((t) => [t - 2 * toleranceCents, t + 2 * toleranceCents]),
    -LEAST_CENTS,
    LEAST_CENTS,
  ]
  const [low, high] = extent(all) as [number, number]
  const margin = 0.08 * (high - low)
  const y = scaleLinear([low - margin, high + margin], [bottom, top]).clamp(true)
  const mark = ({ lug, cents: at, error }: { lug: number; cents: number; error: number }): RimMark => ({
    lug,
    x: x(lug - 1),
    y: y(at),
    low: y(at - error),
    high: y(at + error),
  })
  const path = line<[number, number]>(
    (point) => point[0],
    (point) => point[1],
  )
  const edge = (offset: number): [number, number][] => [
    [left, y(targets[0] + offset)],
    ...targets.map((t, i): [number, number] => [x(i), y(t + offset)]),
    [right, y(targets[lugs - 1] + offset)],
  ]
  const spanTicks = y.ticks(5)
  return {
    left,
    right,
    top,
    bottom,
    lugX: Array.from({ length: lugs }, (_, i) => x(i)),
    ticks: [...new Set([0, ...spanTicks])].map((value) => ({
      y: y(value),
      zero: value === 0,
      label: value === 0 ? fixed(zeroHz, 1) : `${value > 0 ? '+' : '−'}${Math.abs(value)}`,
    })),
    band: { path: `${path([...edge(toleranceCents / 2), ...edge(-toleranceCents / 2).reverse()])!}Z` },
    readings: reading.map((each) => ({ ...mark(each), crossed: each.crossed, pale: each.pale })),
    expected: expected.map(mark),
    curve: curveCents.length
      ? path(curveCents.map((point) => [left + (point.place + 0.5) * step, y(point.cents)]))
      : null,
  }
}

/** The same in words, for readers who do not see the strip. */
export function rimText(input: RimInput): string {
  const read = input.readings.map(({ lug, hz, leftOut }) => {
    const off = Math.round(centsBetween(input.targetHz[lug - 1], hz))
    return `lug ${lug} ${fixed(hz, 1)} hertz, ${off === 0 ? 'on target' : `${Math.abs(off)} cents ${off > 0 ? 'high' : 'low'}`}${leftOut ? ', left out' : ''}`
  })
  return read.length ? read.join('; ') : 'No lug read yet.'
}
