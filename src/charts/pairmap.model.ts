import { scaleLog } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { PairGrid } from '@/core/pair/map'
import { hzToMidi, midiToHz, STANDARD_A4_HZ } from '@/core/units/pitch'
import { fixed, noteOf } from '@/text/shown'

/** Both heads of a drum on one sheet: batter lug to the right, resonant lug upward, what they make of it as lines. */
export interface PairMapModel {
  width: number
  height: number
  plot: { left: number; top: number; right: number; bottom: number }
  /** Part of the plot within the limits of both heads; around it lies what is out of reach. */
  limits: { left: number; top: number; right: number; bottom: number }
  x(batterHz: number): number
  y(resonantHz: number): number
  /** Lug pitches at a place, kept within the limits. */
  at(x: number, y: number): { batterHz: number; resonantHz: number }
  centre: MapLine[]
  ratio: MapLine[]
  relation: MapLine[]
  /** Where the ratio lies in the range that is liked. */
  liked: string
  /** Notes that stand clear of each other, with their pitch. */
  xTicks: MapTick[]
  yTicks: MapTick[]
}

export interface MapTick {
  note: string
  hz: number
  at: number
}

export interface MapLine {
  /** Empty where there is no room for it. */
  label: string
  path: string
  labelAt: { x: number; y: number }
}

const MARGIN = { left: 62, top: 14, right: 40, bottom: 48 }
const RATIOS = [1.4, 1.5, 1.6, 1.7]
const LIKED = { low: 1.5, high: 1.6 }
const RELATIONS: ReadonlyArray<[number, string]> = [
  [0, 'alike'],
  [500, 'fourth'],
]
/** Centre lines stand this far apart. */
const CENTRE_STEP_CENTS = 200
/** The sheet reaches beyond the limits by this part, so that they are seen. */
const BEYOND = 0.02

type Point = [number, number]
/** A label wants this much height. */
const ROOM = 14

export function pairMapModel(
  grid: PairGrid,
  width: number,
  height: number,
  a4Hz = STANDARD_A4_HZ,
): PairMapModel {
  const plot = {
    left: MARGIN.left,
    top: MARGIN.top,
    right: width - MARGIN.right,
    bottom: height - MARGIN.bottom,
  }
  const ends = (values: readonly number[]): Point => {
    const pad = (values.at(-1)! / values[0]) ** BEYOND
    return [values[0] / pad, values.at(-1)! * pad]
  }
  const xScale = scaleLog(ends(grid.batterHz), [plot.left, plot.right]).clamp(true)
  const yScale = scaleLog(ends(grid.resonantHz), [plot.bottom, plot.top]).clamp(true)
  const limits = {
    left: xScale(grid.batterHz[0]),
    right: xScale(grid.batterHz.at(-1)!),
    top: yScale(grid.resonantHz.at(-1)!),
    bottom: yScale(grid.resonantHz[0]),
  }
  const within = (value: number, a: number, b: number) => Math.min(Math.max(value, a), b)
  const draw = line<Point>()
  /** `part` of the way along it stands the label. */
  const lineOf = (label: string, points: Point[], part: number): MapLine[] => {
    if (points.length < 2) return []
    const [x, y] = points[Math.round(part * (points.length - 1))]
    return [{ label, path: draw(points)!, labelAt: { x, y } }]
  }

  /** Where the centre is `want(batter)`, column by column: it rises with the resonant head. */
  const contour = (want: (batterHz: number) => number): Point[] =>
    grid.batterHz.flatMap((batterHz, b): Point[] => {
      const resonantHz = crossing(
        grid.resonantHz,
        grid.centreHz.map((row) => row[b]),
        want(batterHz),
      )
      return resonantHz === null ? [] : [[xScale(batterHz), yScale(resonantHz)]]
    })
  /** The same, held at the edge of the sheet where it leaves it: for a region. */
  const edge = (ratio: number): Point[] =>
    grid.batterHz.map((batterHz, b) => {
      const column = grid.centreHz.map((row) => row[b])
      const want = batterHz / ratio
      const at = crossing(grid.resonantHz, column, want)
      return [xScale(batterHz), at === null ? (want < column[0] ? limits.bottom : limits.top) : yScale(at)]
    })
  const [low, high] = [edge(LIKED.high), edge(LIKED.low)]
  const liked = area<number>()
    .x((i) => low[i][0])
    .y0((i) => low[i][1])
    .y1((i) => high[i][1])(low.map((_, i) => i))!

  const all = grid.centreHz.flat()
  const levels = stepsBetween(Math.min(...all), Math.max(...all))
  return {
    ...{ width, height, plot, limits, liked },
    x: (hz) => xScale(hz),
    y: (hz) => yScale(hz),
    at: (x, y) => ({
      batterHz: xScale.invert(within(x, limits.left, limits.right)),
      resonantHz: yScale.invert(within(y, limits.top, limits.bottom)),
    }),
    centre: levels.flatMap((hz) => {
      const points = contour(() => hz)
      // Those that begin at the left edge have room for their label there.
      const room = points.length > 1 && points[0][0] < limits.left + 1 && points[0][1] < limits.bottom - ROOM
      return lineOf(room ? `${hz.toFixed(0)} Hz` : '', points, 0)
    }),
    ratio: RATIOS.flatMap((ratio) =>
      lineOf(
        fixed(ratio, 1),
        contour((batterHz) => batterHz / ratio),
        1,
      ),
    ),
    relation: RELATIONS.flatMap(([cents, label]) =>
      lineOf(label, diagonal(grid, cents, xScale, yScale), cents === 0 ? 0.45 : 0.7),
    ),
    xTicks: noteTicks(ends(grid.batterHz), xScale, a4Hz),
    yTicks: noteTicks(ends(grid.resonantHz), yScale, a4Hz),
  }
}

/** Notes without an accidental stand no nearer than this. */
const TICK_PX = 58
const SEMITONES = [0, 2, 4, 5, 7, 9, 11]

/** Natural notes between two pitches, as many as stand clear of each other; counted from the lowest. */
function noteTicks([low, high]: Point, scale: (hz: number) => number, a4Hz: number): MapTick[] {
  const ticks: MapTick[] = []
  for (let midi = Math.ceil(hzToMidi(low, a4Hz)); midi <= hzToMidi(high, a4Hz); midi++) {
    if (!SEMITONES.includes(((midi % 12) + 12) % 12)) continue
    const hz = midiToHz(midi, a4Hz)
    const at = scale(hz)
    const before = ticks.at(-1)
    if (before && Math.abs(at - before.at) < TICK_PX) continue
    ticks.push({ note: noteOf(hz, a4Hz).name, hz, at })
  }
  return ticks
}

/** Where rising values pass `want`, between two known places, in logarithms; null outside. */
function crossing(places: readonly number[], values: readonly number[], want: number): number | null {
  for (let i = 1; i < values.length; i++) {
    if (values[i - 1] <= want && want <= values[i]) {
      const part = Math.log(want / values[i - 1]) / Math.max(1e-12, Math.log(values[i] / values[i - 1]))
      return places[i - 1] * (places[i] / places[i - 1]) ** part
    }
  }
  return null
}

function diagonal(
  grid: PairGrid,
  cents: number,
  x: (hz: number) => number,
  y: (hz: number) => number,
): Point[] {
  const [least, most] = [grid.resonantHz[0], grid.resonantHz.at(-1)!]
  return grid.batterHz.flatMap((batterHz): Point[] => {
    const resonantHz = batterHz * 2 ** (cents / 1200)
    return resonantHz < least || resonantHz > most ? [] : [[x(batterHz), y(resonantHz)]]
  })
}

/** Centre pitches a whole tone apart, on whole tones of the tempered scale from A. */
function stepsBetween(low: number, high: number): number[] {
  const first = Math.ceil((1200 * Math.log2(low / 55)) / CENTRE_STEP_CENTS)
  const last = Math.floor((1200 * Math.log2(high / 55)) / CENTRE_STEP_CENTS)
  return Array.from(
    { length: Math.max(0, last - first + 1) },
    (_, i) => 55 * 2 ** (((first + i) * CENTRE_STEP_CENTS) / 1200),
  )
}
