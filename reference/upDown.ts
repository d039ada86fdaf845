import type { Scale } from '@/core/ear/staircase'

/**
 * The plain staircase that the Bayesian one is held against: after two right answers the difference gets smaller, after
 * one wrong answer larger. It settles where both are as likely: 70.7% right (Levitt 1971, JASA 49, 467-477).
 */
export interface UpDown {
  place: number
  rights: number
  /** Levels at which it turned back. */
  turns: number[]
  way: 'up' | 'down' | null
}

export const LEVITT_RIGHT = Math.SQRT1_2

export const beginUpDown = (place: number): UpDown => ({ place, rights: 0, turns: [], way: null })

/** Places a step: large until it has turned twice, then small. */
const FIRST_STEP = 4
const FIRST_TURNS = 2

/** After an answer at the present level. */
export function stepUpDown(at: UpDown, right: boolean, { levels }: Pick<Scale, 'levels'>, step = 2): UpDown {
  if (right && at.rights === 0) return { ...at, rights: 1 }
  const way = right ? 'down' : 'up'
  const by = at.turns.length < FIRST_TURNS ? FIRST_STEP : step
  const place = Math.max(0, Math.min(levels.length - 1, at.place + (right ? -by : by)))
  const turned = at.way !== null && at.way !== way
  return { place, rights: 0, way, turns: turned ? [...at.turns, levels[at.place]] : at.turns }
}

/** Geometric mean of the levels at which it turned, those of the large steps left out; null before there are two. */
export function upDownThreshold({ turns }: UpDown): number | null {
  const used = turns.slice(FIRST_TURNS)
  if (used.length < 2) return null
  return Math.exp(used.reduce((sum, level) => sum + Math.log(level), 0) / used.length)
}
