export type Verdict = 'ok' | 'clipped' | 'too-quiet' | 'double-hit' | 'noisy' | 'no-pitch' | 'no-tap'

export interface Mode {
  hz: number
  /** Time in which the amplitude falls by a factor e. */
  decaySeconds: number
  /** Level against the loudest mode, at the start of the tail. */
  levelDb: number
  standardErrorHz: number
  /** Standard errors of the decay and of the level; left out by readings kept before they were measured. */
  decayErrorSeconds?: number
  levelErrorDb?: number
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
  /** It rang clearly enough, and is no tap all the same: a voice, rattling wires, a thud. */
  noTap?: true
  /** ... and it was a voice or an instrument, not a head that cannot ring. */
  voice?: true
  /** Only the stroke itself was overdriven, what rings after it was not: the reading holds. */
  warning?: 'clipped-stroke'
  /** Lug pitch: amplitude-weighted mean of the (1,1) poles found, settled; null where no pitch may be trusted. */
  hz: number | null
  standardErrorHz: number | null
  /** The poles that make up the reading. */
  poles: Mode[]
  /** All modes found, loudest first, but for what rang before. */
  modes: Mode[]
  alternatives: Alternative[]
  /** Of a centre tap: cents by which it began above (or below, negative) the settled pitch; null where not heard. */
  glideCents?: number | null
  /** Of a centre tap: seconds until it stays 20 and 60 dB under its loudest, null where noise hides that. */
  ringSeconds?: { to20dB: number | null; to60dB: number | null }
}

/** What the panel shows of one tap's sound. */
export interface TapLook {
  /** Lowest and highest sample of each of some hundred stretches. */
  wave: Array<[low: number, high: number]>
  seconds: number
  /** Level in dB against the highest, from 0 Hz on, every `stepHz`. */
  spectrumDb: number[]
  stepHz: number
}

export interface MeasureOptions {
  /** A pitch to stay near, from a trusted lug or the target, in Hz. */
  expectHz?: number
  /** Width of that expectation, one standard deviation in cents. */
  expectCents?: number
  /** Only pitches in this band count: [low, high] in Hz. */
  bandHz?: readonly [number, number]
  diameterInches?: number
  /**
   * Where the microphone was. One that stands still hears the two poles of a pair with either sign; one that follows the
   * tap never does. Left out, both are thought possible.
   */
  mic?: 'with-tap' | 'standing'
  /** What was struck: a lug (default) or the centre. */
  tap?: 'lug' | 'centre'
  side?: 'batter' | 'resonant'
}
