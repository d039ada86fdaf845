import type { Entry } from './chapters'
import { CAUTIONS } from './list/cautions'
import { LEARNING } from './list/learning'
import { LIMITS } from './list/limits'
import { NUMBERS } from './list/numbers'
import { ORDER } from './list/order'
import { SCHOOLS } from './list/schools'
import { TOOL } from './list/tool'
import { TROUBLE } from './list/trouble'
import { WORDS } from './list/words'

/** The one list of entries, by id: the text of each lies in `entries/<id>.mdx`. */
const LIST = {
  ...ORDER,
  ...SCHOOLS,
  ...TROUBLE,
  ...LEARNING,
  ...WORDS,
  ...NUMBERS,
  ...LIMITS,
  ...TOOL,
  ...CAUTIONS,
} as const

export type EntryId = keyof typeof LIST
export const ENTRIES: Record<EntryId, Entry> = LIST
export const ENTRY_IDS = Object.keys(LIST) as EntryId[]

export const isEntry = (id: string | null): id is EntryId => id !== null && id in LIST

/** What a beginner reads, in this order. */
export const READING_ORDER: readonly EntryId[] = [
  'order-of-work',
  'batter-and-resonant',
  'lug-pitch',
  'reading-a-lug',
  'fit-a-head',
  'from-slack',
  'pairs',
  'even-a-head',
  'seating',
  'when-to-stop',
  'both-heads',
  'set-the-kit',
  'keep',
  'hearing',
  'over-tension',
]
