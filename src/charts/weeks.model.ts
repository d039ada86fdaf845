import { scaleLinear, scalePoint } from 'd3-scale'

/** Sittings one after the other: how large a miss was left in each, the newest at the right. */
export interface WeeksInput {
  width: number
  height: number
  sittings: ReadonlyArray<{
    id: string
    /** Day, as it is written below. */
    day: string
    /** What was left, 0 for nothing. */
    left: number
  }>
  /** Values to write beside the strip; the largest that any sitting reaches is always within. */
  ticks: readonly number[]
}

export interface WeeksModel {
  ticks: Array<{ y: number; value: number }>
  dots: Array<{ id: string; x: number; y: number; day: string | null }>
  path: string
}

const MARGIN = { left: 64, right: 24, top: 14, bottom: 30 }
/** What a day's words need. */
const DAY_PX = 56

export function weeksModel({ width, height, sittings, ticks }: WeeksInput): WeeksModel {
  const most = Math.max(ticks[1] ?? 1, ...sittings.map(({ left }) => left))
  const y = scaleLinear()
    .domain([0, most])
    .range([height - MARGIN.bottom, MARGIN.top])
  const x = scalePoint()
    .domain(sittings.map(({ id }) => id))
    .range([MARGIN.left + 16, width - MARGIN.right])
    .align(0)
  // One sitting alone stands at the left, where the first of more will stand.
  const xOf = (id: string) => (sittings.length === 1 ? MARGIN.left + 16 : x(id)!)
  let written = { day: '', x: -Infinity }
  const dots = sittings.map(({ id, day, left }) => {
    const at = xOf(id)
    const says = day !== written.day && at - written.x >= DAY_PX
    if (says) written = { day, x: at }
    return { id, x: at, y: y(left), day: says ? day : null }
  })
  return {
    ticks: ticks.filter((value) => value <= most).map((value) => ({ value, y: y(value) })),
    dots,
    path: dots.map((dot, i) => `${i ? 'L' : 'M'}${dot.x} ${dot.y}`).join(''),
  }
}
