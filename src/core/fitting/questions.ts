import type { CauseId } from './causes'
import { COMPLAINTS, GIVEN_COMPLAINTS, SOUND_COMPLAINTS } from './complaints'

/**
 * What to ask of a drum that will not come right, as data, with what each cause answers. Common practice, no source; the
 * figures are judgements, open to argument and kept in one place. Every row of odds adds up to 1; a cause that a question
 * says nothing of answers as a sound drum does.
 */
export interface Question {
  ask: string
  /** What to do to answer it. */
  how: string
  minutes: number
  /** `reading`: the head's own readings answer it where they are fresh. */
  by: 'complaint' | 'eye' | 'hand' | 'ear' | 'reading'
  answers: Record<string, string>
  /** Odds of each answer on a drum with nothing wrong there. */
  sound: Record<string, number>
  given: Partial<Record<CauseId, Record<string, number>>>
  caution?: string
  snareOnly?: true
}

const QUESTION_LIST = {
  complaint: {
    ask: 'What is wrong with it?',
    how: 'Say what bothers most.',
    minutes: 0,
    by: 'complaint',
    answers: COMPLAINTS,
    sound: SOUND_COMPLAINTS,
    given: GIVEN_COMPLAINTS,
  },
  reading: {
    ask: 'What do the lugs read?',
    how: 'Tap every lug. Even means within a few cents of each other, twice the tolerance at most.',
    minutes: 1,
    by: 'reading',
    answers: {
      below: 'even, very low for this size',
      above: 'even, very high for this size',
      even: 'even, a usual pitch',
      uneven: 'uneven',
    },
    sound: { below: 0.07, above: 0.07, even: 0.76, uneven: 0.1 },
    given: {
      'out-of-tune': { below: 0.02, above: 0.02, even: 0.06, uneven: 0.9 },
      'too-slack': { below: 0.7, above: 0.01, even: 0.04, uneven: 0.25 },
      'too-tight': { below: 0.01, above: 0.9, even: 0.05, uneven: 0.04 },
      'worn-head': { below: 0.1, above: 0.04, even: 0.66, uneven: 0.2 },
      'near-rods-off': { below: 0.02, above: 0.01, even: 0.17, uneven: 0.8 },
      'stripped-rod': { below: 0.02, above: 0.02, even: 0.16, uneven: 0.8 },
      'dirty-threads': { below: 0.02, above: 0.02, even: 0.16, uneven: 0.8 },
      'hoop-out-of-round': { below: 0.02, above: 0.02, even: 0.16, uneven: 0.8 },
      'damaged-edge': { below: 0.02, above: 0.02, even: 0.16, uneven: 0.8 },
    },
  },
  answer: {
    ask: 'Does the lowest pair answer?',
    how: 'Raise both rods of the lowest pair by an eighth, press, tap that lug again. An eighth on a pair is some 10 to 30 cents there.',
    minutes: 1,
    by: 'reading',
    answers: { rises: 'rises as it should', little: 'rises by half or less', not: 'hardly moves' },
    sound: { rises: 0.86, little: 0.11, not: 0.03 },
    given: {
      'worn-head': { rises: 0.35, little: 0.55, not: 0.1 },
      'stripped-rod': { rises: 0.15, little: 0.6, not: 0.25 },
      'dirty-threads': { rises: 0.6, little: 0.3, not: 0.1 },
      'hoop-out-of-round': { rises: 0.1, little: 0.2, not: 0.7 },
      'damaged-edge': { rises: 0.7, little: 0.22, not: 0.08 },
    },
  },
  law: {
    ask: 'Does the whole head answer turns as it did?',
    how: 'All rods up an eighth, press, tap two lugs; compare with what an eighth did before, or does on a head of this size.',
    minutes: 1.5,
    by: 'reading',
    answers: { usual: 'as it did, or as usual', less: 'clearly less' },
    sound: { usual: 0.9, less: 0.1 },
    given: {
      'worn-head': { usual: 0.35, less: 0.65 },
      'unsettled-head': { usual: 0.75, less: 0.25 },
      'hoop-out-of-round': { usual: 0.6, less: 0.4 },
      'stripped-rod': { usual: 0.7, less: 0.3 },
    },
  },
  feel: {
    ask: 'How do the rods feel?',
    how: 'Turn each a hair, back and forth, with finger and thumb on the key.',
    minutes: 0.5,
    by: 'hand',
    answers: {
      alike: 'all much alike',
      free: 'one turns freely, however far',
      stiff: 'one is stiff or gritty',
      near: 'those nearest the player are loose',
      some: 'some loose, some tight',
      soft: 'all soft',
      hard: 'all very hard',
    },
    sound: { alike: 0.8, free: 0.02, stiff: 0.03, near: 0.03, some: 0.06, soft: 0.03, hard: 0.03 },
    given: {
      'out-of-tune': { alike: 0.36, free: 0.02, stiff: 0.03, near: 0.07, some: 0.48, soft: 0.02, hard: 0.02 },
      'too-slack': { alike: 0.1, free: 0.03, stiff: 0.02, near: 0.02, some: 0.05, soft: 0.76, hard: 0.02 },
      'too-tight': { alike: 0.1, free: 0.01, stiff: 0.04, near: 0.01, some: 0.05, soft: 0.01, hard: 0.78 },
      'near-rods-off': {
        alike: 0.05,
        free: 0.02,
        stiff: 0.02,
        near: 0.8,
        some: 0.09,
        soft: 0.01,
        hard: 0.01,
      },
      'stripped-rod': {
        alike: 0.03,
        free: 0.86,
        stiff: 0.03,
        near: 0.02,
        some: 0.04,
        soft: 0.01,
        hard: 0.01,
      },
      'dirty-threads': {
        alike: 0.05,
        free: 0.02,
        stiff: 0.82,
        near: 0.02,
        some: 0.07,
        soft: 0.01,
        hard: 0.01,
      },
      'hoop-out-of-round': {
        ...{ alike: 0.2, free: 0.02, stiff: 0.08, near: 0.04, some: 0.62, soft: 0.02, hard: 0.02 },
      },
      'damaged-edge': { alike: 0.45, free: 0.02, stiff: 0.03, near: 0.06, some: 0.4, soft: 0.02, hard: 0.02 },
    },
  },
  press: {
    ask: 'What does pressing do?',
    how: 'Press the centre once with the flat hand, gently on a thin head, and tap the same lug again.',
    minutes: 0.3,
    by: 'reading',
    answers: {
      nothing: 'nothing changes',
      little: 'falls a few cents',
      much: 'falls clearly, 12 cents or more',
    },
    sound: { nothing: 0.72, little: 0.23, much: 0.05 },
    given: {
      'unsettled-head': { nothing: 0.04, little: 0.16, much: 0.8 },
      'near-rods-off': { nothing: 0.6, little: 0.3, much: 0.1 },
      'too-slack': { nothing: 0.6, little: 0.28, much: 0.12 },
    },
  },
  'head-off': {
    ask: 'What shows with the head off?',
    how: 'All rods loose: does the film lie flat? Hoop back on the drum: is the gap even, seen straight from above? Film off, shell on a flat table, a lamp inside: does light show under the edge?',
    minutes: 6,
    by: 'eye',
    answers: {
      good: 'all three are good',
      bowl: 'the film sags into a bowl, or is pitted through',
      gap: 'the gap of the hoop is uneven',
      light: 'light shows under the edge',
    },
    sound: { good: 0.88, bowl: 0.06, gap: 0.03, light: 0.03 },
    given: {
      'worn-head': { good: 0.08, bowl: 0.88, gap: 0.02, light: 0.02 },
      'hoop-out-of-round': { good: 0.05, bowl: 0.03, gap: 0.9, light: 0.02 },
      'damaged-edge': { good: 0.06, bowl: 0.02, gap: 0.03, light: 0.89 },
    },
    caution: 'A lamp inside a shell gets hot: an LED, and not left alone.',
  },
  other: {
    ask: 'And with the other head damped?',
    how: 'Lay a hand flat on the other head and tap again.',
    minutes: 0.2,
    by: 'ear',
    answers: { clears: 'it comes clear', same: 'no better' },
    sound: { clears: 0.08, same: 0.92 },
    given: { 'other-head': { clears: 0.9, same: 0.1 }, wires: { clears: 0.5, same: 0.5 } },
  },
  held: {
    ask: 'Held by the rim against mounted?',
    how: 'The same stroke, the drum hanging from a finger at the rim, then on its mount.',
    minutes: 1,
    by: 'ear',
    answers: { alike: 'rings alike', mounted: 'much shorter on the mount', both: 'short both ways' },
    sound: { alike: 0.87, mounted: 0.07, both: 0.06 },
    given: {
      mount: { alike: 0.04, mounted: 0.92, both: 0.04 },
      'over-muffled': { alike: 0.05, mounted: 0.04, both: 0.91 },
      'worn-head': { alike: 0.32, mounted: 0.05, both: 0.63 },
      'too-tight': { alike: 0.72, mounted: 0.06, both: 0.22 },
      'too-slack': { alike: 0.72, mounted: 0.06, both: 0.22 },
    },
  },
  rattle: {
    ask: 'What stops the noise?',
    how: 'Tap on and touch one thing after another: lugs, rods, wing nuts, arms; wires off; then carry the drum away from the others.',
    minutes: 1,
    by: 'ear',
    answers: {
      none: 'there is no noise',
      part: 'touching a part of the drum',
      away: 'away from the others',
      wires: 'wires off',
    },
    sound: { none: 0.9, part: 0.04, away: 0.04, wires: 0.02 },
    given: {
      'loose-part': { none: 0.04, part: 0.9, away: 0.03, wires: 0.03 },
      neighbour: { none: 0.04, part: 0.03, away: 0.9, wires: 0.03 },
      wires: { none: 0.04, part: 0.03, away: 0.05, wires: 0.88 },
      'stripped-rod': { none: 0.82, part: 0.12, away: 0.04, wires: 0.02 },
    },
  },
  noise: {
    ask: 'What is the noise like?',
    how: 'One stroke at the centre, then listen until all is still.',
    minutes: 0.3,
    by: 'ear',
    answers: {
      none: 'there is none',
      note: 'a note that rings on',
      rattle: 'a rattle that dies with the stroke',
      hiss: 'a sizzle of wires',
    },
    sound: { none: 0.88, note: 0.05, rattle: 0.05, hiss: 0.02 },
    given: {
      'loose-part': { none: 0.05, note: 0.05, rattle: 0.84, hiss: 0.06 },
      neighbour: { none: 0.06, note: 0.82, rattle: 0.06, hiss: 0.06 },
      wires: { none: 0.04, note: 0.03, rattle: 0.13, hiss: 0.8 },
    },
  },
  threads: {
    ask: 'How does the rod of the lowest lug look?',
    how: 'Back that rod and its opposite off and take them out: thread, washer, insert.',
    minutes: 2,
    by: 'eye',
    answers: {
      clean: 'clean, straight, with its washer',
      dirty: 'dirty, dry or bent',
      worn: 'its thread is gone',
    },
    sound: { clean: 0.86, dirty: 0.11, worn: 0.03 },
    given: {
      'dirty-threads': { clean: 0.08, dirty: 0.88, worn: 0.04 },
      'stripped-rod': { clean: 0.1, dirty: 0.08, worn: 0.82 },
    },
    caution: 'Solvents burn and give off fumes: gloves, open air, no flame.',
  },
  muffling: {
    ask: 'Is anything on the heads?',
    how: 'Pads, rings, tape, a damper in the shell, a pillow: look at both heads and inside.',
    minutes: 0.2,
    by: 'eye',
    answers: { nothing: 'nothing', little: 'a little', much: 'a good deal' },
    sound: { nothing: 0.75, little: 0.22, much: 0.03 },
    given: { 'over-muffled': { nothing: 0.03, little: 0.15, much: 0.82 } },
  },
  evening: {
    ask: 'Does it come even in two passes?',
    how: 'Even it twice around, pressing after each pass, and read every lug.',
    minutes: 5,
    by: 'reading',
    answers: { even: 'it comes even', stays: 'a pair stays off, or comes back' },
    sound: { even: 0.9, stays: 0.1 },
    given: {
      'too-slack': { even: 0.7, stays: 0.3 },
      'unsettled-head': { even: 0.6, stays: 0.4 },
      'worn-head': { even: 0.6, stays: 0.4 },
      'stripped-rod': { even: 0.3, stays: 0.7 },
      'hoop-out-of-round': { even: 0.1, stays: 0.9 },
      'damaged-edge': { even: 0.35, stays: 0.65 },
    },
  },
  since: {
    ask: 'What do the lugs read against last time?',
    how: 'Compare with the last readings in the log, lug by lug.',
    minutes: 0.5,
    by: 'reading',
    answers: {
      same: 'as they did',
      some: 'some fell, others held',
      all: 'all fell alike',
      never: 'it was not read before',
    },
    sound: { same: 0.55, some: 0.07, all: 0.08, never: 0.3 },
    given: {
      'out-of-tune': { same: 0.45, some: 0.1, all: 0.05, never: 0.4 },
      'near-rods-off': { same: 0.05, some: 0.7, all: 0.05, never: 0.2 },
      'unsettled-head': { same: 0.05, some: 0.15, all: 0.6, never: 0.2 },
      'stripped-rod': { same: 0.15, some: 0.55, all: 0.05, never: 0.25 },
      'dirty-threads': { same: 0.4, some: 0.15, all: 0.05, never: 0.4 },
    },
  },
  age: {
    ask: 'How old is the head?',
    how: 'From the log, or by its looks.',
    minutes: 0.1,
    by: 'eye',
    answers: { days: 'some days at most', months: 'weeks or months', long: 'a year and more, or beaten' },
    sound: { days: 0.12, months: 0.63, long: 0.25 },
    given: {
      'worn-head': { days: 0.01, months: 0.19, long: 0.8 },
      'unsettled-head': { days: 0.85, months: 0.12, long: 0.03 },
    },
  },
  film: {
    ask: 'What film is on?',
    how: 'Look at it against the light: its plies, and whether a ring, a dot or a felt is built in.',
    minutes: 0.2,
    by: 'eye',
    answers: {
      plain: 'one or two sound plies',
      thin: 'one thin, cheap ply',
      ring: 'a ring or dot is built in',
    },
    sound: { plain: 0.84, thin: 0.06, ring: 0.1 },
    given: {
      'thin-head': { plain: 0.06, thin: 0.92, ring: 0.02 },
      'built-in-ring': { plain: 0.03, thin: 0.02, ring: 0.95 },
    },
  },
  rings: {
    ask: 'How long does the low note ring?',
    how: 'One stroke on the centre, nothing on the heads, held by the rim; strokes that were measured answer it.',
    minutes: 0.3,
    by: 'reading',
    answers: { long: 'far longer than one wants', usual: 'as such drums do', short: 'hardly at all' },
    sound: { long: 0.08, usual: 0.84, short: 0.08 },
    given: {
      'nothing-takes-ring': { long: 0.88, usual: 0.1, short: 0.02 },
      'over-muffled': { long: 0.01, usual: 0.08, short: 0.91 },
      'built-in-ring': { long: 0.01, usual: 0.14, short: 0.85 },
      'worn-head': { long: 0.02, usual: 0.4, short: 0.58 },
      'boomy-room': { long: 0.3, usual: 0.66, short: 0.04 },
      'closed-kick': { long: 0.3, usual: 0.66, short: 0.04 },
    },
  },
  front: {
    ask: 'And with a hand or a pillow against the front head?',
    how: 'Touch the front head lightly and play; or take it off for a moment.',
    minutes: 0.3,
    by: 'ear',
    answers: { better: 'the bounce is gone', same: 'no better' },
    sound: { better: 0.1, same: 0.9 },
    given: { 'closed-kick': { better: 0.92, same: 0.08 } },
  },
  room: {
    ask: 'And in another place in the room?',
    how: 'Carry the drum out of its corner, or walk to where people listen.',
    minutes: 1,
    by: 'ear',
    answers: { there: 'it only booms there', alike: 'as before' },
    sound: { there: 0.06, alike: 0.94 },
    given: { 'boomy-room': { there: 0.92, alike: 0.08 } },
  },
} as const satisfies Record<string, Question>

export type QuestionId = keyof typeof QUESTION_LIST
export const QUESTION_IDS = Object.keys(QUESTION_LIST) as [QuestionId, ...QuestionId[]]
export const QUESTIONS: Record<QuestionId, Question> = QUESTION_LIST
