import { scaleLinear, scaleLog } from 'd3-scale'
import { area, line } from 'd3-shape'

/** A run of a drill on a strip: every trial at its difference, what was believed after each, on a logarithmic scale. */
export interface EarInput {
  width: number
  height: number
  /** Smallest and largest difference that can be played. */
  levels: readonly number[]
  answered: ReadonlyArray<{ level: number; right: boolean }>
  course: ReadonlyArray<{ threshold: number; error: number }>
  /** Trials that the strip has room for; it grows with the run. */
  room: number
  /** Ticks, in the drill's unit. */
  ticks: readonly number[]
  /** Without room for ticks and a result beside it. */
  small?: boolean
}

export interface EarModel {
  ticks: Array<{ y: number; value: number }>
  /** Right and wrong answers; a wrong one is crossed. */
  rights: Array<{ x: number; y: number }>
  wrongs: Array<{ x: number; y: number }>
  path: string
  /** What was believed, with one standard error each way. */
  band: string
  believed: string
  /** Where the next trial will stand. */
  nextX: number
}

const MARGIN = { left: 72, right: 64, top: 14, bottom: 14 }
const SMALL_MARGIN = { left: 6, right: 6, top: 6, bottom: 6 }

export function earModel({
  width,
  height,
  levels,
  answered,
  course,
  room,
  ticks,
  small,
}: EarInput): EarModel {
  const margin = small ? SMALL_MARGIN : MARGIN
  const y = scaleLog()
    .domain([levels[0] * 0.8, levels[levels.length - 1] * 1.15])
    .range([height - margin.bottom, margin.top])
    .clamp(true)
  const x = scaleLinear()
    .domain([0, Math.max(room, answered.length + 1) - 1])
    .range([margin.left, width - margin.right])
  const places = answered.map(({ level, right }, i) => ({ x: x(i), y: y(level), right }))
  const points = course.map((each, i) => ({ ...each, x: x(i) }))
  return {
    ticks: ticks.map((value) => ({ value, y: y(value) })),
    rights: places.filter(({ right }) => right).map((place) => ({ x: place.x, y: place.y })),
    wrongs: places.filter(({ right }) => !right).map((place) => ({ x: place.x, y: place.y })),
    path:
      line<{ x: number; y: number }>(
        (d) => d.x,
        (d) => d.y,
      )(places) ?? '',
    band:
      area<(typeof points)[number]>()
        .x((d) => d.x)
        .y0((d) => y(d.threshold * Math.exp(-d.error / d.threshold)))
        .y1((d) => y(d.threshold * Math.exp(d.error / d.threshold)))(points) ?? '',
    believed:
      line<(typeof points)[number]>(
        (d) => d.x,
        (d) => y(d.threshold),
      )(points) ?? '',
    nextX: x(answered.length),
  }
}

/** A few round differences to write beside the strip: doublings. */
export function earTicks(levels: readonly number[], most = 7): number[] {
  const low = levels[0]
  const high = levels[levels.length - 1]
  const ticks: number[] = []
  for (let p = -6; p < 12; p++) {
    const value = 2 ** p
    if (value >= low * 0.9 && value <= high * 1.1) ticks.push(value)
  }
  const every = Math.ceil(ticks.length / most)
  return ticks.filter((_, i) => i % every === 0)
}
