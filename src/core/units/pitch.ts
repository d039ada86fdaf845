import { plainDigits } from './number'
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

const LETTERS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }
const NOTE = /^([A-Ga-g])([#♯b♭]?)(-?\d)?$/

/** Semitones above C of a note's letter and sign, and its octave where one is named; null for no note. */
function parseNote(text: string): { semitone: number; octave: number | null } | null {
  const match = NOTE.exec(text.trim())
  if (!match) return null
  const sign = match[2] === '' ? 0 : match[2] === '#' || match[2] === '♯' ? 1 : -1
  const semitone = LETTERS[match[1].toUpperCase()] + sign
  return { semitone, octave: match[3] === undefined ? null : Number(match[3]) }
}

/**
 * A pitch as people write it: "98", "98.5 Hz", "G2", "Bb1", "F♯3".
 * @returns Hz, or null for what is no pitch between 15 and 2000 Hz
 */
export function parsePitch(text: string, a4Hz = STANDARD_A4_HZ): number | null {
  const number = /^(\d+(?:[.,]\d+)?)\s*(?:hz)?$/i.exec(plainDigits(text).trim())
  const note = parseNote(text)
  const hz = number
    ? Number(number[1].replace(',', '.'))
    : note && note.octave !== null
      ? midiToHz(12 * (note.octave + 1) + note.semitone, a4Hz)
      : NaN
  return hz >= 15 && hz <= 2000 ? hz : null
}

const SCALES = { major: [0, 2, 4, 5, 7, 9, 11], minor: [0, 2, 3, 5, 7, 8, 10] }

/**
 * Notes of a song's key, one octave of them: "A major", "E minor", or note names "A C# E".
 * @returns pitches in Hz whose octave does not matter, or null for what is no key
 */
export function parseKey(text: string, a4Hz = STANDARD_A4_HZ): number[] | null {
  const key = /^(\S+)\s+(major|minor)$/i.exec(text.trim())
  const root = key && parseNote(key[1])
  const semitones = root
    ? SCALES[key[2].toLowerCase() as 'major' | 'minor'].map((step) => root.semitone + step)
    : text
        .split(/[\s,;]+/)
        .filter(Boolean)
        .map((part) => parseNote(part)?.semitone ?? null)
  if (semitones.length === 0 || semitones.includes(null)) return null
  return semitones.map((semitone) => midiToHz(60 + semitone!, a4Hz))
}
