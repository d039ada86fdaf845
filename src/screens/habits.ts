import type { Settings } from '@/core/records/settings'
import type { ChoiceItem } from '@/ui/Choice'

type Items<Key extends keyof Settings> = ReadonlyArray<ChoiceItem<Settings[Key] & string>>

/** Habits that are chosen in Settings and, where the work is, in How it listens: the same words in both. */
export const READ_ORDERS: Items<'readOrder'> = [
  { value: 'around', label: 'around' },
  { value: 'pairs', label: 'opposite pairs' },
  { value: 'fewest', label: 'fewest taps' },
]

export const CONFIRMATIONS: Items<'confirm'> = [
  { value: 'none', label: 'no sound' },
  { value: 'tick', label: 'a tick' },
  { value: 'word', label: 'spoken: reading and next move' },
]

export const KEEPING_SOUNDS: ReadonlyArray<ChoiceItem<'drop' | 'keep'>> = [
  { value: 'drop', label: 'not kept' },
  { value: 'keep', label: 'kept with the kit' },
]
