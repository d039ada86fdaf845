import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { CENTS_PER_NEPER } from '../units/pitch'
import { centreHz, PART_KEYS, USUAL_PARTS, type PairParts } from './model'
import type { PairDrum, PairReading } from './types'

/** What a drum's own centre readings taught of its parts, with their covariance. */
export interface LearnedPair {
  parts: PairParts
  /** Covariance of the parts in the order of `PART_KEYS`, row-major. */
  covariance: number[]
  /** Readings with a centre pitch behind it. */
  readings: number
}

/**
 * How far real drums lie from what their sizes say, as one standard error of a logarithm: films by their coating and make,
 * the effective depth by vents, beds and what is inside, the whole by edges and by what the model leaves out.
 */
const PRIOR: PairParts = { batterMass: 0.12, resonantMass: 0.12, depth: 0.12, centre: 0.02 }
/** A centre reading and the lug pitches beside it are worth this, in cents; what no part explains is in it. */
const READING_CENTS = 6
const STEPS = 12
const PROBE = 0.01

/** Parts of a drum from its readings, by Gauss and Newton from the usual ones; without a centre read they are those. */
export function learnPair(drum: PairDrum, seen: readonly PairReading[]): LearnedPair {
  const read = seen.flatMap(({ batterHz, resonantHz, centreHz: hz }) =>
    hz === null ? [] : [{ batterHz, resonantHz, centreHz: hz }],
  )
  let parts = USUAL_PARTS
  let normal = priorPrecision()
  for (let step = 0; step < (read.length ? STEPS : 0); step++) {
    normal = priorPrecision()
    const gradient = PART_KEYS.map((key) => -parts[key] / PRIOR[key] ** 2)
    for (const each of read) {
      const { value, slope } = withSlope(drum, each.batterHz, each.resonantHz, parts)
      const miss = CENTS_PER_NEPER * Math.log(each.centreHz / value)
      slope.forEach((a, i) => {
        gradient[i] += (a * miss) / READING_CENTS ** 2
        slope.forEach((b, j) => normal.set(i, j, normal.get(i, j) + (a * b) / READING_CENTS ** 2))
      })
    }
    const change = new CholeskyDecomposition(normal).solve(Matrix.columnVector(gradient)).to1DArray()
    parts = Object.fromEntries(
      PART_KEYS.map((key, i) => [key, parts[key] + change[i]]),
    ) as unknown as PairParts
    if (Math.max(...change.map(Math.abs)) < 1e-5) break
  }
  const covariance = new CholeskyDecomposition(normal).solve(Matrix.eye(PART_KEYS.length)).to1DArray()
  return { parts, covariance, readings: read.length }
}

function priorPrecision(): Matrix {
  return Matrix.diag(PART_KEYS.map((key) => 1 / PRIOR[key] ** 2))
}

/** Centre pitch in Hz and its slope in cents per part. */
function withSlope(drum: PairDrum, batterHz: number, resonantHz: number, parts: PairParts) {
  const value = centreHz(drum, batterHz, resonantHz, parts)
  const slope = PART_KEYS.map((key) => {
    const moved = centreHz(drum, batterHz, resonantHz, { ...parts, [key]: parts[key] + PROBE })
    return (CENTS_PER_NEPER * Math.log(moved / value)) / PROBE
  })
  return { value, slope }
}

/** Centre pitch in Hz by what is learned, with one standard error in cents. */
export function predictCentre(
  drum: PairDrum,
  batterHz: number,
  resonantHz: number,
  { parts, covariance }: LearnedPair,
): { hz: number; errorCents: number } {
  const { value, slope } = withSlope(drum, batterHz, resonantHz, parts)
  const n = PART_KEYS.length
  let variance = READING_CENTS ** 2
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) variance += slope[i] * covariance[i * n + j] * slope[j]
  return { hz: value, errorCents: Math.sqrt(variance) }
}
