import type { DrillId } from '../records/drill'
import type { Scale } from './staircase'

export type { DrillId }

/** The drills that measure the ear by answers, as data: what is asked, what can be answered, on what scale. */
export interface DrillKind {
  /** In a menu. */
  label: string
  question: string
  /** Unit of the difference. */
  unit: 'cents' | 'turns'
  scale: Scale
  /** Answers, where they are the same every time. */
  answers?: readonly string[]
  /** How the result is said: "you hear 9 c". */
  result: string
}

/** So many steps a doubling. */
const PER_DOUBLING = 4
const between = (low: number, high: number) => {
  const steps = Math.round(PER_DOUBLING * Math.log2(high / low))
  return Array.from({ length: steps + 1 }, (_, i) => round(low * (high / low) ** (i / steps)))
}
const round = (level: number) => Number(level.toPrecision(3))

/** A pair of names as far apart as its sizes: what the interval drill can play, in cents. */
const NAME_GAPS = [100, 200, 300, 400, 500, 700]

export const DRILLS: Record<DrillId, DrillKind> = {
  higher: {
    label: 'which is higher',
    question: 'Which is higher?',
    unit: 'cents',
    scale: { levels: between(2, 240), guess: 1 / 2 },
    answers: ['first', 'second'],
    result: 'you hear',
  },
  'odd-lug': {
    label: 'which lug is off',
    question: 'Which lug is off, and which way?',
    unit: 'cents',
    scale: { levels: between(4, 300), guess: 1 / 6 },
    answers: ['first high', 'first low', 'second high', 'second low', 'third high', 'third low'],
    result: 'you find a lug that is off by',
  },
  warble: {
    label: 'which one warbles',
    question: 'Which one warbles?',
    unit: 'cents',
    scale: { levels: between(6, 240), guess: 1 / 2 },
    answers: ['first', 'second'],
    result: 'you hear two poles that are apart by',
  },
  interval: {
    label: 'which interval',
    question: 'Which interval is it?',
    unit: 'cents',
    scale: { levels: NAME_GAPS, guess: 1 / 2 },
    result: 'you tell two intervals that differ by',
  },
  edge: {
    label: 'growls or chokes',
    question: 'Where does it stand?',
    unit: 'cents',
    scale: { levels: between(50, 1200), guess: 1 / 3 },
    answers: ['growls', 'speaks', 'chokes'],
    result: 'you know the end of its range when it is past by',
  },
  turned: {
    label: 'what was turned',
    question: 'What was turned, on which head?',
    unit: 'turns',
    scale: { levels: [1 / 16, 1 / 8, 3 / 16, 1 / 4, 3 / 8, 1 / 2, 3 / 4, 1], guess: 1 / 4 },
    answers: ['batter up', 'batter down', 'resonant up', 'resonant down'],
    result: 'you tell the head and the way from a turn of',
  },
}
