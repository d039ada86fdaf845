import type { Scheme } from '../records/plan'

export type { PlanDrum, PlanRequest, Scheme } from '../records/plan'

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
