import { scaleLinear, scaleLog } from 'd3-scale'
import { line } from 'd3-shape'
import { decayCurve, type RingingTone } from '@/core/sound/ringing'

/** Two states of a drum over each other: how they die away, and what they are made of. */
export interface RingingModel {
  width: number
  height: number
  bottom: number
  /** One path a state. */
  curves: string[]
  /** Tones of each state: a stick from the bottom to its level. */
  tones: Array<Array<{ x: number; y: number; hz: number }>>
  timeTicks: Array<{ x: number; label: string }>
  hzTicks: Array<{ x: number; label: string }>
  levelTicks: Array<{ y: number; label: string }>
  /** Where the curves end and the tones begin. */
  split: number
}

const MARGIN = { left: 34, top: 10, right: 10, bottom: 22 }
const LOWEST_DB = -40
const STEPS = 80
const GAP = 46

export function ringingModel(
  states: ReadonlyArray<readonly RingingTone[]>,
  width: number,
  height: number,
): RingingModel {
  const split = Math.round(width * 0.56)
  const bottom = height - MARGIN.bottom
  const longest = Math.max(0.2, ...states.flat().map(({ decaySeconds }) => decaySeconds))
  const seconds = Math.min(3, (-LOWEST_DB / 8.686) * longest)
  const t = scaleLinear([0, seconds], [MARGIN.left, split - GAP / 2])
  const db = scaleLinear([LOWEST_DB, 0], [bottom, MARGIN.top]).clamp(true)
  const all = states.flat().map(({ hz }) => hz)
  const low = Math.min(40, ...all) * 0.9
  const high = Math.max(400, ...all) * 1.1
  const hz = scaleLog([low, high], [split + GAP / 2, width - MARGIN.right])
  const draw = line<number>()
    .x((_, i) => t((i / (STEPS - 1)) * seconds))
    .y((level) => db(level))
  return {
    ...{ width, height, bottom, split },
    curves: states.map((tones) => {
      const levels = decayCurve(tones, seconds, STEPS)
      const end = levels.findIndex((level) => level < LOWEST_DB)
      return tones.length ? (draw(end < 0 ? levels : levels.slice(0, end + 1)) ?? '') : ''
    }),
    tones: states.map((tones) =>
      tones
        .filter(({ levelDb }) => levelDb > LOWEST_DB)
        .map((tone) => ({ x: hz(tone.hz), y: db(tone.levelDb), hz: tone.hz })),
    ),
    timeTicks: t.ticks(4).map((at) => ({ x: t(at), label: `${at} s` })),
    hzTicks: [50, 100, 200, 400, 800]
      .filter((at) => at > low && at < high)
      .map((at) => ({ x: hz(at), label: `${at}` })),
    levelTicks: [0, -20, -40].map((level) => ({ y: db(level), label: `${level}` })),
  }
}
