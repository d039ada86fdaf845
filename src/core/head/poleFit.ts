import { median } from '../numeric/median'
import { invertSymmetric } from '../numeric/linear'
import { newtonDescend, type Minimum } from '../numeric/newton'
import { CENTS_PER_NEPER } from '../units/pitch'
import { lugAngle } from './harmonics'
import { likelihood, type Reader } from './poleLikelihood'
import type { LugReading } from './readings'

/**
 * A head has two edge frequencies, not one per lug (first-order perturbation of the degenerate (1,1) pair). A tap at
 * lug angle t shows them with the weights cos^2 and sin^2 of t - a, a the axis. This finds mean and second harmonic
 * (squared pitches, Hz^2) from what was heard at the lugs: both poles with their levels, one pole, or a bare number that
 * may be their weighted mean or the louder of the two. Which it was is not known, so all are weighed.
 */
export interface Gaussian3 {
  /** Mean, cosine, sine of the squared pitch, Hz^2. */
  x: [number, number, number]
  /** Covariance, row-major 3 x 3. */
  p: Float64Array
}

export interface PoleFit extends Gaussian3 {
  /** The prior that was used: wider than the one given where the readings contradict that. */
  prior: Gaussian3

  /** Lugs (0-based) whose reading is likelier another mode or a slip. */
  leftOut: number[]
}

const AXES = 12
const SIZES = [0.3, 1, 2.2]
const STARTS = 4

/**
 * Readings are first taken as if they were off by so many cents more, then sharper: far from the truth every reading looks
 * like a slip, and nothing says where to go. What was believed before softens with them.
 */
const SOFT_CENTS = [35, 8, 0]
const PRIOR_SOFTENS_CENTS = 6

/** Where more of the readings than this part contradict what was believed, that is the wrong one, and counts this much less. */
const CONTRADICTED = 0.34
const DOUBT = 36

/** @param prior what is believed before; with a wide prior the readings decide alone */
export function fitPoles(prior: Gaussian3, readings: readonly LugReading[], lugs: number): PoleFit {
  const fit = fitOnce(prior, readings, lugs)
  if (readings.length < 3 || fit.leftOut.length <= CONTRADICTED * readings.length) return fit
  const wide = { x: prior.x, p: prior.p.map((v) => DOUBT * v) }
  const again = fitOnce(wide, readings, lugs)
  if (again.leftOut.length <= CONTRADICTED * readings.length) return again
  // Nothing fits them all: a plain wave through them, not trusted far. Readings are never all thrown away.
  const loose = readings.map((reading) => ({
    ...reading,
    errorHz: Math.hypot(reading.errorHz, LOOSE * reading.hz),
  }))
  return { ...waveThrough(wide, loose, lugs), leftOut: [], prior: wide }
}

/** What readings that fit nothing are worth, as a part of their pitch: some 10 cents. */
const LOOSE = 0.006

function fitOnce(prior: Gaussian3, readings: readonly LugReading[], lugs: number): PoleFit {
  const weight = invertSymmetric(prior.p, 3)
  if (!weight || readings.length === 0) return { ...prior, leftOut: [], prior }
  const quick = fitAtOnce(prior, weight, readings, lugs)
  if (quick) return quick
  // One reader made all bare numbers of a round: either all are means or none is.
  const bare = readings.some(({ poles, alone }) => !poles && !alone)
  const readers: Reader[] = bare ? ['mean', 'louder'] : ['louder']
  const modes = readers.flatMap((reader) => modesFor(reader, prior, weight, readings, lugs))
  return { ...mixture(modes, prior), leftOut: slips(readings, modes, lugs), prior }
}

/** A reading is well explained when another mode is this much less likely than the head's own. */
const WELL_EXPLAINED = 0.02

/**
 * The common case, poles heard and nothing odd: from the plain wave through the readings straight down, taken when every
 * reading is well explained there. Null otherwise.
 */
function fitAtOnce(
  prior: Gaussian3,
  weight: Float64Array,
  readings: readonly LugReading[],
  lugs: number,
): PoleFit | null {
  if (readings.length < 3 || readings.some(({ poles, alone }) => !poles && !alone)) return null
  const length = (softCents: number) => stepScale(prior, readings, softCents)
  let x: readonly number[] = waveThrough(prior, readings, lugs).x
  let mode: Mode | null = null
  for (const softCents of SOFT_CENTS.slice(1)) {
    const score = scoreOf(prior, weight, readings, lugs, 'louder', softCents)
    mode = { ...newtonDescend(score, x, length(softCents)), reader: 'louder' }
    x = mode.x
  }
  const explained = readings.every((reading) => {
    const { total, slip } = likelihood(reading, x, lugs, 'louder')
    return slip < WELL_EXPLAINED * total
  })
  return explained && mode?.p ? { ...mixture([mode], prior), leftOut: [], prior } : null
}

/** Least squares of mean and second harmonic through the readings' weighted means, with the prior as a soft anchor. */
function waveThrough(prior: Gaussian3, readings: readonly LugReading[], lugs: number): Gaussian3 {
  let { x, p } = prior
  for (const { lug, hz, errorHz } of readings) {
    const angle = 2 * lugAngle(lug, lugs)
    const row = [1, Math.cos(angle), Math.sin(angle)]
    const gain = [0, 1, 2].map((i) => row.reduce((sum, v, j) => sum + p[i * 3 + j] * v, 0))
    const total = gain.reduce((sum, v, i) => sum + v * row[i], 0) + (2 * hz * errorHz) ** 2
    const off = hz * hz - row.reduce((sum, v, i) => sum + v * x[i], 0)
    x = x.map((v, i) => v + (gain[i] / total) * off) as Gaussian3['x']
    p = p.map((v, at) => v - (gain[Math.floor(at / 3)] * gain[at % 3]) / total)
  }
  return { x, p }
}

function scoreOf(
  prior: Gaussian3,
  weight: Float64Array,
  readings: readonly LugReading[],
  lugs: number,
  reader: Reader,
  softCents: number,
) {
  const soften = 1 + softCents / PRIOR_SOFTENS_CENTS
  return (x: readonly number[]) => {
    const d = x.map((v, i) => (v - prior.x[i]) / soften)
    let sum = 0
    for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) sum += 0.5 * d[i] * weight[i * 3 + j] * d[j]
    for (const reading of readings) sum -= Math.log(likelihood(reading, x, lugs, reader, softCents).total)
    return sum
  }
}

function modesFor(
  reader: Reader,
  prior: Gaussian3,
  weight: Float64Array,
  readings: readonly LugReading[],
  lugs: number,
): Mode[] {
  const scoreAt = (softCents: number) => scoreOf(prior, weight, readings, lugs, reader, softCents)
  const length = (softCents: number) => stepScale(prior, readings, softCents)
  const soft = scoreAt(SOFT_CENTS[0])
  let modes: Mode[] = startsOf(prior, readings, lugs)
    .map((x) => ({ x, value: soft(x), p: null, reader }))
    .sort((a, b) => a.value - b.value)
    .slice(0, STARTS)
  for (const softCents of SOFT_CENTS) {
    const score = scoreAt(softCents)
    modes = apart(
      modes.map(({ x }) => ({ ...newtonDescend(score, x, length(softCents)), reader })),
      length(softCents),
    )
  }
  return modes
}

/** Modes that differ; of those that came to the same place, one. */
function apart(modes: readonly Mode[], length: number): Mode[] {
  const sorted = [...modes].sort((a, b) => a.value - b.value)
  return sorted.filter(
    ({ x }, i) =>
      sorted.findIndex((other) => Math.hypot(...other.x.map((v, j) => v - x[j])) < 4 * length) === i,
  )
}

/** A length in Hz^2 over which the score bends: that of one reading's error. */
function stepScale(prior: Gaussian3, readings: readonly LugReading[], softCents: number): number {
  const errors = readings.map(
    ({ hz, errorHz }) => 2 * hz * Math.hypot(errorHz, (hz * softCents) / CENTS_PER_NEPER),
  )
  return 0.3 * Math.min(Math.min(...errors), Math.sqrt(prior.p[0]))
}

/** Starts: the prior, the plain wave through the numbers, and pairs of every axis and some sizes. */
function startsOf(prior: Gaussian3, readings: readonly LugReading[], lugs: number): number[][] {
  const middle = median(readings.map(({ hz }) => hz))
  const mean = middle ** 2
  const all = readings.flatMap(({ hz, poles }) => poles?.map((pole) => pole.hz) ?? [hz])
  const inside = all.filter((hz) => Math.abs(CENTS_PER_NEPER * Math.log(hz / middle)) < 250)
  const size = Math.max(2 * middle * 0.1, (Math.max(...inside) ** 2 - Math.min(...inside) ** 2) / 2)
  const waves = SIZES.flatMap((part) =>
    Array.from({ length: AXES }, (_, i) => {
      const angle = (2 * Math.PI * i) / AXES
      return [mean, part * size * Math.cos(angle), lugs === 4 ? prior.x[2] : part * size * Math.sin(angle)]
    }),
  )
  return [[...prior.x], [mean, 0, prior.x[2]], ...waves]
}

interface Mode extends Minimum {
  reader: Reader
}

/** The modes found as one normal law with their common mean and covariance. */
function mixture(modes: readonly Mode[], prior: Gaussian3): Gaussian3 {
  const usable = modes.filter(({ p }) => p !== null)
  if (usable.length === 0) return { x: modes.length ? (modes[0].x as Gaussian3['x']) : prior.x, p: prior.p }
  const best = Math.min(...usable.map(({ value }) => value))
  const weights = usable.map(({ value, p }) => Math.exp(best - value) * Math.sqrt(Math.abs(determinant(p!))))
  const total = weights.reduce((sum, w) => sum + w, 0)
  const x = [0, 1, 2].map((i) => usable.reduce((sum, mode, m) => sum + (weights[m] * mode.x[i]) / total, 0))
  const p = new Float64Array(9)
  usable.forEach((mode, m) => {
    for (let i = 0; i < 3; i++) {
      for (let j = 0; j < 3; j++)
        p[i * 3 + j] += (weights[m] / total) * (mode.p![i * 3 + j] + (mode.x[i] - x[i]) * (mode.x[j] - x[j]))
    }
  })
  // A flat place tells nothing: no wider than what was believed.
  const flat = [0, 4, 8].some((i) => !(p[i] > 0 && p[i] <= prior.p[i]))
  return { x: x as Gaussian3['x'], p: flat ? prior.p : p }
}

function determinant(a: Float64Array): number {
  return (
    a[0] * (a[4] * a[8] - a[5] * a[7]) -
    a[1] * (a[3] * a[8] - a[5] * a[6]) +
    a[2] * (a[3] * a[7] - a[4] * a[6])
  )
}

function slips(readings: readonly LugReading[], modes: readonly Mode[], lugs: number): number[] {
  const best = modes.reduce((a, b) => (b.value < a.value ? b : a))
  return readings
    .filter((reading) => {
      const { total, slip } = likelihood(reading, best.x, lugs, best.reader)
      return slip > 0.5 * total
    })
    .map(({ lug }) => lug)
}
