import { once } from '../numeric/once'
import { chanceRight, type Listener } from './psychometric'

/**
 * A Bayesian staircase: what is believed of a listener, over a grid of thresholds, slopes and lapses, and the next
 * difference to play, the one after which the threshold is expected to be known best (Watson & Pelli 1983, Perception &
 * Psychophysics 33, the belief; King-Smith et al. 1994, Vision Research 34, least expected variance; Kontsevich & Tyler
 * 1999, Vision Research 39, the slope beside the threshold; all from memory). See docs/decisions/ear.md.
 */
export interface Scale {
  /** Differences that can be played, rising, in the drill's own unit. */
  levels: readonly number[]
  /** Probability of being right by guessing. */
  guess: number
}

export interface Played {
  level: number
  right: boolean
}

export interface Believed {
  /** In the unit of the levels: the geometric mean of what is believed, and one standard error. */
  threshold: number
  error: number
  lapse: number
  slope: number
  /** Probability, from even odds, that something was heard at all rather than guessed throughout. */
  skill: number
  /** Probability that the threshold lies above the largest difference that can be played. */
  beyond: number
}

const THRESHOLDS = 64
/** Thresholds are believed possible from this part of the smallest level to this many times the largest. */
const BELOW = 0.35
const ABOVE = 2.2
const SLOPES = [0.8, 1.1, 1.5, 2.1, 2.9, 4]
/** Weights of the slopes before anything was heard: in pitch tasks what is heard grows about in step with the difference, or faster (from memory). */
const SLOPE_WEIGHTS = [0.7, 1, 1.2, 1.2, 1, 0.7]
const LAPSES = [0.002, 0.015, 0.03, 0.05, 0.08, 0.12]
/** Lapses are rare among people who attend. */
const LAPSE_WEIGHTS = [1, 1, 1, 0.8, 0.4, 0.15]

interface Grid {
  listeners: readonly Listener[]
  prior: Float64Array
  logThresholds: Float64Array
  /** Probability of a right answer: by level, then by listener. */
  right: readonly Float64Array[]
}

function makeGrid({ levels, guess }: Scale): Grid {
  const low = Math.log(BELOW * levels[0])
  const high = Math.log(ABOVE * levels[levels.length - 1])
  const listeners: Listener[] = []
  const weights: number[] = []
  for (let i = 0; i < THRESHOLDS; i++) {
    const threshold = Math.exp(low + ((high - low) * i) / (THRESHOLDS - 1))
    SLOPES.forEach((slope, s) =>
      LAPSES.forEach((lapse, l) => {
        listeners.push({ threshold, slope, lapse })
        weights.push(SLOPE_WEIGHTS[s] * LAPSE_WEIGHTS[l])
      }),
    )
  }
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return {
    listeners,
    prior: Float64Array.from(weights, (weight) => weight / total),
    logThresholds: Float64Array.from(listeners, ({ threshold }) => Math.log(threshold)),
    right: levels.map((level) => Float64Array.from(listeners, (each) => chanceRight(level, each, guess))),
  }
}

const grids = new Map<string, () => Grid>()

function gridOf(scale: Scale): Grid {
  const key = JSON.stringify(scale)
  let make = grids.get(key)
  if (!make) grids.set(key, (make = once(() => makeGrid(scale))))
  return make()
}

/** A staircase as it stands. The same answers in any order leave the same belief. */
export class Staircase {
  private readonly grid: Grid
  private belief: Float64Array
  /** Log probability of all answers, by the belief before them, and by guessing. */
  private logHeard = 0
  private logGuessed = 0

  constructor(
    readonly scale: Scale,
    played: readonly Played[] = [],
  ) {
    this.grid = gridOf(scale)
    this.belief = this.grid.prior
    for (const each of played) this.take(each)
  }

  /** Takes an answer in. `level` is rounded to the nearest that can be played. */
  take({ level, right }: Played): void {
    const probability = this.grid.right[this.placeOf(level)]
    const next = new Float64Array(this.belief.length)
    let total = 0
    for (let i = 0; i < next.length; i++) {
      next[i] = this.belief[i] * (right ? probability[i] : 1 - probability[i])
      total += next[i]
    }
    for (let i = 0; i < next.length; i++) next[i] /= total
    this.belief = next
    this.logHeard += Math.log(total)
    this.logGuessed += Math.log(right ? this.scale.guess : 1 - this.scale.guess)
  }

  private placeOf(level: number): number {
    const { levels } = this.scale
    let best = 0
    for (let i = 1; i < levels.length; i++)
      if (Math.abs(Math.log(levels[i] / level)) < Math.abs(Math.log(levels[best] / level))) best = i
    return best
  }

  /** The level after which the threshold is expected to be known best. */
  next(): number {
    const { levels } = this.scale
    const costs = levels.map((_, place) => this.varianceAfter(place))
    return levels[costs.indexOf(Math.min(...costs))]
  }

  /** Expected variance of the threshold's logarithm after the level at a place was played. */
  private varianceAfter(place: number): number {
    const probability = this.grid.right[place]
    const { logThresholds } = this.grid
    let p1 = 0
    let m1 = 0
    let s1 = 0
    let m = 0
    let s = 0
    for (let i = 0; i < this.belief.length; i++) {
      const weight = this.belief[i]
      const x = logThresholds[i]
      const both = weight * probability[i]
      p1 += both
      m1 += both * x
      s1 += both * x * x
      m += weight * x
      s += weight * x * x
    }
    const p0 = 1 - p1
    return s1 - (m1 * m1) / p1 + (s - s1 - (m - m1) ** 2 / p0)
  }

  believed(): Believed {
    const { listeners, logThresholds } = this.grid
    let mean = 0
    let square = 0
    let lapse = 0
    let slope = 0
    let beyond = 0
    const most = this.scale.levels[this.scale.levels.length - 1]
    for (let i = 0; i < this.belief.length; i++) {
      const weight = this.belief[i]
      mean += weight * logThresholds[i]
      square += weight * logThresholds[i] ** 2
      lapse += weight * listeners[i].lapse
      slope += weight * listeners[i].slope
      if (listeners[i].threshold > most) beyond += weight
    }
    const threshold = Math.exp(mean)
    return {
      threshold,
      error: threshold * Math.sqrt(Math.max(0, square - mean * mean)),
      lapse,
      slope,
      skill: 1 / (1 + Math.exp(this.logGuessed - this.logHeard)),
      beyond,
    }
  }

  /** Right answers expected at a level, by what is believed. */
  expectedRight(level: number): number {
    const probability = this.grid.right[this.placeOf(level)]
    return this.belief.reduce((sum, weight, i) => sum + weight * probability[i], 0)
  }
}
