import type { Hoop } from '../membrane/turnLaw'

/** What is given of one head and what happened to it; `records/even.ts` guards these at the door. */
export interface EvenHead {
  side: 'batter' | 'resonant'
  diameterInches: number
  lugs: number
  hoop: Hoop
  threadPitchMm: number
  pliesMils: number[]
  ceilingHz?: number
  depthInches?: number
  other?: { hz: number; pliesMils: number[] }
  /** The film was found stretched or beaten: it answers turns less, and less surely. */
  worn?: boolean
}

/** What a hand felt of a rod, against the others. */
export type Feel = 'loose' | 'alike' | 'tight'

/** What an ear says of a lug against the round's reference lug. */
export type Ear = 'much-lower' | 'lower' | 'alike' | 'higher' | 'much-higher'

/** A dial gauge's law: g = g0 - c / T, T in N/m. */
export interface GaugeLaw {
  g0: number
  c: number
}

export interface PoleReading {
  hz: number
  levelDb: number
  standardErrorHz: number
}

/** The readings of one pass and the turns then made. */
export interface Round {
  /** Lug pitches in Hz, null where not read; lug 1 first. */
  readingsHz?: (number | null)[]
  /** One standard error of a bare number, in cents. */
  readingErrorCents?: number
  /** The same lug by lug where they differ; null for the one above. */
  readingErrorsCents?: (number | null)[]
  /** One number for the whole head, with its error in cents (default 20): its pitch, nothing of its evenness. */
  wholeHz?: number
  wholeErrorCents?: number
  /** Readings with their poles, beside or instead of the bare numbers. */
  readings?: Array<{ lug: number; modes: PoleReading[] }>
  otherHead?: 'muted' | 'free' | 'off'
  /** Where the microphone was: following the tap (default), or standing still. */
  mic?: 'with-tap' | 'standing'
  pressed?: boolean
  /** A dial gauge at every lug, its own scale, larger is tighter; null where not read. */
  gauge?: (number | null)[]
  /** What the hand felt of every rod; null where it was not felt. */
  feel?: (Feel | null)[]
  /** What the ear said of every lug against the reference lug (from 1); null where it was not listened to. */
  ear?: (Ear | null)[]
  earReference?: number
  /** Lugs (from 1) whose reading was taken again and came out alike. */
  confirmed?: number[]
  /** Turned after these readings, net per rod; none on the newest round. */
  turns?: number[]
}

/** What a head has taught of its own answers; means with one standard error. */
export interface Learned {
  hz2PerTurn: number
  hz2PerTurnError: number
  secondAnswer: number
  secondAnswerError: number
}
