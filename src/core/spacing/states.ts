import { OCTAVE_CENTS } from '../units/intervals'
import { DEFAULT_SMALLEST_STEP } from '../evening/types'
import { rootBetween } from '../numeric/root'
import { turnsBetween } from '../membrane/turnLaw'
import { centreHz, USUAL_PARTS } from '../pair/model'
import { concertCost, favourCost, favouriteCost, rangeCost, workCost } from './cost'
import { centsAbove1Hz, hzOfCents, pairOfPlan, relationOf, type KnownDrum } from './known'
import type { Mode, PlanRequest } from './types'

/** One place where a drum may stand. */
export interface State {
  batterHz: number
  resonantHz: number
  /** Batter in cents above 1 Hz, for gaps. */
  cents: number
  turns: number
  cost: number
}

/** All that may become of one drum: any pitch, or why not. */
export interface Places {
  drum: KnownDrum
  /** The drum there with its own cost; null where it must not stand. */
  at(cents: number): State | null
  /** Pitches that matter for themselves: ends, best, limits, edges of what is avoided, where it stands, where it is held. */
  marks: number[]
  /** The only pitch, where it is held to one. */
  held: number | null
  from: number
  to: number
}

/** Less than this on every rod is not turned: half the least step that a hand makes. */
export const LEAST_TURN = DEFAULT_SMALLEST_STEP / 2

export const STEP_CENTS = 5
/** Pitches are tried this far beyond the range. */
const BEYOND_CENTS = 300
/** Just clear of what is avoided. */
const HAIR_CENTS = 1e-4

export interface PlaceOptions {
  /** Both heads stay as they are now. */
  stays: boolean
  /** The lowest tom, with no root asked for: concert pitch is preferred. */
  root: boolean
  /** Centre pitches worked out already, for plans of one kit. */
  curves: Curves
}

/** Curves of the centre pitch by drum and what its resonant head does. */
export type Curves = Map<string, ReturnType<typeof newCurve>>

/**
 * Where a drum may stand: within its ceilings, clear of what is to be avoided, as it is if it stays. Exact at every pitch; no grid.
 */
export function placesOf(drum: KnownDrum, request: PlanRequest, options: PlaceOptions): Places {
  const { pinned = {}, avoidHz = [], avoidWithinCents = 50, favourHz = [], leastWork = 0 } = request
  const stays = options.stays ? (drum.now ?? null) : null
  const relation = relationOf(drum, request)
  const [low, high, best] = [drum.lowestHz, drum.highestHz, drum.favouriteHz].map(centsAbove1Hz)
  const ceiling = centsAbove1Hz(drum.ceilingHz ?? Infinity)
  const otherCeiling = drum.resonantCeilingHz ?? Infinity
  // A snare's thin side is tuned for itself: another batter leaves it where it is.
  const itself = drum.kind === 'snare' && !(request.headRelation && 'byDrum' in request.headRelation)
  const ownSide = itself && drum.now ? Math.min(drum.now.resonantHz, otherCeiling) : undefined
  const resonantAt = (cents: number) => stays?.resonantHz ?? ownSide ?? hzOfCents(cents + relation)
  const pin = pinned[drum.id]
  const held = stays ? centsAbove1Hz(stays.batterHz) : pin !== undefined ? centsAbove1Hz(pin) : null
  const from = low - BEYOND_CENTS
  const to = Math.min(high + BEYOND_CENTS, ceiling)
  const centre = avoidHz.length
    ? curveOf(options.curves, drum, [stays?.resonantHz, ownSide, relation], resonantAt)
    : null
  const avoid = avoidHz.map(centsAbove1Hz)
  const clear = (cents: number) => avoid.every((at) => Math.abs(cents - at) > avoidWithinCents)
  const centreClear = (cents: number) => {
    if (!centre) return true
    const near = centre.near(cents)
    const edge = avoid.some((at) => Math.abs(Math.abs(near - at) - avoidWithinCents) < BETWEEN_KNOTS_CENTS)
    return clear(edge ? centre.exact(cents) : near)
  }
  /** A drum that stays where it stands is as good as one at concert pitch. */
  const stood = drum.now ? centsAbove1Hz(drum.now.batterHz) : Infinity
  const at = (cents: number): State | null => {
    const batterHz = hzOfCents(cents)
    const resonantHz = resonantAt(cents)
    // Left alone: a ceiling is then the user's own matter, what is to be avoided is not.
    if (!stays && (cents > ceiling + 1e-9 || resonantHz > otherCeiling * (1 + 1e-9))) return null
    if (!clear(cents) || !centreClear(cents)) return null
    const turns = drum.now
      ? Math.abs(turnsBetween(drum.now.batterHz, batterHz, drum.law.batter)) +
        Math.abs(turnsBetween(drum.now.resonantHz, resonantHz, drum.law.resonant))
      : 0
    const cost =
      rangeCost(Math.max(0, low - cents, cents - high)) +
      favouriteCost(cents - best, drum.weight) +
      (favourHz.length ? favourCost(toNearestNote(cents, favourHz)) : 0) +
      (options.root && Math.abs(cents - stood) > HAIR_CENTS
        ? concertCost(toSemitone(cents, request.a4Hz))
        : 0) +
      workCost(turns, leastWork)
    return { batterHz, resonantHz, cents, turns, cost }
  }
  const limits = [ceiling, ownSide === undefined ? centsAbove1Hz(otherCeiling) - relation : Infinity]
  const edges = avoid.flatMap((pitch) =>
    [-1, 1].flatMap((side) => {
      const edge = pitch + side * (avoidWithinCents + HAIR_CENTS)
      const byCentre = centre?.inverse(edge, from, to)
      return byCentre === undefined || byCentre === null ? [edge] : [edge, byCentre]
    }),
  )
  const own = [low, high, best, ...(drum.now ? [centsAbove1Hz(drum.now.batterHz)] : [])]
  const marks = held !== null ? [held] : [...own, ...limits, ...edges].filter((x) => x >= from && x <= to)
  return { drum, at, marks, held, from, to }
}

/** Why a drum that is held cannot stand where it is held; null where it can. */
export function avoidedBy(
  drum: KnownDrum,
  { avoidHz = [], avoidWithinCents = 50 }: PlanRequest,
  at: { batterHz: number; resonantHz: number },
): { mode: Mode; hz: number; avoidHz: number } | null {
  const tones: Array<[Mode, number]> = [
    ['edge', at.batterHz],
    ['centre', centreHz(pairOfPlan(drum), at, USUAL_PARTS)],
  ]
  for (const [mode, hz] of tones) {
    const hit = avoidHz.find((each) => Math.abs(centsAbove1Hz(hz) - centsAbove1Hz(each)) <= avoidWithinCents)
    if (hit !== undefined) return { mode, hz, avoidHz: hit }
  }
  return null
}

/** A grid of pitches through a place. @param origin in cents above 1 Hz */
export function gridFrom(origin: number, { from, to }: Pick<Places, 'from' | 'to'>): number[] {
  const first = Math.ceil((from - origin) / STEP_CENTS)
  const count = Math.max(0, Math.floor((to - origin) / STEP_CENTS) - first + 1)
  return Array.from({ length: count }, (_, i) => origin + (first + i) * STEP_CENTS)
}

/** Distance to the nearest of some notes in any octave. */
export function toNearestNote(cents: number, notesHz: readonly number[]): number {
  return Math.min(
    ...notesHz.map((hz) => {
      const off = (((cents - centsAbove1Hz(hz)) % OCTAVE_CENTS) + OCTAVE_CENTS) % OCTAVE_CENTS
      return Math.min(off, OCTAVE_CENTS - off)
    }),
  )
}

const toSemitone = (cents: number, a4Hz = 440) => {
  const off = (cents - centsAbove1Hz(a4Hz)) / 100
  return 100 * (off - Math.round(off))
}

/** Knots of the centre pitch: between them its logarithm runs straight within a cent; where that matters it is worked out. */
const KNOT_CENTS = 120
const BETWEEN_KNOTS_CENTS = 1.5

/** Centre pitch in cents above 1 Hz along the batter's pitches, from the model of two heads. */
function curveOf(
  curves: Curves,
  drum: KnownDrum,
  resonant: ReadonlyArray<number | undefined>,
  resonantAt: (cents: number) => number,
) {
  const key = JSON.stringify([drum.id, ...resonant])
  let curve = curves.get(key)
  if (!curve) curves.set(key, (curve = newCurve(drum, resonantAt)))
  return curve
}

function newCurve(drum: KnownDrum, resonantAt: (cents: number) => number) {
  const pair = pairOfPlan(drum)
  const exact = (cents: number) =>
    centsAbove1Hz(centreHz(pair, { batterHz: hzOfCents(cents), resonantHz: resonantAt(cents) }, USUAL_PARTS))
  const knots = new Map<number, number>()
  const knot = (i: number) => {
    let value = knots.get(i)
    if (value === undefined) knots.set(i, (value = exact(i * KNOT_CENTS)))
    return value
  }
  const near = (cents: number) => {
    const place = cents / KNOT_CENTS
    const i = Math.floor(place)
    return knot(i) + (place - i) * (knot(i + 1) - knot(i))
  }
  const found = new Map<number, number | null>()
  /** The batter at which the centre has a pitch, which rises with the batter; null outside the range. */
  const inverse = (centre: number, from: number, to: number): number | null => {
    const known = found.get(centre)
    if (known !== undefined) return known
    const ends: [number, number] = [exact(from) - centre, exact(to) - centre]
    const at =
      ends[0] > 0 || ends[1] < 0
        ? null
        : rootBetween((x) => exact(x) - centre, [from, to], ends, HAIR_CENTS / 10)
    found.set(centre, at)
    return at
  }
  return { near, exact, inverse }
}
