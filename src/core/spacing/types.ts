import type { DrumKind } from '../kit/kinds'

/** One drum of a kit that is planned; pitches are lug pitches in Hz, other head muted. */
export interface PlanDrum {
  id: string
  name: string
  kind: DrumKind
  diameterInches: number
  depthInches?: number
  lugs?: number
  threadPitchMm?: number
  /** A hole in the resonant head. */
  portInches?: number
  /** A drum without a resonant head. */
  oneHeaded?: boolean
  batterMils?: number[]
  resonantMils?: number[]
  /** Where the batter speaks: below it growls, above it chokes; and where it is at its best. Left out: what is usual. */
  lowestHz?: number
  highestHz?: number
  favouriteHz?: number
  /** No lug is planned above these. */
  ceilingHz?: number
  resonantCeilingHz?: number
  now?: { batterHz: number; resonantHz: number } | null
  /** What a turn of every rod does, in Hz^2, where the heads have shown it. */
  turnLaw?: { batter?: number; resonant?: number }
}

/** Intervals between neighbouring toms, in cents. */
export type Scheme =
  | { kind: 'fourths' | 'fifth' | 'thirds' | 'major-triad' | 'free' }
  | { kind: 'equal'; cents: number }
  /** From the smallest drum on: one step for each gap. */
  | { kind: 'steps'; cents: number[] }

export interface PlanRequest {
  drums: PlanDrum[]
  scheme: Scheme
  /** Resonant heads above the batters, all alike or drum by drum; left out, each keeps its present relation. */
  headRelation?: { resonantAboveCents: number } | { byDrum: Record<string, number> }
  /** Drums whose heads both stay as they are now. */
  fixed?: string[]
  /** Kicks and snares to be placed with the toms; others stay where they are, unless that is to be avoided. */
  move?: string[]
  /** Drums whose batter is to read just this. */
  pinned?: Record<string, number>
  avoidHz?: number[]
  avoidWithinCents?: number
  /** Pitches whose notes, in any octave, are welcome: a song's key. */
  favourHz?: number[]
  /** Batter of the lowest tom; left out, it is found. */
  rootHz?: number
  /** The drum that is to be at its best before all others: the largest tom just above its growl, or the smallest at its best. */
  anchor?: 'lowest' | 'smallest'
  /** What a turn counts: 0 nothing, 1 a lot. */
  leastWork?: number
  a4Hz?: number
  /** Keys in hand, for the minutes. */
  keys?: 1 | 2
}

/** What a plan gives up, with the drum and its pitch; all of a batter's edge, in cents where not said otherwise. */
export type Gives =
  | { what: 'favourite' | 'range' | 'favour'; drum: string; cents: number; hz: number }
  | { what: 'gap'; drum: string; next: string; cents: number; wanted: number }
  | { what: 'close'; drum: string; next: string; cents: number }
  | { what: 'snare'; drum: string; cents: number; hz: number; snareHz: number }
  | { what: 'kick'; drum: string; cents: number; hz: number }

export interface PlannedDrum {
  id: string
  batterHz: number
  resonantHz: number
  /** Turns of every rod from where both heads stand; null where that is not known. */
  turns: { batter: number; resonant: number } | null
  rods: number
  minutes: number
}

/** What sets a plan apart from the first: in kind, never only by a few cents. */
export type PlanKind =
  | { kind: 'best' | 'lowest' | 'highest' | 'least-work' }
  | { kind: 'scheme'; scheme: Scheme }
  | { kind: 'relation'; resonantAboveCents: number }
  | { kind: 'stays'; drum: string }

export interface Plan {
  what: PlanKind
  /** By which it was made: its own where the plan differs by it. */
  scheme: Scheme
  rootHz: number
  drums: PlannedDrum[]
  cost: number
  score: number
  gives: Gives[]
}

export interface PlanAnswer {
  plans: Plan[]
  /** Why there is none; null when there are. */
  why: PlanTrouble | null
}

/** Where on a drum a pitch is: at its edge, a lug, or at its centre. */
export type Mode = 'edge' | 'centre'

export type PlanTrouble =
  /** No place is left: what binds it, where one thing does. */
  | { what: 'no-place'; drum: string; by: 'ceiling' | 'resonant-ceiling' | 'avoided' | 'root' | 'several' }
  | { what: 'fixed-avoided'; drum: string; mode: Mode; hz: number; avoidHz: number }
  /** Each has a place, but none with the others. */
  | { what: 'together' }
