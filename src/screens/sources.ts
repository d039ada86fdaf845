import type { Settings } from '@/core/records/settings'

/** Where readings come from, in words: asked at the first head, and in Settings. */
export const SOURCES: ReadonlyArray<{ value: Settings['source']; label: string; says: string }> = [
  { value: 'microphone', label: 'Microphone', says: 'tap, and it listens' },
  { value: 'file', label: 'A recording', says: 'made elsewhere' },
  { value: 'typed', label: 'Typed numbers', says: 'from a tuner of yours' },
  { value: 'gauge', label: 'A dial gauge', says: 'silent' },
  { value: 'ear', label: 'My own ears', says: 'higher, lower, alike' },
  { value: 'practice', label: 'The practice drum', says: 'simulated, this sitting' },
]
