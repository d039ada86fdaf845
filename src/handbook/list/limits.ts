import type { Entry } from '../chapters'

export const LIMITS = {
  'what-pitch-cannot-see': {
    title: 'What pitch cannot see',
    chapter: 'limits',
    see: ['pairs', 'gauge', 'uneven-on-purpose'],
  },
  'wrong-overtone': {
    title: 'When a reading jumps',
    chapter: 'limits',
    see: ['overtones', 'reading-a-lug', 'stay-near'],
  },
  'stay-near': { title: 'Stay near a pitch', chapter: 'limits', see: ['wrong-overtone', 'tap-refused'] },
  'microphone-place': {
    title: 'Where the microphone is',
    chapter: 'limits',
    see: ['microphone', 'reading-a-lug'],
  },
  'reading-a-lug': {
    title: 'Read a lug well',
    chapter: 'limits',
    see: ['lug-pitch', 'reading-error', 'microphone-place'],
  },
  'tap-refused': {
    title: 'Why a tap was refused',
    chapter: 'limits',
    see: ['reading-a-lug', 'stay-near', 'microphone'],
  },
  'readings-disagree': {
    title: 'Readings that cannot stand together',
    chapter: 'limits',
    see: ['pairs', 'lug-by-lug', 'hoop-or-edge'],
  },
  'need-readings': {
    title: 'Too little is known yet',
    chapter: 'limits',
    see: ['reading-a-lug', 'what-pitch-cannot-see'],
  },
  'rod-that-does-not-answer': {
    title: 'A rod that does not answer',
    chapter: 'limits',
    see: ['stripped-rod', 'dirty-threads', 'hoop-or-edge'],
  },
  'hoop-or-edge': {
    title: 'Hoop or edge',
    chapter: 'limits',
    see: ['hoop', 'bearing-edge', 'will-not-come-even'],
  },
  'low-drums': { title: 'Large low drums', chapter: 'limits', see: ['tolerance', 'one-number', 'kick'] },
  'one-number': { title: 'One number for a head', chapter: 'limits', see: ['low-drums', 'typed-numbers'] },
  'typed-numbers': {
    title: 'Numbers from elsewhere',
    chapter: 'limits',
    see: ['one-number', 'reading-error'],
  },
  'simulated-is-not-real': {
    title: 'Made up and real never mix',
    chapter: 'limits',
    see: ['microphone', 'learning'],
  },
} as const satisfies Record<string, Entry>
