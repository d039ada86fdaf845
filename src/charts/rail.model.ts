import { extent } from 'd3-array'
import { scaleLog } from 'd3-scale'
import { intervalText } from '@/core/units/intervals'
import { centsBetween } from '@/core/units/pitch'
import { noteOf } from '@/text/shown'

/** The rail: one logarithmic frequency axis for all drums, a lane a drum. */
export interface RailLaneInput {
  id: string
  batterHz: number | null
  resonantHz: number | null
  /** Nobody read it as it stands: drawn hollow. */
  foretold: { batter: boolean; resonant: boolean }
  spreadCents: number | null
  targetHz: number | null
  toleranceCents: number
  /** Where the batter speaks, and where it is at its best. */
  range: { lowestHz: number; favouriteHz: number; highestHz: number } | null
}

export interface RailLane {
  id: string
  batter: number | null
  resonant: number | null
  foretold: RailLaneInput['foretold']
  /** Ends of the spread whisker under the batter mark, magnified. */
  whisker: { from: number; to: number } | null
  /** Ends of the target's bracket. */
  bracket: { from: number; to: number } | null
  range: { from: number; to: number; best: number } | null
  relation: string | null
  /** Where the line to the next drum's batter arrives, and what the interval is; null at the last drum. */
  next: { x: number; label: string } | null
  /** Where the line from the drum before comes in. */
  before: number | null
}

export interface RailModel {
  lanes: RailLane[]
  notes: Array<{ x: number; label: string }>
  hertz: Array<{ x: number; label: string }>
}

/** The spread is drawn this many times wider than the axis, and the screen says so. */
const SPREAD_MAGNIFIED = 10
const NARROWEST_BRACKET_PX = 11
const SIDE_PX = 30
/** Room for the words right of the last mark. */
const RIGHT_LABEL_PX = 156

/** How the resonant head stands to the batter: "fourth up", "alike". */
export function headsText(aboveCents: number): string {
  const side = Math.abs(aboveCents) < 50 ? '' : aboveCents > 0 ? ' up' : ' down'
  return `${intervalText(aboveCents)}${side}`
}

export function railModel(lanes: readonly RailLaneInput[], width: number, a4Hz: number): RailModel {
  // Every drum's range has its place on the axis, whatever was read of it.
  const pitches = lanes.flatMap((lane) =>
    [lane.batterHz, lane.resonantHz, lane.targetHz, lane.range?.lowestHz, lane.range?.highestHz].filter(
      (hz): hz is number => typeof hz === 'number',
    ),
  )
  const [low, high] = pitches.length ? (extent(pitches) as [number, number]) : [60, 400]
  const x = scaleLog(
    [low * 0.94, Math.max(high, low * 2)],
    [SIDE_PX, Math.max(SIDE_PX + 120, width - RIGHT_LABEL_PX)],
  )
  const at = (hz: number | null) => (hz === null ? null : x(hz))
  const models = lanes.map((lane, i): RailLane => {
    const batter = at(lane.batterHz)
    const target = at(lane.targetHz)
    const wide = (cents: number, hz: number) => (x(hz * 2 ** (cents / 1200)) - x(hz)) / 2
    const half =
      lane.spreadCents !== null && lane.batterHz
        ? SPREAD_MAGNIFIED * wide(lane.spreadCents, lane.batterHz)
        : null
    const bracketHalf = lane.targetHz
      ? Math.max(NARROWEST_BRACKET_PX, SPREAD_MAGNIFIED * wide(lane.toleranceCents, lane.targetHz))
      : 0
    const following = lanes[i + 1]
    const earlier = lanes[i - 1]
    return {
      id: lane.id,
      batter,
      resonant: at(lane.resonantHz),
      foretold: lane.foretold,
      whisker: batter !== null && half !== null ? { from: batter - half, to: batter + half } : null,
      range: lane.range && {
        from: Math.max(0, x(lane.range.lowestHz)),
        to: Math.min(width, x(lane.range.highestHz)),
        best: x(lane.range.favouriteHz),
      },
      bracket: target !== null ? { from: target - bracketHalf, to: target + bracketHalf } : null,
      relation:
        lane.batterHz && lane.resonantHz ? headsText(centsBetween(lane.batterHz, lane.resonantHz)) : null,
      next:
        following?.batterHz && lane.batterHz
          ? { x: x(following.batterHz), label: intervalText(centsBetween(lane.batterHz, following.batterHz)) }
          : null,
      before: earlier?.batterHz && lane.batterHz ? batter : null,
    }
  })
  return { lanes: models, notes: noteTicks(x, a4Hz), hertz: hertzTicks(x) }
}

type LogScale = ReturnType<typeof scaleLog<number, number>>

/** C, E and A. */
const MARKED: ReadonlySet<number> = new Set([0, 4, 9])

/** Notes a third or so apart, which is as close as they can stand and be read. */
function noteTicks(x: LogScale, a4Hz: number): Array<{ x: number; label: string }> {
  const [low, high] = x.domain()
  const ticks: Array<{ x: number; label: string }> = []
  for (let midi = 24; midi < 100; midi++) {
    const hz = a4Hz * 2 ** ((midi - 69) / 12)
    if (hz < low || hz > high || !MARKED.has(midi % 12)) continue
    const place = x(hz)
    if (ticks.length === 0 || place - ticks.at(-1)!.x > 34)
      ticks.push({ x: place, label: noteOf(hz, a4Hz).name })
  }
  return ticks
}

function hertzTicks(x: LogScale): Array<{ x: number; label: string }> {
  const [low, high] = x.domain()
  return [40, 60, 80, 100, 150, 200, 300, 400, 600]
    .filter((hz) => hz >= low && hz <= high)
    .map((hz) => ({ x: x(hz), label: `${hz}` }))
    .filter((tick, i, all) => i === 0 || tick.x - all[i - 1].x > 34)
}
