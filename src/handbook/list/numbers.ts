import type { Entry } from '../chapters'

export const NUMBERS = {
  'turn-law': {
    title: 'What a turn does',
    chapter: 'numbers',
    see: ['what-a-turn-does-here', 'from-slack', 'film'],
  },
  'what-a-turn-does-here': {
    title: 'What was learned of this head',
    chapter: 'numbers',
    see: ['turn-law', 'worn-head', 'rod-that-does-not-answer'],
  },
  tension: { title: 'Tension and load', chapter: 'numbers', see: ['over-tension', 'film'] },
  tolerance: {
    title: 'How good is good enough',
    chapter: 'numbers',
    see: ['when-to-stop', 'hand-error', 'cents'],
  },
  'hand-error': {
    title: 'What a hand leaves',
    chapter: 'numbers',
    see: ['when-to-stop', 'step-size', 'tolerance'],
  },
  confidence: { title: 'Odds and give or take', chapter: 'numbers', see: ['reading-error', 'when-to-stop'] },
  'reading-error': {
    title: 'How sure is a reading',
    chapter: 'numbers',
    see: ['confidence', 'reading-a-lug', 'tap-refused'],
  },
  ranges: { title: 'Where a drum speaks', chapter: 'numbers', see: ['growls', 'chokes', 'spot-or-scheme'] },
  ceiling: { title: 'Ceiling of a head', chapter: 'numbers', see: ['over-tension', 'up-or-down'] },
  forecast: {
    title: 'When it will be out',
    chapter: 'numbers',
    see: ['air-and-weather', 'will-not-hold', 'heads-age', 'quick-check'],
  },
  'air-and-weather': { title: 'Temperature and humidity', chapter: 'numbers', see: ['forecast'] },
  gauge: { title: 'A dial gauge', chapter: 'numbers', see: ['ear-or-instrument', 'what-pitch-cannot-see'] },
  ring: { title: 'How long it rings', chapter: 'numbers', see: ['ring-and-muffling', 'on-the-stand'] },
  'notes-and-a4': { title: 'Notes and A4', chapter: 'numbers', see: ['cents'] },
  separation: {
    title: 'Toms that stand too close',
    chapter: 'numbers',
    see: ['set-the-kit', 'answers-along'],
  },
  'answers-along': { title: 'A drum that answers along', chapter: 'numbers', see: ['separation', 'buzzes'] },
  'ear-threshold': {
    title: 'What your ear tells apart',
    chapter: 'numbers',
    see: ['staircase', 'tired-ear', 'hear-higher', 'ear-or-instrument'],
  },
  staircase: { title: 'How a drill measures', chapter: 'numbers', see: ['ear-threshold', 'tired-ear'] },
} as const satisfies Record<string, Entry>
