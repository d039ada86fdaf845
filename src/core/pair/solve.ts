import type { PairRequest } from '../records/pair'
import { turnLawOf, turnLawPrior, turnsBetween } from '../membrane/turnLaw'
import { CENTS_PER_NEPER } from '../units/pitch'
import { believePair, type PairBelief } from './belief'
import { learnPair, predictCentre, type LearnedPair } from './learn'
import { allowedRange, guessedRange, warningsAt, type PairLimit, type PairWarning } from './limits'
import { centreHz, pairState, type PairState } from './model'
import { descend, type Box, type Point } from './descend'
import { foretellRing, learnRing, type RingForecast } from './ring'
import { WANT_KEYS, type WantKey } from './wants'
import type { PairDrum } from './types'

export type { PairRequest } from '../records/pair'

export interface PairAnswer {
  batterHz: number
  /** Null on a drum of one head, as all that is said of it. */
  resonantHz: number | null
  centreHz: number
  ratio: number
  resonantAboveCents: number | null
  /** Where both heads stand, as read or as what was read tells, and the reading that would tell most. */
  now: PairBelief
  /** Turns of every rod of a head from where it stands; up is tighter. One standard error beside them. */
  turns: { batter: number; resonant: number }
  turnsError: { batter: number; resonant: number }
  errorCents: { centre: number }
  /** All that was wanted is met within a cent. */
  reachable: boolean
  limitedBy: PairLimit | null
  /** Beyond where such heads are usually taken: a guess, to be careful of. */
  warnings: PairWarning[]
  state: PairState
  learned: LearnedPair
  /** How long the lowest note would ring, as sizes and the relation say it; strokes of this drum know better (`ring.ts`). */
  ring: RingForecast
}

/** Wants are met when they are within this, in cents. */
const MET_CENTS = 1
/** Starts stand this part in from the ends of what is usual. */
const STARTS_IN = 0.2
/** Where the turn law is this head's own it is known to this part. */
const SHOWN_LAW_WIDTH = 0.1

/** The lug pitches for what is wanted, by damped Newton in logarithms within what the heads may be taken to. */
export function solvePair({ drum, now, want, seen = [], turnLaw = {} }: PairRequest): PairAnswer {
  const learned = learnPair(drum, [...seen, now])
  const stands = believePair(drum, now, learned)
  const law = {
    batter: turnLawOf(drum, 'batter', turnLaw.batter),
    resonant: turnLawOf(drum, 'resonant', turnLaw.resonant),
  }
  const place = ([b, r]: Point) => ({ batterHz: Math.exp(b), resonantHz: drum.resonant ? Math.exp(r) : null })
  const sides = ['batter', 'resonant'] as const
  const usual = sides.map((side) => guessedRange(drum, side, law[side], stands[`${side}Hz`]))
  const allowed = sides.map((side) => allowedRange(drum, side, stands[`${side}Hz`]))
  const box: Box = {
    low: [allowed[0].low, allowed[1].low],
    high: [allowed[0].high, allowed[1].high],
  }
  const keys = WANT_KEYS.filter((key) => want[key] !== undefined)
  const needsCentre = keys.includes('centreHz') || keys.includes('ratio')
  const misses = (at: Point): Point => {
    const centre = needsCentre ? centreHz(drum, place(at), learned.parts) : 1
    const found = keys.map((key) => missCents(key, want[key]!, at, centre))
    // One head has nothing to say of the other.
    return [found[0], drum.resonant ? found[1] : 0]
  }
  const between = (i: 0 | 1, part: number) => usual[i].low + part * (usual[i].high - usual[i].low)
  const here: Point = [Math.log(stands.batterHz), Math.log(stands.resonantHz ?? stands.batterHz)]
  const starts: Point[] = [
    here,
    [between(0, 0.5), between(1, 0.5)],
    [between(0, STARTS_IN), between(1, 1 - STARTS_IN)],
    [between(0, 1 - STARTS_IN), between(1, STARTS_IN)],
  ]
  let best = { at: starts[0], size: Infinity }
  for (const start of starts) {
    const at = descend(start, misses, box)
    const size = Math.hypot(...misses(at))
    if (size < best.size - 1e-9) best = { at, size }
    if (best.size < MET_CENTS) break
  }
  const at = place(best.at)
  const centre = predictCentre(drum, at, learned)
  const reachable = best.size < MET_CENTS
  const turn = (side: 'batter' | 'resonant') => {
    const [from, to] = [stands[`${side}Hz`], at[`${side}Hz`]]
    if (from === null || to === null) return { turns: 0, error: 0 }
    const turns = turnsBetween(from, to, law[side])
    const width = turnLaw[side] ? SHOWN_LAW_WIDTH : relativeWidth(drum, side)
    const stood = (2 * from ** 2 * stands.errorCents[side]) / CENTS_PER_NEPER / law[side]
    return { turns, error: Math.hypot(turns * width, stood) }
  }
  const [batter, resonant] = [turn('batter'), turn('resonant')]
  const logs = { batter: best.at[0], ...(drum.resonant ? { resonant: best.at[1] } : {}) }
  return {
    ...at,
    centreHz: centre.hz,
    ratio: at.batterHz / centre.hz,
    resonantAboveCents: drum.resonant ? CENTS_PER_NEPER * (best.at[1] - best.at[0]) : null,
    now: stands,
    turns: { batter: batter.turns, resonant: resonant.turns },
    turnsError: { batter: batter.error, resonant: resonant.error },
    errorCents: { centre: centre.errorCents },
    reachable,
    limitedBy: reachable ? null : limitAt(best.at, box, drum),
    warnings: warningsAt({ batter: usual[0], resonant: usual[1] }, logs),
    state: pairState(drum, at, learned.parts),
    learned,
    ring: foretellRing(
      drum,
      { ...at, layers: [], hung: null },
      learnRing(drum, [], learned.parts),
      learned.parts,
    ),
  }
}

function relativeWidth(drum: PairDrum, side: 'batter' | 'resonant'): number {
  const { mean, sd } = turnLawPrior(drum.diameterInches, drum.threadPitchMm, drum[side]?.pliesMils)
  return sd / mean
}

/** How far a point misses one want, in cents. */
function missCents(key: WantKey, want: number, [b, r]: Point, centre: number): number {
  const cents = (log: number) => CENTS_PER_NEPER * log
  switch (key) {
    case 'batterHz':
      return cents(b - Math.log(want))
    case 'resonantHz':
      return cents(r - Math.log(want))
    case 'centreHz':
      return cents(Math.log(centre / want))
    case 'ratio':
      return cents(b - Math.log(centre * want))
    case 'resonantAboveCents':
      return cents(r - b) - want
  }
}

/** What stands in the way: the limit that the nearest point lies on, else that no two heads stand so to each other. */
function limitAt([b, r]: Point, { high }: Box, { batter, resonant }: PairDrum): PairLimit {
  const at = (value: number, limit: number, ceilingHz: number | undefined) =>
    ceilingHz !== undefined && Math.abs(value - limit) < 1e-6
  if (at(b, high[0], batter.ceilingHz)) return 'batter-ceiling'
  return at(r, high[1], resonant?.ceilingHz) ? 'resonant-ceiling' : 'relation'
}
