import { drumStatus } from '../status/drum'
import type { HeadStatus } from '../status/head'
import type { Here } from '../status/inputs'
import type { Stroke } from '../status/strokes'
import { logNormalDensity, normalCdf } from '../numeric/normal'
import { learnPair, predictCentre } from '../pair/learn'
import type { PairDrum, PairPlace } from '../pair/types'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { centsBetween, CENTS_PER_NEPER, shiftByCents } from '../units/pitch'
import { halfBand } from '../status/forecast'

/** What is believed of one head before the stroke: cents from where it is to be, one standard deviation, half of its band. */
export interface HeadPrior {
  side: Side
  offCents: number
  /** Of that, what it is foreseen to have moved since it was read. */
  movedCents: number
  sd: number
  halfCents: number
}

/** One stroke on the centre against what it was to read. */
export interface CentreSeen {
  /** Cents above what both heads would make as last known, and one standard error of that. */
  cents: number
  errorCents: number
  /** Cents of the centre for a cent of each head. */
  pull: { batter: number; resonant: number }
}

export interface HeadOdds {
  side: Side
  /** Probability that it has moved by more than `MOVED_CENTS` since it was read, and that it is out of its band now. */
  moved: number
  out: number
  /** Where it likely is, in cents from where it is to be. */
  offCents: number
}

/** Between two sittings a head is knocked, slips or is turned by somebody now and then, by so much (a judgement). */
const KNOCKED = 0.04
const KNOCK_SD = 22
/** A head that went further than this has moved. */
export const MOVED_CENTS = 7.5

/**
 * Which heads have moved, from one stroke on the centre: three stories (as foreseen, or one of the two heads knocked) weighed by how
 * well each explains what was read, and within each a Gaussian of both heads. One stroke tells one number: which of the two moved
 * is told by what was foreseen alone.
 */
export function headOdds(heads: readonly HeadPrior[], { cents, errorCents, pull }: CentreSeen): HeadOdds[] {
  const stories = [null, ...heads.map(({ side }) => side)]
  const told = stories.map((knocked) => {
    const variances = heads.map(({ side, sd }) => sd ** 2 + (side === knocked ? KNOCK_SD ** 2 : 0))
    const spread = heads.reduce((sum, { side }, i) => sum + pull[side] ** 2 * variances[i], errorCents ** 2)
    const prior = knocked === null ? 1 - KNOCKED * heads.length : KNOCKED
    const weight = prior * Math.exp(logNormalDensity(cents, Math.sqrt(spread)))
    const each = heads.map(({ side, offCents, movedCents, halfCents }, i) => {
      const gain = (pull[side] * variances[i]) / spread
      const mean = offCents + gain * cents
      const sd = Math.sqrt(Math.max(1e-6, variances[i] * (1 - gain * pull[side])))
      const beyond = (half: number, middle: number) =>
        1 - normalCdf((half - middle) / sd) + normalCdf((-half - middle) / sd)
      return { mean, out: beyond(halfCents, mean), moved: beyond(MOVED_CENTS, mean - offCents + movedCents) }
    })
    return { weight, each }
  })
  const all = told.reduce((sum, { weight }) => sum + weight, 0) || 1
  type Each = (typeof told)[number]['each']
  const mean = (of: (each: Each) => number) =>
    told.reduce((sum, { weight, each }) => sum + (weight / all) * of(each), 0)
  return heads.map(({ side }, i) => ({
    side,
    ...{ moved: mean((each) => each[i].moved), out: mean((each) => each[i].out) },
    offCents: mean((each) => each[i].mean),
  }))
}

/** What one drum's stroke says. */
export interface DrumCheck {
  drum: Drum
  stroke: string
  seen: CentreSeen
  heads: HeadOdds[]
  /** Heads that have likely moved: where the stroke cannot tell which, both. */
  named: Side[]
  /** Held against a stroke in this tuning, or against the model of both heads alone, which is less sure. */
  against: 'stroke' | 'model'
}

/** From this likelihood on a look is cheaper than a doubt: set by the bench, where 15 cents are named nine times in ten and still kits passed. */
const NAMED = 0.12
/** Of two heads that may have moved, the one is named with the other when it is this near to it. */
const ALIKE = 0.4

/** The heads that a check names: the likeliest, and the other where the stroke cannot tell them apart. */
export function namedHeads(heads: readonly HeadOdds[]): Side[] {
  const none = heads.reduce((product, { moved }) => product * (1 - moved), 1)
  if (1 - none < NAMED) return []
  const most = Math.max(...heads.map(({ moved }) => moved))
  return heads.filter(({ moved }) => moved >= ALIKE * most).map(({ side }) => side)
}

/**
 * Checks a drum by its newest stroke on the centre.
 * @returns null where a head was never read, or the stroke is not of this drum
 */
export function checkDrum(here: Here, drum: Drum, strokeId: string): DrumCheck | null {
  const { heads: both, pair } = drumStatus(here, drum)
  const { strokes, drum: own, seen } = pair
  const at = strokes.findIndex(({ id }) => id === strokeId)
  if (at < 0) return null
  const sides = sidesOf(drum)
  const read = sides.flatMap((side) => both[side].asRead ?? [])
  if (read.length < sides.length) return null
  const place: PairPlace = { batterHz: read[0].hz, resonantHz: read[1]?.hz ?? null }
  // What this stroke says is not what it is held against.
  const before = seen.slice(0, Math.max(0, seen.length - (strokes.length - at)))
  const expected = predictCentre(own, place, learnPair(own, before))
  const stroke = strokes[at]
  const readMs = Math.max(...read.map(({ at }) => Date.parse(at)))
  const like = nearestTo(
    readMs,
    strokes.slice(0, at).filter((each) => inTuning(each, place)),
  )
  const errorOf = ({ hz, standardErrorHz }: Stroke) => (CENTS_PER_NEPER * standardErrorHz) / hz
  const seenNow: CentreSeen = {
    cents: centsBetween((like ?? expected).hz, stroke.hz),
    errorCents: like
      ? Math.hypot(errorOf(stroke), errorOf(like), STROKE_CENTS)
      : Math.hypot(errorOf(stroke), expected.errorCents),
    pull: pullOf(own, place),
  }
  const foreseen = sides.map((side) => priorOf(both[side]))
  // Heads are foreseen to have moved already: only what goes beyond that is news.
  const shift = sides.reduce((sum, side, i) => sum + seenNow.pull[side] * foreseen[i].movedCents, 0)
  const heads = headOdds(foreseen, { ...seenNow, cents: seenNow.cents - shift })
  return {
    ...{ drum, stroke: strokeId, seen: seenNow, heads, named: namedHeads(heads) },
    against: like ? 'stroke' : 'model',
  }
}

/** Two strokes of one drum differ by so much though nothing moved: place, force, hand. */
const STROKE_CENTS = 1
const SAME_CENTS = 1.5

/**
 * The stroke that was made nearest to the readings: a later one may have been struck when a head had moved already, and what it heard
 * would then pass for how the drum stands.
 */
function nearestTo(readMs: number, strokes: readonly Stroke[]): Stroke | null {
  const apart = ({ at }: Stroke) => Math.abs(Date.parse(at) - readMs)
  return strokes.reduce<Stroke | null>(
    (best, each) => (best && apart(best) <= apart(each) ? best : each),
    null,
  )
}

function inTuning({ batterHz, resonantHz }: Stroke, place: PairPlace): boolean {
  const same = (one: number | null, other: number | null) =>
    one === null || other === null ? one === other : Math.abs(centsBetween(one, other)) < SAME_CENTS
  return same(batterHz, place.batterHz) && same(resonantHz, place.resonantHz)
}

const STEP_CENTS = 10

/** Cents of the centre for a cent of each head, by the model of both. */
export function pullOf(drum: PairDrum, place: PairPlace): CentreSeen['pull'] {
  const learned = learnPair(drum, [])
  const base = predictCentre(drum, place, learned).hz
  const at = (to: PairPlace) => centsBetween(base, predictCentre(drum, to, learned).hz) / STEP_CENTS
  return {
    batter: at({ ...place, batterHz: shiftByCents(place.batterHz, STEP_CENTS) }),
    resonant:
      place.resonantHz === null
        ? 0
        : at({ ...place, resonantHz: shiftByCents(place.resonantHz, STEP_CENTS) }),
  }
}

function priorOf({ side, asRead, pitch, kept, toleranceCents }: HeadStatus): HeadPrior {
  const movedCents = centsBetween(asRead!.hz, pitch.hz!)
  const off = kept ? centsBetween(kept.meanHz, asRead!.hz) : 0
  return {
    ...{ side, movedCents, offCents: off + movedCents, sd: pitch.errorCents! },
    halfCents: halfBand({ toleranceCents }),
  }
}
