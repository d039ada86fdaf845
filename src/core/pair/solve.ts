import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import { CENTS_PER_NEPER } from '../units/pitch'
import { learnPair, predictCentre, type LearnedPair } from './learn'
import { centreHz, pairState, type PairState } from './model'
import { foretellRing, learnRing, type RingForecast } from './ring'
import { WANT_KEYS, type PairDrum, type PairReading, type PairWant, type WantKey } from './types'

/** Two heads backward: what both lugs must read for two things that are wanted, and what that takes to turn. */
export interface PairRequest {
  drum: PairDrum
  now: PairReading
  want: PairWant
  /** Earlier readings of this drum, to learn from. */
  seen?: PairReading[]
  /** What a turn of every rod does, in Hz^2, where the heads have shown it. */
  turnLaw?: { batter?: number; resonant?: number }
}

export type PairLimit = 'batter-slack' | 'batter-ceiling' | 'resonant-slack' | 'resonant-ceiling' | 'relation'

export interface PairAnswer {
  batterHz: number
  resonantHz: number
  centreHz: number
  ratio: number
  resonantAboveCents: number
  /** Turns of every rod of a head from where it stands; up is tighter. */
  turns: { batter: number; resonant: number }
  errorCents: { centre: number }
  /** All that was wanted is met within a cent. */
  reachable: boolean
  limitedBy: PairLimit | null
  state: PairState
  learned: LearnedPair
  /** How long the lowest note would ring, as sizes and the relation say it; strokes of this drum know better (`ring.ts`). */
  ring: RingForecast
}

/** Heads speak between these pulls above slack, in turns (common practice, no source: 0.4 to 1.5 for toms, and beyond). */
const SPEAKS_TURNS = 0.15
const HIGHEST_TURNS = { tom: 2.6, snareBatter: 4, snareSide: 7.5 }
/** Wants are met when they are within this, in cents. */
const MET_CENTS = 1
const ITERATIONS = 40

/** The two lug pitches for two wants, by Newton's rule in logarithms within the heads' limits. */
export function solvePair({ drum, now, want, seen = [], turnLaw = {} }: PairRequest): PairAnswer {
  const learned = learnPair(drum, [...seen, now])
  const law = {
    batter: turnLawOf(drum, 'batter', turnLaw.batter),
    resonant: turnLawOf(drum, 'resonant', turnLaw.resonant),
  }
  const box = limitsOf(drum, law)
  const keys = WANT_KEYS.filter((key) => want[key] !== undefined)
  const misses = ([b, r]: Point): [number, number] => {
    const batterHz = Math.exp(b)
    const resonantHz = Math.exp(r)
    const needsCentre = keys.includes('centreHz') || keys.includes('ratio')
    const centre = needsCentre ? centreHz(drum, batterHz, resonantHz, learned.parts) : 1
    return keys.map((key) => missCents(key, want[key]!, batterHz, resonantHz, centre)) as [number, number]
  }
  const starts: Point[] = [
    [Math.log(now.batterHz), Math.log(now.resonantHz)],
    [(box.low[0] + box.high[0]) / 2, (box.low[1] + box.high[1]) / 2],
    [box.low[0] + 0.2 * (box.high[0] - box.low[0]), box.high[1] - 0.2 * (box.high[1] - box.low[1])],
    [box.high[0] - 0.2 * (box.high[0] - box.low[0]), box.low[1] + 0.2 * (box.high[1] - box.low[1])],
  ]
  let best = { at: starts[0], size: Infinity }
  for (const start of starts) {
    const at = descend(start, misses, box)
    const size = Math.hypot(...misses(at))
    if (size < best.size - 1e-9) best = { at, size }
    if (best.size < MET_CENTS) break
  }
  const [batterHz, resonantHz] = best.at.map(Math.exp) as Point
  const centre = predictCentre(drum, batterHz, resonantHz, learned)
  const reachable = best.size < MET_CENTS
  return {
    batterHz,
    resonantHz,
    centreHz: centre.hz,
    ratio: batterHz / centre.hz,
    resonantAboveCents: CENTS_PER_NEPER * Math.log(resonantHz / batterHz),
    turns: {
      batter: turnsBetween(now.batterHz, batterHz, law.batter),
      resonant: turnsBetween(now.resonantHz, resonantHz, law.resonant),
    },
    errorCents: { centre: centre.errorCents },
    reachable,
    limitedBy: reachable ? null : limitAt(best.at, box),
    state: pairState(drum, batterHz, resonantHz, learned.parts),
    learned,
    ring: foretellRing(
      drum,
      { batterHz, resonantHz, layers: [], hung: null },
      learnRing(drum, [], learned.parts),
      learned.parts,
    ),
  }
}

type Point = [number, number]
interface Box {
  low: Point
  high: Point
}

/** Where both heads speak and hold, as logarithms of pitches in Hz. */
export function limitsOf(drum: PairDrum, law: { batter: number; resonant: number }): Box {
  const low = (k: number) => Math.log(Math.sqrt(SPEAKS_TURNS * k))
  const high = (k: number, turns: number, ceilingHz?: number) => Math.log(ceilingHz ?? Math.sqrt(turns * k))
  const [batter, resonant] =
    drum.kind === 'snare'
      ? [HIGHEST_TURNS.snareBatter, HIGHEST_TURNS.snareSide]
      : [HIGHEST_TURNS.tom, HIGHEST_TURNS.tom]
  return {
    low: [low(law.batter), low(law.resonant)],
    high: [
      high(law.batter, batter, drum.batter.ceilingHz),
      high(law.resonant, resonant, drum.resonant.ceilingHz),
    ],
  }
}

/** How far a point misses one want, in cents. */
function missCents(key: WantKey, want: number, batterHz: number, resonantHz: number, centre: number): number {
  const cents = (got: number, wanted: number) => CENTS_PER_NEPER * Math.log(got / wanted)
  switch (key) {
    case 'batterHz':
      return cents(batterHz, want)
    case 'resonantHz':
      return cents(resonantHz, want)
    case 'centreHz':
      return cents(centre, want)
    case 'ratio':
      return cents(batterHz / centre, want)
    case 'resonantAboveCents':
      return cents(resonantHz, batterHz) - want
  }
}

const PROBE = 0.002
/** Damping that rises while a step does not help: Levenberg and Marquardt. */
const DAMP = { first: 1e-6, up: 10, down: 0.3, most: 1e6 }

/** Least squares within a box; what runs into a limit slides along it. */
function descend(start: Point, misses: (at: Point) => [number, number], box: Box): Point {
  const clamp = (at: Point) =>
    at.map((value, i) => Math.min(box.high[i], Math.max(box.low[i], value))) as Point
  let at = clamp(start)
  let miss = misses(at)
  let damp = DAMP.first
  for (let i = 0; i < ITERATIONS && Math.hypot(...miss) > 1e-4 && damp < DAMP.most; i++) {
    const slopes = ([0, 1] as const).map((axis) => {
      const moved: Point = [...at]
      moved[axis] += PROBE
      const after = misses(moved)
      return [(after[0] - miss[0]) / PROBE, (after[1] - miss[1]) / PROBE]
    })
    const gradient = slopes.map((slope) => slope[0] * miss[0] + slope[1] * miss[1])
    // A coordinate that presses against its limit stays there.
    const fixed = at.map(
      (value, axis) =>
        (value >= box.high[axis] - 1e-9 && gradient[axis] < 0) ||
        (value <= box.low[axis] + 1e-9 && gradient[axis] > 0),
    )
    const step = newton(slopes, gradient, fixed, damp)
    const next = clamp([at[0] + step[0], at[1] + step[1]])
    const nextMiss = misses(next)
    if (Math.hypot(...nextMiss) < Math.hypot(...miss) - 1e-9) {
      at = next
      miss = nextMiss
      damp *= DAMP.down
    } else damp = Math.max(damp, 1e-4) * DAMP.up
  }
  return at
}

function newton(slopes: number[][], gradient: number[], fixed: boolean[], damp: number): Point {
  const normal = (i: number, j: number) => slopes[i][0] * slopes[j][0] + slopes[i][1] * slopes[j][1]
  const a = normal(0, 0) * (1 + damp) + 1e-9
  const d = normal(1, 1) * (1 + damp) + 1e-9
  const b = normal(0, 1)
  if (fixed[0] && fixed[1]) return [0, 0]
  if (fixed[0]) return [0, -gradient[1] / d]
  if (fixed[1]) return [-gradient[0] / a, 0]
  const det = a * d - b * b
  return [(-d * gradient[0] + b * gradient[1]) / det, (b * gradient[0] - a * gradient[1]) / det]
}

/** What stands in the way: the limit that the nearest point lies on, else that no two heads stand so to each other. */
function limitAt([b, r]: Point, { low, high }: Box): PairLimit {
  const near = (value: number, limit: number) => Math.abs(value - limit) < 1e-6
  if (near(b, high[0])) return 'batter-ceiling'
  if (near(r, high[1])) return 'resonant-ceiling'
  if (near(b, low[0])) return 'batter-slack'
  if (near(r, low[1])) return 'resonant-slack'
  return 'relation'
}
