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

export type Gives =
  | { what: 'favourite'; drum: string; cents: number }
  | { what: 'range'; drum: string; cents: number }
  | { what: 'gap'; drum: string; next: string; cents: number; wanted: number }
  | { what: 'close'; drum: string; next: string; cents: number }
  | { what: 'snare'; drum: string; cents: number }
  | { what: 'kick'; drum: string; cents: number }

export interface PlannedDrum {
  id: string
  batterHz: number
  resonantHz: number
  /** Turns of every rod from where both heads stand; null where that is not known. */
  turns: { batter: number; resonant: number } | null
  rods: number
  minutes: number
}

export interface Plan {
  /** What sets it apart from the first. */
  kind: 'best' | 'lower' | 'higher' | 'least-work'
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

export type PlanTrouble =
  { what: 'no-pitch' | 'no-relation'; drum: string } | { what: 'fixed-avoided'; drum: string }
