/**
 * Pitch arithmetic: equal temperament and cents.
 *
 * Source: ISO 16:1975 (A4 = 440 Hz as the standard tuning frequency); equal temperament has twelve equal
 * steps to the octave, 100 cents each. The reference pitch is always an argument: never a constant here.
 */

/** ISO 16: the standard tuning frequency in Hz, the default wherever a user has not set another. */
export const STANDARD_A4_HZ = 440
export const A4_LOWEST_HZ = 400
export const A4_HIGHEST_HZ = 480

/** 1200 / ln 2: cents per natural-log unit of frequency ratio. */
export const CENTS_PER_NEPER = 1200 / Math.LN2

const NOTE_NAMES = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'] as const

export interface Note {
  /** Scientific pitch name, sharps only: "A#3". */
  name: string
  /** Cents from that note, in [-50, 50]. */
  cents: number
  midi: number
}

/**
 * Interval from `fromHz` up to `toHz`, in cents (1200 log2 of the ratio).
 * @example centsBetween(440, 880) // 1200
 */
export function centsBetween(fromHz: number, toHz: number): number {
  return CENTS_PER_NEPER * Math.log(toHz / fromHz)
}

/** The pitch `cents` above `hz`, in Hz; the inverse of {@link centsBetween}. */
export function shiftByCents(hz: number, cents: number): number {
  return hz * 2 ** (cents / 1200)
}

/** A small pitch error in Hz at `hz`, as cents (first order). */
export function hzErrorToCents(hz: number, errorHz: number): number {
  return (CENTS_PER_NEPER * errorHz) / hz
}

/** A small error in cents at `hz`, as Hz (first order). */
export function centsErrorToHz(hz: number, errorCents: number): number {
  return (hz * errorCents) / CENTS_PER_NEPER
}

/** Fractional MIDI number of `hz`: 69 + 12 log2(hz / a4Hz). */
export function hzToMidi(hz: number, a4Hz = STANDARD_A4_HZ): number {
  return 69 + 12 * Math.log2(hz / a4Hz)
}

/** Pitch in Hz of a (fractional) MIDI number; the inverse of {@link hzToMidi}. */
export function midiToHz(midi: number, a4Hz = STANDARD_A4_HZ): number {
  return a4Hz * 2 ** ((midi - 69) / 12)
}

/**
 * Nearest equal-tempered note of `hz`, and the cents from it.
 * @example nearestNote(234) // { name: 'A#3', cents: 6.7…, midi: 58 }
 */
export function nearestNote(hz: number, a4Hz = STANDARD_A4_HZ): Note {
  const exact = hzToMidi(hz, a4Hz)
  const midi = Math.round(exact)
  const name = `${NOTE_NAMES[((midi % 12) + 12) % 12]}${Math.floor(midi / 12) - 1}`
  return { name, cents: 100 * (exact - midi), midi }
}
