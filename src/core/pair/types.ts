import type { Hoop } from '../membrane/turnLaw'
import type { DrumKind } from '../evening/tolerance'

/** A drum as its two heads and the air between them. */
export interface PairDrum {
  kind: DrumKind
  diameterInches: number
  depthInches: number
  lugs: number
  threadPitchMm: number
  batter: PairHead
  resonant: PairHead
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
  batterHz: number
  resonantHz: number
  centreHz: number | null
}

/** What is wanted: exactly two of these. */
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
