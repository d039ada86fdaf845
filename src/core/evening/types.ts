import type { HeadState, KnownBy } from '../head/estimate'
import type { GaugeLaw, Learned } from '../head/types'
import type { EvenTarget } from '../records/even'
import type { Disagreement } from './asRead'
import type { Suspect } from './suspect'

export type { EvenRequest, EvenTarget } from '../records/even'

/** The mean pitch that a target means, in Hz; null where only evenness counts. */
export function targetMeanHz(target: EvenTarget): number | null {
  if ('hz' in target) return target.hz
  if (!('profileHz' in target)) return null
  return Math.sqrt(target.profileHz.reduce((sum, hz) => sum + hz * hz, 0) / target.profileHz.length)
}

export type Reason =
  | 'within-tolerance'
  | 'no-turn-helps'
  | 'ceiling'
  | 'hoop-or-edge'
  | 'suspect-rod'
  | 'readings-disagree'
  | 'back-to-slack'
  | 'need-readings'

/** What a hand turns at least, in turns, where nothing else is said. */
export const DEFAULT_SMALLEST_STEP = 1 / 32

/** What the hand does at once: at most as many rods as there are keys. Rods are numbered from 1. */
export interface Step {
  rods: number[]
  turns: number[]
}

export interface EvenAnswer {
  done: boolean
  reason: Reason | null
  turns: number[]
  steps: Step[]
  pressAfter: boolean
  targetHz: number
  /** What is wanted of every lug. */
  wantedHz: number[]
  toleranceCents: number
  predictedHz: number[]
  predictedErrorCents: number[]
  spreadCents: number
  spreadErrorCents: number
  meanHz: number
  meanErrorCents: number
  confidence: number
  /** Spread after the pass (now, where none is made): as likely exceeded as not, and what nine in ten stay under, in cents. */
  likelySpreadCents: number
  withinSpreadCents: number
  /** Lugs (from 1) most worth tapping next, best first. */
  readNext: number[]
  /** Lugs of the newest round whose readings were left out as another mode or a slip. */
  leftOut: number[]
  learned: Learned
  /** Enough lugs were read to turn: known closely enough, checked, and in agreement. */
  enough: boolean
  /** Rods (from 1) whose feel would tell most: of these pairs pitch cannot say which rod is loose. */
  ask: number[]
  /** Pull of every rod away from the mean, in turns, and its error; what pitch cannot see stays wide. */
  rods: Array<{ turns: number; error: number }>
  /** Spread of the head as it was believed after each round, oldest first, in cents; null where nothing was read. */
  roundSpreadsCents: Array<number | null>
  /** With the reason `suspect-rod`: rods that may not answer, and the turn that would tell. */
  suspects: Suspect[]
  /** With the reason `readings-disagree`: lugs whose readings no head could show together. */
  disagree: Disagreement[]
  /** Opposite lugs that read unalike and are taken as they are, furthest first; rods (from 1) that go against their own reading. */
  unlike: Disagreement[]
  against: number[]
  /** What one bare number scatters by as the sitting has shown it, in cents; null before a second round. */
  readingScatterCents: number | null
  /** What this sitting tells of the hand's scatter by itself; null with it. */
  scatterTold: HeadState['scatterTold']
  /** Highest minus lowest of the newest readings as they were taken, in cents; null under two. */
  readSpreadCents: number | null
  /** What the evenness is known by; all but pitch say nothing of the pitch. Null before anything was read. */
  knownBy: KnownBy | null
  /** These readings would make sense had the microphone stood still. */
  micStoodStill: boolean
  /** The other head was free and near alike while reading: it shows in the readings, and is to be muted. */
  muteOther: boolean
  /** What looking over found and this answer takes into account: rods left alone (from 1), and a hoop or edge not true. */
  leftAlone: number[]
  hoopOrEdgeKnown: boolean
  /** The newest readings lay this far from the forecast, in standard errors; 1 is as expected, null before a forecast. */
  surprise: number | null
  /** Dial law, given or learned. */
  gaugeLaw: GaugeLaw | null
}
