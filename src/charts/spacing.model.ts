import { scaleLog } from 'd3-scale'
import { intervalText } from '@/core/units/intervals'
import { centsBetween } from '@/core/units/pitch'

/** A plan on the rail: where each drum speaks, stands, and would stand; one lane a drum. */
export interface SpacingLaneInput {
  id: string
  lowestHz: number
  favouriteHz: number
  highestHz: number
  nowHz: number | null
  batterHz: number | null
  resonantHz: number | null
  /** Where another plan would put it. */
  otherHz: number | null
  /** Toms are joined to the next tom by their interval. */
  chained: boolean
}

export interface SpacingLane {
  id: string
  range: { from: number; to: number }
  favourite: number
  now: number | null
  batter: number | null
  resonant: number | null
  other: number | null
  /** Interval to the next chained drum below in the list; null at the last. */
  next: { x: number; label: string; lanes: number } | null
}

export interface SpacingModel {
  lanes: SpacingLane[]
  ticks: Array<{ x: number; label: string }>
  /** Hz at a place. */
  hzAt(x: number): number
}

const SIDE_PX = 26
const RIGHT_PX = 30

/** Figures of the axis stand no nearer than this. */
const TICK_PX = 36

export function spacingModel(lanes: readonly SpacingLaneInput[], width: number): SpacingModel {
  const all = lanes.flatMap(({ lowestHz, highestHz, nowHz, batterHz, resonantHz }) =>
    [lowestHz, highestHz, nowHz, batterHz, resonantHz].filter((hz) => hz !== null),
  )
  const low = all.length ? Math.min(...all) : 60
  const high = all.length ? Math.max(...all) : 400
  const x = scaleLog(
    [low * 0.93, Math.max(high * 1.05, low * 2)],
    [SIDE_PX, Math.max(SIDE_PX + 120, width - RIGHT_PX)],
  )
  const at = (hz: number | null) => (hz === null ? null : x(hz))
  return {
    lanes: lanes.map((lane, i) => {
      const following = lane.chained ? lanes.findIndex((other, j) => j > i && other.chained) : -1
      const next = following >= 0 ? lanes[following] : null
      return {
        id: lane.id,
        range: { from: x(lane.lowestHz), to: x(lane.highestHz) },
        favourite: x(lane.favouriteHz),
        now: at(lane.nowHz),
        batter: at(lane.batterHz),
        resonant: at(lane.resonantHz),
        other: at(lane.otherHz),
        next:
          next && next.batterHz !== null && lane.batterHz !== null
            ? {
                x: x(next.batterHz),
                label: intervalText(centsBetween(lane.batterHz, next.batterHz)),
                lanes: following - i,
              }
            : null,
      }
    }),
    ticks: [40, 60, 80, 100, 150, 200, 300, 400, 600]
      .filter((hz) => hz > x.domain()[0] && hz < x.domain()[1])
      .map((hz) => ({ x: x(hz), label: `${hz}` }))
      // Those that stand too near to the one before have no room for their figures.
      .reduce<Array<{ x: number; label: string }>>(
        (kept, tick) => (kept.length && tick.x - kept[kept.length - 1].x < TICK_PX ? kept : [...kept, tick]),
        [],
      ),
    hzAt: (px) => x.invert(px),
  }
}
