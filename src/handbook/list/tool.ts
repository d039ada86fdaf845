import type { Entry } from '../chapters'

export const TOOL = {
  'readings-from': {
    title: 'Where readings come from',
    chapter: 'tool',
    see: ['microphone', 'typed-numbers', 'gauge', 'ear-or-instrument', 'simulated-is-not-real'],
  },
  'hand-and-screen': { title: 'Hand, light and keys', chapter: 'tool', see: ['learning', 'two-keys'] },
  'your-data': {
    title: 'Where your data are',
    chapter: 'tool',
    see: ['keep', 'microphone', 'simulated-is-not-real'],
  },
} as const satisfies Record<string, Entry>
