import type { Hoop } from '../membrane/turnLaw'
import type { DrumKind } from '../kit/kinds'

/** A drum as its two heads and the air between them, or as the one head it has. */
export interface PairDrum {
  kind: DrumKind
  diameterInches: number
  depthInches: number
  lugs: number
  threadPitchMm: number
  batter: PairHead
  /** Null on a drum of one head. */
  resonant: PairHead | null
  /** A hole in the resonant head; null for none. */
  port: { diameterInches: number } | null
}

export interface PairHead {
  pliesMils: number[]
  hoop: Hoop
  /** No lug is planned above this pitch. */
  ceilingHz?: number
}

/** Lug pitches with the other head muted, and the drum's lowest pitch with both free; null where it was not read. */
export interface PairReading {
  batterHz: number | null
  resonantHz: number | null
  centreHz: number | null
}

/** Where both heads stand; the resonant is null on a drum of one head. */
export interface PairPlace {
  batterHz: number
  resonantHz: number | null
}

/** What is wanted: exactly two of these, one on a drum of one head. */
export interface PairWant {
  batterHz?: number
  resonantHz?: number
  centreHz?: number
  /** Batter lug pitch over centre pitch. */
  ratio?: number
  /** The resonant head's lug pitch above the batter's, in cents; negative below. */
  resonantAboveCents?: number
}

export const WANT_KEYS = ['batterHz', 'resonantHz', 'centreHz', 'ratio', 'resonantAboveCents'] as const
export type WantKey = (typeof WANT_KEYS)[number]
