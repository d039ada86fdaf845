export type Verdict = 'ok' | 'clipped' | 'too-quiet' | 'double-hit' | 'noisy' | 'no-pitch' | 'no-tap'

export interface Mode {
  hz: number
  /** Time in which the amplitude falls by a factor e. */
  decaySeconds: number
  /** Level against the loudest mode, at the start of the tail. */
  levelDb: number
  standardErrorHz: number
}

export interface Alternative {
  hz: number
  /** Probability that this mode is the lug pitch instead. */
  odds: number
}

export interface Tap {
  /** Time of the stroke from the start of the samples. */
  atSeconds: number
  verdict: Verdict
  /** In words, where the verdict is not ok: what was wrong and what to do. */
  why: string | null
  /** Lug pitch: amplitude-weighted mean of the (1,1) poles found, settled; null where no pitch may be trusted. */
  hz: number | null
  standardErrorHz: number | null
  /** The poles that make up the reading. */
  poles: Mode[]
  /** All modes found, loudest first. */
  modes: Mode[]
  alternatives: Alternative[]
}

export interface MeasureOptions {
  /** A pitch to stay near, from a trusted lug or the target, in Hz. */
  expectHz?: number
  /** Width of that expectation, one standard deviation in cents. */
  expectCents?: number
  /** Only pitches in this band count: [low, high] in Hz. */
  bandHz?: readonly [number, number]
  diameterInches?: number
  side?: 'batter' | 'resonant'
}
