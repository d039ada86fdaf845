import type { Entry } from '../chapters'

export const LEARNING = {
  learning: {
    title: 'Learning to hear it',
    chapter: 'learning',
    see: ['hear-higher', 'one-turn-on-purpose', 'tired-ear'],
  },
  'hear-higher': {
    title: 'Which of two is higher',
    chapter: 'learning',
    see: ['learning', 'ear-threshold', 'intervals-by-ear'],
  },
  'intervals-by-ear': {
    title: 'Intervals by ear',
    chapter: 'learning',
    see: ['fourths', 'thirds', 'hear-higher'],
  },
  'one-turn-on-purpose': {
    title: 'One turn on purpose',
    chapter: 'learning',
    see: ['compare', 'relation-schools', 'learning'],
  },
  'tired-ear': { title: 'A tired ear', chapter: 'learning', see: ['hearing', 'ear-threshold'] },
} as const satisfies Record<string, Entry>
