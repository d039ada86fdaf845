import { fisherDescend, type Scored } from '../numeric/fisher'
import { invertSymmetric } from '../numeric/linear'
import { median } from '../numeric/median'
import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from './harmonics'
import {
  densityOf,
  heardBetween,
  partsOf,
  polesOf,
  shareAt,
  worthOf,
  type Part,
  type Reader,
} from './readingLaw'
import type { LugReading } from './readings'

/**
 * Finds mean and second harmonic (squared pitches, Hz^2) of a head from what was read at its lugs and what was believed
 * before. The likelihood has several hills where only the louder pole is known, so it is climbed from many starts and all
 * hills that count are kept.
 */
export interface Gaussian3 {
  /** Mean, cosine, sine of the squared pitch, Hz^2. */
  x: [number, number, number]
  /** Covariance, row-major 3 x 3. */
  p: Float64Array
}

/** One hill: its place, width, and the log of the probability of the readings under it. */
export interface Hill extends Gaussian3 {
  logEvidence: number
}

/** Readings are first taken as if off by so many cents more: far from the truth each looks like a slip. */
const SOFT_CENTS = [25, 6, 0]
/** While soft only the way is looked for, not the place. */
const SOFT_STEPS = 5
/** What was believed before softens with them, by one over so many cents. */
const PRIOR_SOFTENS_CENTS = 6
/** Axes of the pair that are tried, and how sharply the louder pole is heard in those tries. */
const AXES = 24
const START_POWERS = [1, 8]
/** A reading that lies this many times the usual off a try's wave is not counted in it. */
const STRAY_TIMES = 3
/** Tries are told apart from each other, and only so many are climbed. */
const CLIMBED = 3
/** Step of the gradient's differences, relative to the mean squared pitch. */
const GRADIENT_STEP = 1e-6
/** Hills nearer than this, in squared standard errors, are one. */
const ONE_HILL = 1

/** Starts that do not depend on what is believed; worked out once for a round's readings. */
export function startsFor(readings: readonly LugReading[], lugs: number): Array<[number, number, number]> {
  const points = readings.flatMap(({ lug, hz, poles }) => {
    const angle = 2 * lugAngle(lug, lugs)
    return [{ angle, squared: poles ? (poles[0].hz ** 2 + poles[1].hz ** 2) / 2 : hz * hz, poles }]
  })
  const all = readings.flatMap(({ hz, poles }) => poles?.map((pole) => pole.hz ** 2) ?? [hz * hz])
  const middle = median(all)
  const inside = all.filter((value) => Math.abs(Math.log(value / middle)) < WIDEST_LOG)
  const mid = (Math.max(...inside) + Math.min(...inside)) / 2
  const half = Math.max(0.004 * mid, (Math.max(...inside) - Math.min(...inside)) / 2)
  const starts: Array<[number, number, number]> = [[middle, 0, 0]]
  for (let step = 0; step < AXES; step++) {
    const axis = (Math.PI * step) / AXES
    const [cosine, sine] = [Math.cos(2 * axis), Math.sin(2 * axis)]
    starts.push([mid, half * cosine, half * sine])
    for (const power of START_POWERS) {
      const wave = waveAlong(points, axis, power)
      if (wave) starts.push([wave.mean, wave.size * cosine, wave.size * sine])
    }
  }
  return starts
}

/** Squared pitches further than this from the middle, as a logarithm, are another mode: pairs up to 450 cents are looked for. */
const WIDEST_LOG = (2 * 450) / CENTS_PER_NEPER

/** Mean and size of the pair along a given axis, by least squares; strays are left out the second time. */
function waveAlong(points: ReadonlyArray<{ angle: number; squared: number }>, axis: number, power: number) {
  let used = points.map(({ angle, squared }) => {
    const share = 0.5 * (1 + Math.cos(angle - 2 * axis))
    const up = (share + 1e-6) ** power
    return { level: (2 * up) / (up + (1 - share + 1e-6) ** power) - 1, squared }
  })
  for (let turn = 0; turn < 2; turn++) {
    const n = used.length
    const meanLevel = used.reduce((sum, { level }) => sum + level, 0) / n
    const meanSquared = used.reduce((sum, { squared }) => sum + squared, 0) / n
    const sxx = used.reduce((sum, { level }) => sum + (level - meanLevel) ** 2, 0)
    if (n < 2 || sxx < 0.05) return null
    const sxy = used.reduce(
      (sum, { level, squared }) => sum + (level - meanLevel) * (squared - meanSquared),
      0,
    )
    const size = sxy / sxx
    const mean = meanSquared - size * meanLevel
    if (turn === 1) return size > 0 && size < 0.5 * mean ? { mean, size } : null
    const off = used.map(({ level, squared }) => Math.abs(squared - mean - size * level))
    const usual = Math.max(median(off), 1e-3 * mean)
    used = used.filter((_, i) => off[i] <= STRAY_TIMES * usual)
  }
  return null
}

/** The hills of what is believed after some readings, the likeliest first; none where nothing fits at all. */
export function fitHills(
  prior: Gaussian3,
  readings: readonly LugReading[],
  lugs: number,
  reader: Reader,
  starts: ReadonlyArray<readonly [number, number, number]>,
): Hill[] {
  const weight = invertSymmetric(prior.p, 3)
  if (!weight) return []
  const h = GRADIENT_STEP * Math.max(100, prior.x[0])
  const soft = scoreOf(prior, weight, readings, lugs, reader, SOFT_CENTS[0])
  const first = starts
    .map((x) => ({ x, value: soft.value(x) }))
    .sort((a, b) => a.value - b.value)
    .slice(0, CLIMBED)
  let climbed: Array<{ x: ArrayLike<number>; value: number; p: Float64Array }> = []
  let from: Array<ArrayLike<number>> = [prior.x, ...first.map(({ x }) => x)]
  for (const cents of SOFT_CENTS) {
    const score = scoreOf(prior, weight, readings, lugs, reader, cents)
    climbed = apart(
      from.flatMap((x) => {
        const found = fisherDescend(score.value, score.scored, x, h, cents > 0 ? SOFT_STEPS : undefined)
        return found ? [found] : []
      }),
    )
    from = climbed.map(({ x }) => x)
  }
  const logPrior = 0.5 * logDeterminant(weight)
  return climbed.map(({ x, value, p }) => ({
    x: [x[0], x[1], x[2]],
    p,
    logEvidence: -value + logPrior + 0.5 * logDeterminant(p),
  }))
}

/** Of climbs that ended on the same hill, one. */
function apart<T extends { x: ArrayLike<number>; value: number; p: Float64Array }>(
  climbed: readonly T[],
): T[] {
  const kept: T[] = []
  for (const one of [...climbed].sort((a, b) => a.value - b.value)) {
    if (!kept.some((other) => distance(one.x, other) < ONE_HILL)) kept.push(one)
  }
  return kept
}

/** Squared distance of a place from a hill, in its standard errors. */
export function distance(x: ArrayLike<number>, hill: { x: ArrayLike<number>; p: Float64Array }): number {
  const inverse = invertSymmetric(hill.p, 3)
  if (!inverse) return Infinity
  let sum = 0
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++) sum += (x[i] - hill.x[i]) * inverse[i * 3 + j] * (x[j] - hill.x[j])
  return sum
}

function scoreOf(
  prior: Gaussian3,
  weight: Float64Array,
  readings: readonly LugReading[],
  lugs: number,
  reader: Reader,
  softCents: number,
) {
  const ease = 1 / (1 + softCents / PRIOR_SOFTENS_CENTS) ** 2
  const soft = softCents / CENTS_PER_NEPER
  const priorPart = (x: ArrayLike<number>) => {
    let sum = 0
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) sum += (x[i] - prior.x[i]) * weight[i * 3 + j] * (x[j] - prior.x[j])
    return 0.5 * ease * sum
  }
  const value = (x: ArrayLike<number>) => {
    const poles = polesOf(x)
    let sum = priorPart(x)
    for (const reading of readings)
      sum -= Math.log(densityOf(reading, partsOf(reading, poles, lugs, reader, soft)).total)
    return sum
  }
  /** Slopes of the residuals by differences; each way a reading can come about counts as far as it is likely. */
  const scored = (x: ArrayLike<number>): Scored => {
    const step = 10 * GRADIENT_STEP * Math.max(100, x[0])
    const at = polesOf(x)
    const near = [0, 1, 2].map((i) => polesOf([0, 1, 2].map((j) => x[j] + (i === j ? step : 0))))
    const information = weight.map((w) => ease * w)
    let sum = priorPart(x)
    for (const reading of readings) {
      const parts = partsOf(reading, at, lugs, reader, soft)
      const { total } = densityOf(reading, parts)
      sum -= Math.log(total)
      const moved = near.map((poles) => partsOf(reading, poles, lugs, reader, soft))
      parts.forEach((part, at) => addInformation(information, reading, part, moved, at, total, step))
      if (reader === 'peak' && !reading.poles) addChoice(information, reading.lug, at, near, lugs, step)
    }
    return { value: sum, information }
  }
  return { value, scored }
}

/** How softly a lug turns from one pole to the other, as a share: about as far as two lugs' shares lie apart. */
const CHOICE_SOFTNESS = 0.2

/**
 * Which of two parted poles a lug shows says on which side of the axis it lies, though no residual changes with that: the
 * information of a choice between two, q (1 - q) times the square of its log odds' slope.
 */
function addChoice(
  information: Float64Array,
  lug: number,
  at: ReturnType<typeof polesOf>,
  near: ReadonlyArray<ReturnType<typeof polesOf>>,
  lugs: number,
  step: number,
) {
  const share = shareAt(at, lug, lugs)
  const q = 1 / (1 + Math.exp(-(share - 0.5) / CHOICE_SOFTNESS))
  const slopes = near.map((poles) => (shareAt(poles, lug, lugs) - share) / step / CHOICE_SOFTNESS)
  const parted = 1 - 1 / heardBetween(share, at.apart, 'peak').sharpness ** 2
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++) information[i * 3 + j] += parted * q * (1 - q) * slopes[i] * slopes[j]
}

function addInformation(
  information: Float64Array,
  reading: LugReading,
  part: Part,
  moved: readonly Part[][],
  index: number,
  total: number,
  step: number,
) {
  const own = densityOf(reading, [part])
  const likely = Math.max(0, own.total - own.slip) / total
  if (likely < 1e-6) return
  const worth = (likely * worthOf(part.residuals)) / step ** 2
  for (let r = 0; r < part.residuals.length; r++) {
    const residual = part.residuals[r]
    for (let i = 0; i < 3; i++) {
      const slope = worth * (moved[i][index].residuals[r] - residual)
      for (let j = 0; j < 3; j++) information[i * 3 + j] += slope * (moved[j][index].residuals[r] - residual)
    }
  }
}

function logDeterminant(a: Float64Array): number {
  return Math.log(
    Math.max(
      1e-300,
      a[0] * (a[4] * a[8] - a[5] * a[7]) -
        a[1] * (a[3] * a[8] - a[5] * a[6]) +
        a[2] * (a[3] * a[7] - a[4] * a[6]),
    ),
  )
}

/** Lugs (0-based) whose reading is likelier another mode or a slip than what this state would show. */
export function slipsOf(
  x: ArrayLike<number>,
  readings: readonly LugReading[],
  lugs: number,
  reader: Reader,
): number[] {
  const poles = polesOf(x)
  return readings
    .filter((reading) => {
      const { total, slip } = densityOf(reading, partsOf(reading, poles, lugs, reader, 0))
      return !reading.confirmed && slip > 0.5 * total
    })
    .map(({ lug }) => lug)
}
