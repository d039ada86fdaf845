import { USUAL_RELATION_CENTS, usualLugHz } from '../kit/usual'
import { ENOUGH_STEPS, slopeAt } from '../numeric/slope'
import { CENTS_PER_NEPER } from '../units/pitch'
import { predictCentre, type LearnedPair } from './learn'
import { centreHz } from './model'
import type { PairDrum, PairReading } from './types'

/**
 * Where both heads stand by what was read of them: the usual pitches of such a drum, either lug and the centre, each with its
 * error. Edge and centre alone tell of the other head; so does one head, a little.
 */
export interface PairBelief {
  batterHz: number
  /** Null on a drum of one head. */
  resonantHz: number | null
  errorCents: { batter: number; resonant: number }
  /** The reading that would tell most of where the heads stand; null where none would tell much. */
  readNext: 'batter' | 'resonant' | 'centre' | null
}

/** A size says no more than this of a batter, and of how far the other head stands above it; cents. */
const USUAL_CENTS = 250
const RELATION_CENTS = 300
/** A lug pitch that was read is worth this, in cents: its own error and what the head did since. */
const LUG_CENTS = 3
/** A reading that would not halve a doubt of this many cents is not asked for. */
const WORTH_CENTS = 12

/** Most likely place of both heads, by Gauss and Newton in logarithms. */
export function believePair(drum: PairDrum, read: PairReading, learned: LearnedPair): PairBelief {
  const start = Math.log(read.batterHz ?? usualOf(drum))
  if (!drum.resonant) return oneHead(drum, read, learned, start)
  const relation = USUAL_RELATION_CENTS[drum.kind] / CENTS_PER_NEPER
  let at: Point = [start, read.resonantHz === null ? start + relation : Math.log(read.resonantHz)]
  let normal: Normal = [0, 0, 0]
  for (let step = 0; step < ENOUGH_STEPS; step++) {
    const fit = fitAt(drum, read, learned, at)
    normal = fit.normal
    const change = solve2(normal, fit.gradient)
    // Short steps: over an octave the centre is far from straight.
    at = [at[0] + short(change[0]), at[1] + short(change[1])]
    if (Math.max(Math.abs(change[0]), Math.abs(change[1])) < 1e-6) break
  }
  const [batterHz, resonantHz] = at.map(Math.exp)
  const error = errorsOf(normal)
  return {
    ...{ batterHz, resonantHz },
    errorCents: { batter: error[0], resonant: error[1] },
    readNext: nextOf(drum, read, learned, at, normal),
  }
}

const usualOf = ({ batter, ...drum }: PairDrum) =>
  usualLugHz({ ...drum, batterMils: batter.pliesMils }, 'batter')

type Point = [number, number]
/** Upper half of the symmetric precision in 1 / neper^2: batter, both, resonant. */
type Normal = [number, number, number]

const short = (change: number) => Math.max(-0.2, Math.min(0.2, change))
const weightOf = (cents: number) => (CENTS_PER_NEPER / cents) ** 2

function fitAt(drum: PairDrum, read: PairReading, learned: LearnedPair, [b, r]: Point) {
  const normal: Normal = [0, 0, 0]
  const gradient: Point = [0, 0]
  const add = (slope: Point, miss: number, weight: number) => {
    addTo(normal, slope, weight)
    gradient[0] += slope[0] * miss * weight
    gradient[1] += slope[1] * miss * weight
  }
  const relation = USUAL_RELATION_CENTS[drum.kind] / CENTS_PER_NEPER
  add([1, 0], Math.log(usualOf(drum)) - b, weightOf(USUAL_CENTS))
  add([-1, 1], relation - (r - b), weightOf(RELATION_CENTS))
  if (read.batterHz !== null) add([1, 0], Math.log(read.batterHz) - b, weightOf(LUG_CENTS))
  if (read.resonantHz !== null) add([0, 1], Math.log(read.resonantHz) - r, weightOf(LUG_CENTS))
  if (read.centreHz !== null) {
    const { value, slope, errorCents } = centreAt(drum, learned, [b, r])
    add(slope, Math.log(read.centreHz / value), weightOf(errorCents))
  }
  return { normal, gradient }
}

function centreAt(drum: PairDrum, learned: LearnedPair, [b, r]: Point) {
  const place = (db: number, dr: number) => ({ batterHz: Math.exp(b + db), resonantHz: Math.exp(r + dr) })
  const { hz, errorCents } = predictCentre(drum, place(0, 0), learned)
  const log = (db: number, dr: number) => Math.log(centreHz(drum, place(db, dr), learned.parts) / hz)
  const slope: Point = [slopeAt((db) => log(db, 0), 0, 0), slopeAt((dr) => log(0, dr), 0, 0)]
  return { value: hz, errorCents, slope }
}

function addTo(normal: Normal, [a, c]: Point, weight: number): void {
  normal[0] += a * a * weight
  normal[1] += a * c * weight
  normal[2] += c * c * weight
}

function solve2([a, b, d]: Normal, [x, y]: Point): Point {
  const det = a * d - b * b
  return [(d * x - b * y) / det, (a * y - b * x) / det]
}

function errorsOf([a, b, d]: Normal): Point {
  const det = a * d - b * b
  return [CENTS_PER_NEPER * Math.sqrt(d / det), CENTS_PER_NEPER * Math.sqrt(a / det)]
}

/** The reading not taken that leaves the least doubt of both heads and of what they make together. */
function nextOf(
  drum: PairDrum,
  read: PairReading,
  learned: LearnedPair,
  at: Point,
  normal: Normal,
): PairBelief['readNext'] {
  const { slope, errorCents } = centreAt(drum, learned, at)
  /** Doubt in cents squared: of both heads, and of the centre where it was not read. */
  const doubt = (precision: Normal, centreRead: boolean) => {
    const [b, r] = errorsOf(precision)
    return b ** 2 + r ** 2 + (centreRead ? 0 : errorCents ** 2)
  }
  const before = doubt(normal, read.centreHz !== null)
  const options = (['batter', 'resonant', 'centre'] as const)
    .filter((what) => read[`${what}Hz`] === null)
    .map((what) => {
      const after: Normal = [...normal]
      if (what === 'batter') addTo(after, [1, 0], weightOf(LUG_CENTS))
      if (what === 'resonant') addTo(after, [0, 1], weightOf(LUG_CENTS))
      if (what === 'centre') addTo(after, slope, weightOf(errorCents))
      return { what, gain: before - doubt(after, what === 'centre' || read.centreHz !== null) }
    })
    .sort((a, b) => b.gain - a.gain)
  const best = options[0]
  return best && best.gain > WORTH_CENTS ** 2 ? best.what : null
}

/** A drum of one head: its centre follows from its lug, and the lug from the centre. */
function oneHead(drum: PairDrum, read: PairReading, learned: LearnedPair, start: number): PairBelief {
  const centre = (log: number) => {
    const { hz, errorCents } = predictCentre(drum, { batterHz: Math.exp(log), resonantHz: null }, learned)
    return { log: Math.log(hz), errorCents }
  }
  let log = start
  let error = read.batterHz === null ? USUAL_CENTS : LUG_CENTS
  if (read.batterHz === null && read.centreHz !== null) {
    for (let i = 0; i < ENOUGH_STEPS; i++) log += Math.log(read.centreHz) - centre(log).log
    error = centre(log).errorCents
  }
  const readNext = read.batterHz === null ? 'batter' : read.centreHz === null ? 'centre' : null
  return { batterHz: Math.exp(log), resonantHz: null, errorCents: { batter: error, resonant: 0 }, readNext }
}
