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

/** How notes are named: with sharps, with flats, as in German (H for B natural, B for B flat), or by syllables. */
export const NOTE_NAMES = {
  sharps: ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'],
  flats: ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'],
  german: ['C', 'Cis', 'D', 'Es', 'E', 'F', 'Fis', 'G', 'As', 'A', 'B', 'H'],
  solfege: ['Do', 'Do#', 'Re', 'Re#', 'Mi', 'Fa', 'Fa#', 'Sol', 'Sol#', 'La', 'La#', 'Si'],
} as const

export type NoteNames = keyof typeof NOTE_NAMES

export interface Note {
  /** Name with its octave as scientific pitch counts them: "A#3", "Bb3", "B3" in German, "La#3". */
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
export function nearestNote(hz: number, a4Hz = STANDARD_A4_HZ, names: NoteNames = 'sharps'): Note {
  const exact = hzToMidi(hz, a4Hz)
  const midi = Math.round(exact)
  const name = `${NOTE_NAMES[names][((midi % 12) + 12) % 12]}${Math.floor(midi / 12) - 1}`
  return { name, cents: 100 * (exact - midi), midi }
}

const LETTERS: Record<string, number> = { c: 0, d: 2, e: 4, f: 5, g: 7, a: 9, h: 11, b: 11 }
const SYLLABLES: Record<string, number> = {
  ...{ do: 0, ut: 0, re: 2, ré: 2, mi: 4, fa: 5, sol: 7, la: 9, si: 11, ti: 11 },
}
const SYLLABLE = /^(do|ut|r[eé]|mi|fa|sol|la|si|ti)\s*([#♯b♭]?)\s*(-?\d)?$/
/** "Es" and "As" have lost a letter of "Ees" and "Aes". */
const LETTER = /^([a-h])\s*(is|es|s|[#♯b♭]?)\s*(-?\d)?$/
const FLAT_OF: Record<string, number> = { '': 0, '#': 1, '♯': 1, is: 1, b: -1, '♭': -1, es: -1, s: -1 }

/** Semitones above C of a note's name and sign, and its octave where one is named; null for no note. */
function parseNote(text: string, names: NoteNames): { semitone: number; octave: number | null } | null {
  const plain = text.trim().toLowerCase()
  const match = SYLLABLE.exec(plain) ?? LETTER.exec(plain)
  if (!match) return null
  const [, name, sign, octave] = match
  if (sign === 's' && name !== 'e' && name !== 'a') return null
  // B alone is a semitone lower to a German than to all others; H is the same to both.
  const german = names === 'german' && name === 'b' && sign === '' ? -1 : 0
  const semitone = (SYLLABLES[name] ?? LETTERS[name]) + FLAT_OF[sign] + german
  return { semitone, octave: octave === undefined ? null : Number(octave) }
}

const LOWEST_HZ = 15
const HIGHEST_HZ = 2000
/** Further off a note than this it is another one, and most likely a slip. */
const MOST_OFF_CENTS = 100

/**
 * A pitch as people write it: "98", "98,5 Hz", or a note with cents: "G2", "Bb1", "F♯3+12", "A#2 −15 c", "Fis3", "la2".
 * @param names whose B is meant, where a B stands alone
 * @returns Hz, or null for what is no pitch between 15 and 2000 Hz
 */
export function parsePitch(text: string, a4Hz = STANDARD_A4_HZ, names: NoteNames = 'sharps'): number | null {
  const plain = plainDigits(text).trim()
  const number = /^(\d+(?:[.,]\d*)?)\s*(?:hz)?$/i.exec(plain)
  const hz = number ? Number(number[1].replace(',', '.')) : notePitch(plain, a4Hz, names)
  return hz !== null && hz >= LOWEST_HZ && hz <= HIGHEST_HZ ? hz : null
}

function notePitch(plain: string, a4Hz: number, names: NoteNames): number | null {
  const off = /^(.*?\d)\s*([+-])\s*(\d+(?:[.,]\d+)?)\s*(?:c|cents?)?$/.exec(plain)
  const note = parseNote(off ? off[1] : plain, names)
  if (!note || note.octave === null) return null
  const cents = off ? Number(`${off[2]}${off[3].replace(',', '.')}`) : 0
  if (Math.abs(cents) > MOST_OFF_CENTS) return null
  return midiToHz(12 * (note.octave + 1) + note.semitone + cents / 100, a4Hz)
}

const SCALES = { major: [0, 2, 4, 5, 7, 9, 11], minor: [0, 2, 3, 5, 7, 8, 10] }

/**
 * Notes of a song's key, one octave of them: "A major", "E minor", or note names "A C# E".
 * @returns pitches in Hz whose octave does not matter, or null for what is no key
 */
export function parseKey(text: string, a4Hz = STANDARD_A4_HZ, names: NoteNames = 'sharps'): number[] | null {
  const key = /^(\S+)\s+(major|minor)$/i.exec(text.trim())
  const root = key && parseNote(key[1], names)
  const semitones = root
    ? SCALES[key[2].toLowerCase() as 'major' | 'minor'].map((step) => root.semitone + step)
    : text
        .split(/[\s,;]+/)
        .filter(Boolean)
        .map((part) => parseNote(part, names)?.semitone ?? null)
  if (semitones.length === 0 || semitones.includes(null)) return null
  return semitones.map((semitone) => midiToHz(60 + semitone!, a4Hz))
}

/**
 * Several pitches at once, as they are pasted from a table or a note: "168,5 171 166,7", "168.5, 171, 166.7", one a line.
 * A comma is a decimal sign where a digit stands on both sides of it and the part holds no other; else it parts.
 * @returns each as it stood and in Hz, null where it is none
 */
export function parsePitches(
  text: string,
  a4Hz = STANDARD_A4_HZ,
  names: NoteNames = 'sharps',
): Array<{ text: string; hz: number | null }> {
  return text
    .replace(/\bhz\b/gi, ' ')
    .split(/[\s;|]+|,(?=\s|$)/)
    .flatMap((part) => ((part.match(/,/g)?.length ?? 0) > 1 ? part.split(',') : [part]))
    .filter(Boolean)
    .map((part) => ({ text: part, hz: parsePitch(part, a4Hz, names) }))
}

/** A bare note is read off a display that knows no cents: it may be anywhere in its half step, so 100 / √12 cents of error. */
const BARE_NOTE_CENTS = 100 / Math.sqrt(12)

/**
 * One standard error of a typed pitch in cents, by what was typed: half of a number's last digit, the same of a note's cents, and
 * all of its half step for a note without cents.
 */
export function typedErrorCents(text: string, hz: number): number {
  const plain = plainDigits(text).trim().replace(',', '.')
  const number = /^\d+(?:\.(\d*))?/.exec(plain)
  if (number) return centsBetween(hz, hz + 0.5 * 10 ** -(number[1]?.length ?? 0))
  const off = /[+-]\s*\d+(?:\.(\d+))?\s*(?:c|cents?)?$/.exec(plain)
  return off && !/^-\d$/.test(off[0]) ? 0.5 * 10 ** -(off[1]?.length ?? 0) : BARE_NOTE_CENTS
}
