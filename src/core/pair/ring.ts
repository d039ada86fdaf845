import { LUG_DECAY_POWER } from '../head/readingLaw'
import { cholesky, choleskySolve, inverseOf } from '../numeric/linear'
import { ENOUGH_STEPS } from '../numeric/slope'
import { radiationPerSecond } from '../membrane/radiation'
import type { LayerId } from './layers'
import { pairState, type PairParts } from './model'
import type { PairDrum, PairPlace } from './types'

/**
 * How long the lowest note of a drum rings, and how far it bends. Losses add up, in 1/s: the drum's own (film, edge, shell),
 * the sound that leaves it (`membrane/radiation`), every layer of muffling, and the place it hangs in. All but the second are
 * learned from the strokes that were measured on this drum.
 */
export interface RingStroke {
  batterHz: number
  /** Null on a drum of one head. */
  resonantHz: number | null
  decaySeconds: number
  /** Cents by which the stroke began above its settled pitch; null where not heard. */
  glideCents: number | null
  layers: readonly LayerId[]
  /** Place it hung in; null for held, or not said. */
  hung: string | null
}

/** Time until a tone is 20 dB down, from the time in which its amplitude falls by a factor e. */
export const sustainSeconds = (decaySeconds: number) => Math.LN10 * decaySeconds

export interface LearnedRing {
  /** Logarithms: own loss at 100 Hz, a factor on radiation, then one for each of `extras`. */
  logs: number[]
  covariance: number[]
  extras: string[]
  strokes: readonly RingStroke[]
}

export interface RingForecast {
  /** Time in which the amplitude falls by a factor e. */
  decaySeconds: number
  /** One standard error as a factor: a decay of 0.3 s with 1.5 lies between 0.2 and 0.45. */
  factor: number
  /** Part of the loss that leaves as sound. */
  radiated: number
  /** The stroke begins so much above the settled pitch, negative below: this drum's own strokes near this relation. */
  bendCents: number
  bendErrorCents: number
}

/** Before a stroke was measured, at 100 Hz: from taps of common drums (decays 0.05 to 1.5 s; no source), wide. */
const OWN = { log: Math.log(3), sd: 0.6 }
const RADIATION_SD = 0.3
/** A layer of muffling, and a place on the stand, before they were heard. */
const LAYER = { log: Math.log(2), sd: 0.8 }
const PLACE = { log: Math.log(1), sd: 1 }
/** Two strokes of one hand on one drum differ by this, as a logarithm. */
const STROKE_SD = 0.12
/** A stroke begins so much sharp before this drum was heard; and what one stroke is worth. */
const BEND = { cents: 40, sd: 30, stroke: 15 }
/** Strokes at a relation this far off say little of the bend, in cents. */
const BEND_REACH_CENTS = 250

const placeKey = (hung: string) => `hung:${hung}`
const extrasOf = ({ layers, hung }: Pick<RingStroke, 'layers' | 'hung'>): string[] => [
  ...layers,
  ...(hung === null ? [] : [placeKey(hung)]),
]
const priorOf = (extra: string) => (extra.startsWith('hung:') ? PLACE : LAYER)

/** Losses of a drum from its strokes, by Gauss and Newton from what is usual. */
export function learnRing(drum: PairDrum, strokes: readonly RingStroke[], parts: PairParts): LearnedRing {
  const extras = [...new Set(strokes.flatMap(extrasOf))]
  const prior = [OWN, { log: 0, sd: RADIATION_SD }, ...extras.map(priorOf)]
  const rows = strokes.map((stroke) => ({ stroke, terms: termsOf(drum, stroke, parts, extras) }))
  let logs = prior.map(({ log }) => log)
  const n = logs.length
  let factor: Float64Array = new Float64Array(n * n)
  for (let step = 0; step < ENOUGH_STEPS; step++) {
    const normal = new Float64Array(n * n)
    prior.forEach(({ sd }, i) => (normal[i * n + i] = 1 / sd ** 2))
    const gradient = prior.map(({ log, sd }, i) => (log - logs[i]) / sd ** 2)
    for (const { stroke, terms } of rows) {
      const parts = terms.map((term, i) => term * Math.exp(logs[i]))
      const loss = parts.reduce((sum, part) => sum + part, 0)
      // The logarithm of the decay falls with each part of the loss.
      const slope = parts.map((part) => -part / loss)
      const miss = Math.log(stroke.decaySeconds * loss)
      slope.forEach((a, i) => {
        gradient[i] += (a * miss) / STROKE_SD ** 2
        slope.forEach((b, j) => (normal[i * n + j] += (a * b) / STROKE_SD ** 2))
      })
    }
    // The prior makes it positive definite, whatever was heard.
    factor = cholesky(normal, n)!
    const change = [...choleskySolve(factor, gradient, n)]
    // Short steps: a loss that is all but nothing has no slope.
    logs = logs.map((log, i) => log + Math.max(-0.7, Math.min(0.7, change[i])))
    if (Math.max(...change.map(Math.abs)) < 1e-6) break
  }
  return { logs, covariance: inverseOf(factor, n), extras, strokes }
}

/** Loss of each kind, for a factor of one. */
function termsOf(
  drum: PairDrum,
  at: Pick<RingStroke, 'batterHz' | 'resonantHz' | 'layers' | 'hung'>,
  parts: PairParts,
  extras: readonly string[],
): number[] {
  const { together } = pairState(drum, at, parts)
  const plies = { batter: drum.batter.pliesMils, resonant: drum.resonant?.pliesMils ?? null }
  const on = extrasOf(at)
  return [
    (together.hz / 100) ** LUG_DECAY_POWER,
    radiationPerSecond(drum.diameterInches, drum.depthInches, together.hz, plies, together),
    ...extras.map((extra) => (on.includes(extra) ? 1 : 0)),
  ]
}

/** Ring and bend of a state of the drum, with their errors. Layers never heard on this drum count as usual, with doubt. */
export function foretellRing(
  drum: PairDrum,
  at: Pick<RingStroke, 'batterHz' | 'resonantHz' | 'layers' | 'hung'>,
  learned: LearnedRing,
  parts: PairParts,
): RingForecast {
  const fresh = extrasOf(at).filter((extra) => !learned.extras.includes(extra))
  const terms = termsOf(drum, at, parts, learned.extras)
  const known = terms.map((term, i) => term * Math.exp(learned.logs[i]))
  const added = fresh.map((extra) => Math.exp(priorOf(extra).log))
  const loss = [...known, ...added].reduce((sum, part) => sum + part, 0)
  const n = known.length
  let variance = STROKE_SD ** 2
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) variance += (known[i] * known[j] * learned.covariance[i * n + j]) / loss ** 2
  fresh.forEach((extra, i) => (variance += ((added[i] / loss) * priorOf(extra).sd) ** 2))
  return {
    decaySeconds: 1 / loss,
    factor: Math.exp(Math.sqrt(variance)),
    radiated: known[1] / loss,
    ...bendNear(at, learned.strokes),
  }
}

const above = ({ batterHz, resonantHz }: PairPlace) => 1200 * Math.log2((resonantHz ?? batterHz) / batterHz)

/** Bend from the strokes at a like relation, beside what is usual: which way it goes is the drum's to say. */
function bendNear(at: PairPlace, strokes: readonly RingStroke[]) {
  let weight = 1 / BEND.sd ** 2
  let sum = BEND.cents * weight
  for (const stroke of strokes) {
    if (stroke.glideCents === null) continue
    const off = (above(stroke) - above(at)) / BEND_REACH_CENTS
    const own = Math.exp(-0.5 * off ** 2) / BEND.stroke ** 2
    weight += own
    sum += own * stroke.glideCents
  }
  return { bendCents: sum / weight, bendErrorCents: Math.sqrt(1 / weight + BEND.stroke ** 2) }
}
