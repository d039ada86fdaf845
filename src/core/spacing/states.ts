import { turnLawPrior, turnsBetween } from '../membrane/turnLaw'
import { usualDepthInches } from '../kit/sizes'
import { centreHz, USUAL_PARTS } from '../pair/model'
import type { PairDrum } from '../pair/types'
import { CENTS_PER_NEPER } from '../units/pitch'
import { STANDARD_THREAD_MM } from '../units/turns'
import { favourCost, favouriteCost, rangeCost, snareCost, workCost } from './cost'
import { drumRange } from '../kit/range'
import type { PlanDrum, PlanRequest } from './types'

/** A drum to plan with all that was left out filled in. */
export interface KnownDrum extends PlanDrum {
  lowestHz: number
  favouriteHz: number
  highestHz: number
  threadPitchMm: number
  law: { batter: number; resonant: number }
  weight: number
}

/** One place where a drum may stand. */
export interface State {
  batterHz: number
  resonantHz: number
  /** Batter in cents above 1 Hz, for gaps. */
  cents: number
  turns: number
  cost: number
}

export const centsAbove1Hz = (hz: number) => CENTS_PER_NEPER * Math.log(hz)
/** Pitches are tried this far apart, and this far beyond the range. */
export const STEP_CENTS = 5
const BEYOND_CENTS = 300
/** A drum that says nothing of its relation has its resonant head this far above: a third, and on a snare 400 over 262 Hz. */
const USUAL_RELATION_CENTS = { kick: 300, snare: 730, tom: 400, 'floor-tom': 400 }

export function knownDrum(drum: PlanDrum, weight: number): KnownDrum {
  const threadPitchMm = drum.threadPitchMm ?? STANDARD_THREAD_MM
  const law = (side: 'batter' | 'resonant') =>
    drum.turnLaw?.[side] ?? turnLawPrior(drum.diameterInches, threadPitchMm, drum[`${side}Mils`]).mean
  const usual = drumRange(drum, [], [], drum.turnLaw?.batter)
  const favouriteHz = drum.favouriteHz ?? clampTo(usual.favouriteHz, drum.lowestHz, drum.highestHz)
  return {
    ...drum,
    ...{ threadPitchMm, weight, favouriteHz },
    lowestHz: drum.lowestHz ?? Math.min(usual.lowestHz, favouriteHz),
    highestHz: drum.highestHz ?? Math.max(usual.highestHz, favouriteHz),
    law: { batter: law('batter'), resonant: law('resonant') },
  }
}

const clampTo = (hz: number, low = 0, high = Infinity) => Math.min(high, Math.max(low, hz))

/** How far the resonant head is to stand above the batter, in cents. */
export function relationOf(drum: PlanDrum, { headRelation }: PlanRequest): number {
  const own = drum.now
    ? centsAbove1Hz(drum.now.resonantHz) - centsAbove1Hz(drum.now.batterHz)
    : USUAL_RELATION_CENTS[drum.kind]
  // Kick and snare are their own matter: one relation for the kit is one for its toms.
  if (!headRelation || (drum.kind !== 'tom' && drum.kind !== 'floor-tom')) {
    return headRelation && 'byDrum' in headRelation ? (headRelation.byDrum[drum.id] ?? own) : own
  }
  return 'byDrum' in headRelation ? (headRelation.byDrum[drum.id] ?? own) : headRelation.resonantAboveCents
}

/**
 * All places where a drum may stand: within its ceilings, clear of what is to be avoided, as it is if it is fixed.
 * @param originCents a pitch of its grid, in cents above 1 Hz
 * @param snareHz the snare's batter, for the toms; null for none
 */
export function statesOf(
  drum: KnownDrum,
  request: PlanRequest,
  originCents: number,
  snareHz: number | null,
): State[] {
  const {
    fixed = [],
    pinned = {},
    avoidHz = [],
    avoidWithinCents = 50,
    favourHz = [],
    leastWork = 0,
  } = request
  const stays = fixed.includes(drum.id) ? (drum.now ?? null) : null
  const relation = relationOf(drum, request)
  const [low, high] = [drum.lowestHz, drum.highestHz].map(centsAbove1Hz)
  const ceiling = centsAbove1Hz(drum.ceilingHz ?? Infinity)
  const pin = pinned[drum.id]
  const places = stays
    ? [centsAbove1Hz(stays.batterHz)]
    : pin !== undefined
      ? [centsAbove1Hz(pin)]
      : grid(originCents, low - BEYOND_CENTS, Math.min(high + BEYOND_CENTS, ceiling))
  // A snare's thin side is tuned for itself: another batter leaves it where it is.
  const itself = drum.kind === 'snare' && !(request.headRelation && 'byDrum' in request.headRelation)
  const ownSide =
    itself && drum.now ? Math.min(drum.now.resonantHz, drum.resonantCeilingHz ?? Infinity) : undefined
  const heldHz = stays?.resonantHz ?? ownSide ?? null
  const centre = avoidHz.length ? centreAlong(drum, relation, heldHz, places) : null
  const avoid = avoidHz.map(centsAbove1Hz)
  const clear = (cents: number) => avoid.every((at) => Math.abs(cents - at) > avoidWithinCents)
  const onTheEdge = (cents: number) =>
    avoid.some((at) => Math.abs(Math.abs(cents - at) - avoidWithinCents) < BETWEEN_KNOTS_CENTS)
  const centreClear = (cents: number) => {
    if (!centre) return true
    const near = centre.near(cents)
    return clear(onTheEdge(near) ? centre.exact(cents) : near)
  }
  return places.flatMap((cents): State[] => {
    const batterHz = Math.exp(cents / CENTS_PER_NEPER)
    const resonantHz = stays ? stays.resonantHz : (ownSide ?? batterHz * 2 ** (relation / 1200))
    // Set by the user or left alone: a ceiling is then his own matter, what is to be avoided is not.
    if (!stays && (cents > ceiling || resonantHz > (drum.resonantCeilingHz ?? Infinity))) return []
    if (!clear(cents) || !centreClear(cents)) return []
    const turns = drum.now
      ? Math.abs(turnsBetween(drum.now.batterHz, batterHz, drum.law.batter)) +
        Math.abs(turnsBetween(drum.now.resonantHz, resonantHz, drum.law.resonant))
      : 0
    const cost =
      rangeCost(Math.max(0, low - cents, cents - high)) +
      favouriteCost(cents - centsAbove1Hz(drum.favouriteHz), drum.weight) +
      (snareHz === null ? 0 : snareCost(cents - centsAbove1Hz(snareHz))) +
      (favourHz.length ? favourCost(toNearestNote(cents, favourHz)) : 0) +
      workCost(turns, leastWork)
    return [{ batterHz, resonantHz, cents, turns, cost }]
  })
}

function grid(origin: number, low: number, high: number): number[] {
  const first = Math.ceil((low - origin) / STEP_CENTS)
  const count = Math.max(0, Math.floor((high - origin) / STEP_CENTS) - first + 1)
  return Array.from({ length: count }, (_, i) => origin + (first + i) * STEP_CENTS)
}

/** Distance to the nearest of some notes in any octave. */
export function toNearestNote(cents: number, notesHz: readonly number[]): number {
  return Math.min(
    ...notesHz.map((hz) => {
      const off = (((cents - centsAbove1Hz(hz)) % 1200) + 1200) % 1200
      return Math.min(off, 1200 - off)
    }),
  )
}

/** The drum as the model of two heads takes it; depth and films as usual where they were not given. */
export function pairOfPlan(drum: PlanDrum): PairDrum {
  const films = drum.kind === 'snare' ? { batter: [10], resonant: [3] } : { batter: [7, 7], resonant: [10] }
  const head = (pliesMils: number[]) => ({ pliesMils, hoop: 'triple-flanged' as const })
  return {
    kind: drum.kind,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches ?? usualDepthInches(drum.kind, drum.diameterInches),
    lugs: drum.lugs ?? 8,
    threadPitchMm: drum.threadPitchMm ?? STANDARD_THREAD_MM,
    batter: head(drum.batterMils ?? films.batter),
    resonant: head(drum.resonantMils ?? films.resonant),
    port: null,
  }
}

/** Knots of the centre pitch: between them its logarithm runs straight within a cent; where that matters it is worked out. */
const KNOT_CENTS = 120
const BETWEEN_KNOTS_CENTS = 1.5

/** Centre pitch in cents above 1 Hz along the batter's pitches, from the model of two heads. */
function centreAlong(
  drum: KnownDrum,
  relation: number,
  resonantHz: number | null,
  places: readonly number[],
): { near(cents: number): number; exact(cents: number): number } {
  const pair = pairOfPlan(drum)
  const exact = (cents: number) => {
    const batterHz = Math.exp(cents / CENTS_PER_NEPER)
    return centsAbove1Hz(
      centreHz(pair, { batterHz, resonantHz: resonantHz ?? batterHz * 2 ** (relation / 1200) }, USUAL_PARTS),
    )
  }
  const first = places[0]
  const knots = new Map<number, number>()
  const knot = (i: number) => {
    let value = knots.get(i)
    if (value === undefined) knots.set(i, (value = exact(first + i * KNOT_CENTS)))
    return value
  }
  const near = (cents: number) => {
    const place = (cents - first) / KNOT_CENTS
    const i = Math.floor(place)
    return knot(i) + (place - i) * (knot(i + 1) - knot(i))
  }
  return { near, exact }
}
