import { cholesky, choleskySolve, inverseOf } from '../numeric/linear'
import { ENOUGH_STEPS, slopeAt } from '../numeric/slope'
import { CENTS_PER_NEPER } from '../units/pitch'
import { centreHz, PART_KEYS, USUAL_PARTS, type PairParts } from './model'
import type { PairDrum, PairPlace, PairReading } from './types'

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
 * the effective depth by vents, beds and what is inside, air outside by shell, stand and room (0.6 to 1.0), the whole by what
 * the model of one shape leaves out. Judgements (docs/decisions/two-heads.md).
 */
const PRIOR: PairParts = { batterMass: 0.07, resonantMass: 0.07, depth: 0.045, outside: 0.13, centre: 0.002 }
/** A hole of unknown place and rim lets more or less air through, and an opened drum loads its heads otherwise. */
const PORTED_CENTRE = 0.012
/** A centre reading and the lug pitches beside it are worth this, in cents; what no part explains is in it. */
const READING_CENTS = 3.6
const SETTLED = 1e-4

/** A place whose centre was read. */
type Triple = PairPlace & { centreHz: number }

function triplesOf(drum: PairDrum, seen: readonly PairReading[]): Triple[] {
  return seen.flatMap(({ batterHz, resonantHz, centreHz: hz }) =>
    batterHz === null || hz === null || (drum.resonant !== null && resonantHz === null)
      ? []
      : [{ batterHz, resonantHz, centreHz: hz }],
  )
}

/** Parts of a drum from its readings, by Gauss and Newton from the usual ones; without a centre read they are those. */
export function learnPair(drum: PairDrum, seen: readonly PairReading[]): LearnedPair {
  const read = triplesOf(drum, seen)
  let parts = USUAL_PARTS
  // Slopes hardly change over what parts can be: they are worked out once, and the misses at every step.
  const slopes = read.map((each) => slopeOf(drum, each, parts))
  const prior = priorOf(drum)
  const n = PART_KEYS.length
  const normal = new Float64Array(n * n)
  PART_KEYS.forEach((key, i) => (normal[i * n + i] = 1 / prior[key] ** 2))
  for (const slope of slopes)
    slope.forEach((a, i) => slope.forEach((b, j) => (normal[i * n + j] += (a * b) / READING_CENTS ** 2)))
  // The prior makes it positive definite, whatever was read.
  const factor = cholesky(normal, n)!
  for (let step = 0; step < (read.length ? ENOUGH_STEPS : 0); step++) {
    const gradient = PART_KEYS.map((key) => (USUAL_PARTS[key] - parts[key]) / prior[key] ** 2)
    read.forEach((each, n) => {
      const miss = CENTS_PER_NEPER * Math.log(each.centreHz / centreHz(drum, each, parts))
      slopes[n].forEach((slope, i) => (gradient[i] += (slope * miss) / READING_CENTS ** 2))
    })
    const change = [...choleskySolve(factor, gradient, n)]
    parts = Object.fromEntries(
      PART_KEYS.map((key, i) => [key, parts[key] + change[i]]),
    ) as unknown as PairParts
    if (Math.max(...change.map(Math.abs)) < SETTLED) break
  }
  return { parts, covariance: inverseOf(factor, n), readings: read.length }
}

const priorOf = ({ port }: PairDrum): PairParts =>
  port ? { ...PRIOR, centre: Math.hypot(PRIOR.centre, PORTED_CENTRE) } : PRIOR

/** Slope of the centre pitch in cents per part. */
function slopeOf(drum: PairDrum, at: PairPlace, parts: PairParts): number[] {
  const value = centreHz(drum, at, parts)
  return PART_KEYS.map((key) => {
    if (key === 'centre') return CENTS_PER_NEPER
    const moved = (part: number) =>
      CENTS_PER_NEPER * Math.log(centreHz(drum, at, { ...parts, [key]: part }) / value)
    return slopeAt(moved, parts[key], 0)
  })
}

/** Centre pitch in Hz by what is learned, with one standard error in cents. */
export function predictCentre(
  drum: PairDrum,
  at: PairPlace,
  { parts, covariance }: LearnedPair,
): { hz: number; errorCents: number } {
  const slope = slopeOf(drum, at, parts)
  const n = PART_KEYS.length
  let variance = READING_CENTS ** 2
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) variance += slope[i] * covariance[i * n + j] * slope[j]
  return { hz: centreHz(drum, at, parts), errorCents: Math.sqrt(variance) }
}
