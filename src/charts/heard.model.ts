import { scaleLinear, scaleLog } from 'd3-scale'
import { area, line } from 'd3-shape'

/** Waveform and spectrum of one tap; pure, like all chart models. */
export interface WaveInput {
  width: number
  height: number
  wave: ReadonlyArray<readonly [number, number]>
  seconds: number
  strokeSeconds: number
}

export interface WaveModel {
  path: string
  strokeX: number
  middle: number
  ticks: Array<{ x: number; label: string }>
}

const EDGE = 8

export function waveModel({ width, height, wave, seconds, strokeSeconds }: WaveInput): WaveModel {
  // Time counts from the stroke.
  const x = scaleLinear([-strokeSeconds, Math.max(seconds, 1e-6) - strokeSeconds], [EDGE, width - EDGE])
  const top = Math.max(1e-6, ...wave.map(([low, high]) => Math.max(-low, high)))
  const y = scaleLinear([-top, top], [height - EDGE - 14, EDGE])
  const path = area<readonly [number, number]>()
    .x((_, i) => x(((i + 0.5) / wave.length) * seconds - strokeSeconds))
    .y0(([low]) => y(low))
    .y1(([, high]) => y(high))(wave as Array<readonly [number, number]>)
  return {
    path: path ?? '',
    strokeX: x(0),
    middle: y(0),
    ticks: x
      .ticks(6)
      .filter((t) => t >= 0 && x(t) < width - 24)
      .map((t) => ({ x: x(t), label: `${Number(t.toFixed(2))} s` })),
  }
}

export interface SpectrumInput {
  width: number
  height: number
  spectrumDb: readonly number[]
  stepHz: number
  /** Tones found; `chosen` are those of the reading. */
  tones: ReadonlyArray<{ hz: number; levelDb: number; chosen: boolean }>
}

export interface SpectrumModel {
  path: string
  tones: Array<{ hz: number; x: number; y: number; chosen: boolean; label: boolean }>
  ticks: Array<{ x: number; label: string }>
  bottom: number
}

const LOWEST_HZ = 30
const HIGHEST_HZ = 760
const LOWEST_DB = -62
/** Labels closer than this in px would run into each other. */
const LABEL_PX = 46

export function spectrumModel({ width, height, spectrumDb, stepHz, tones }: SpectrumInput): SpectrumModel {
  const bottom = height - 22
  const x = scaleLog([LOWEST_HZ, HIGHEST_HZ], [EDGE, width - EDGE])
  const y = scaleLinear([LOWEST_DB, 0], [bottom, 34]).clamp(true)
  const points = spectrumDb
    .map((db, k) => [k * stepHz, db] as const)
    .filter(([hz]) => hz >= LOWEST_HZ && hz <= HIGHEST_HZ)
  const path = line<readonly [number, number]>()
    .x(([hz]) => x(hz))
    .y(([, db]) => y(db))(points)
  const inside = tones.filter(({ hz }) => hz >= LOWEST_HZ && hz <= HIGHEST_HZ)
  const taken: number[] = []
  const marks = [...inside]
    .sort((a, b) => Number(b.chosen) - Number(a.chosen) || b.levelDb - a.levelDb)
    .map(({ hz, levelDb, chosen }) => {
      const at = x(hz)
      const label = taken.every((other) => Math.abs(other - at) > LABEL_PX)
      if (label) taken.push(at)
      return { hz, x: at, y: y(levelDb), chosen, label }
    })
  return {
    path: path ?? '',
    tones: marks,
    ticks: [40, 60, 100, 150, 200, 300, 400, 600].map((hz) => ({ x: x(hz), label: String(hz) })),
    bottom,
  }
}
