import type { EntryId } from './entries'
import type { DrillId, LessonId } from '@/core/records/drill'
import type { DriftCause } from '@/core/drift/forecast'
import type { WornReason } from '@/core/drift/worn'
import type { Reason } from '@/core/evening/types'
import type { CauseId } from '@/core/fitting/causes'
import type { COMPLAINTS } from '@/core/fitting/complaints'
import type { AreaId, FindingId } from '@/core/fitting/lookOver'
import type { QuestionId } from '@/core/fitting/questions'
import type { KnownBy } from '@/core/head/estimate'
import type { SlackSchoolId } from '@/core/head/slackStart'
import type { Verdict as TapVerdict } from '@/core/measurement/types'
import type { PairLimit, PairWarning } from '@/core/pair/limits'
import type { Gives } from '@/core/spacing/types'
import type { Verdict } from '@/core/spacing/verdict'
import type { StepId } from '@/core/status/steps'

/** Which entry answers what the app says: whole lists by their types, so that a new reason without an entry does not compile. */

export const REASON_ENTRY: Record<Reason | 'move', EntryId> = {
  move: 'pairs',
  'within-tolerance': 'tolerance',
  'no-turn-helps': 'when-to-stop',
  ceiling: 'ceiling',
  'hoop-or-edge': 'hoop-or-edge',
  'suspect-rod': 'rod-that-does-not-answer',
  'readings-disagree': 'readings-disagree',
  'back-to-slack': 'back-to-slack',
  'need-readings': 'need-readings',
}

export const STEP_ENTRY: Record<StepId, EntryId> = {
  look: 'look-over',
  fit: 'fit-a-head',
  even: 'even-a-head',
  heads: 'both-heads',
  ring: 'ring-and-muffling',
  snare: 'snare',
  kick: 'kick',
  stand: 'on-the-stand',
  keep: 'keep',
  fault: 'find-what-is-wrong',
  compare: 'compare',
  drastic: 'one-turn-on-purpose',
  fast: 'fast-routine',
}

export const KNOWN_BY_ENTRY: Record<KnownBy, EntryId> = {
  pitch: 'lug-pitch',
  whole: 'one-number',
  gauge: 'gauge',
  ear: 'ear-threshold',
  feel: 'what-pitch-cannot-see',
}

export const TAP_ENTRY: Record<Exclude<TapVerdict, 'ok'> | 'jumped' | 'other-drum', EntryId> = {
  clipped: 'tap-refused',
  'too-quiet': 'tap-refused',
  'double-hit': 'tap-refused',
  noisy: 'tap-refused',
  'no-pitch': 'tap-refused',
  'no-tap': 'tap-refused',
  jumped: 'wrong-overtone',
  'other-drum': 'reading-a-lug',
}

export const VERDICT_ENTRY: Record<Verdict['what'], EntryId> = {
  close: 'separation',
  mixed: 'separation',
  answers: 'answers-along',
}

export const GIVES_ENTRY: Record<Gives['what'], EntryId> = {
  range: 'ranges',
  favourite: 'spot-or-scheme',
  favour: 'notes-and-a4',
  close: 'separation',
  gap: 'set-the-kit',
  snare: 'answers-along',
  kick: 'kick',
}

export const AREA_ENTRY: Record<AreaId, EntryId> = {
  heads: 'film',
  hoop: 'hoop',
  edge: 'bearing-edge',
  rods: 'rod-and-lug',
  mount: 'on-the-stand',
  wires: 'wires',
  muffling: 'ring-and-muffling',
}

export const FINDING_ENTRY: Record<FindingId, EntryId> = {
  worn: 'worn-head',
  'long-uneven': 'will-not-come-even',
  'hoop-oval': 'hoop-or-edge',
  'hoop-rocks': 'hoop-or-edge',
  'edge-light': 'bearing-edge',
  stripped: 'stripped-rod',
  dirty: 'dirty-threads',
  washer: 'loose-part',
  'backs-off': 'near-rods',
  'mount-dead': 'short-on-its-mount',
  rattle: 'loose-part',
  'wires-bent': 'wires',
  'wires-cord': 'wires',
  muffled: 'over-muffled',
}

export const CAUSE_ENTRY: Record<CauseId, EntryId> = {
  'out-of-tune': 'even',
  'too-slack': 'growls',
  'too-tight': 'chokes',
  'worn-head': 'worn-head',
  'unsettled-head': 'seating',
  'near-rods-off': 'near-rods',
  'stripped-rod': 'stripped-rod',
  'dirty-threads': 'dirty-threads',
  'hoop-out-of-round': 'hoop-or-edge',
  'damaged-edge': 'bearing-edge',
  'other-head': 'warbles',
  mount: 'short-on-its-mount',
  'over-muffled': 'over-muffled',
  'loose-part': 'loose-part',
  neighbour: 'answers-along',
  wires: 'wires',
  'thin-head': 'thin-head',
  'built-in-ring': 'thin-head',
  'nothing-takes-ring': 'rings-too-long',
  'closed-kick': 'hollow-kick',
  'boomy-room': 'boomy',
  nothing: 'nothing-wrong',
}

export const COMPLAINT_ENTRY: Record<keyof typeof COMPLAINTS, EntryId> = {
  growl: 'growls',
  choke: 'chokes',
  warble: 'warbles',
  short: 'short-on-its-mount',
  dead: 'over-muffled',
  ring: 'rings-too-long',
  hollow: 'hollow-kick',
  boomy: 'boomy',
  papery: 'papery',
  buzz: 'buzzes',
  wrinkles: 'wrinkles',
  uneven: 'will-not-come-even',
  drops: 'will-not-hold',
  none: 'nothing-wrong',
}

/** What a step or an area cautions about. */
export const CAUTION_ENTRY: Partial<Record<StepId | AreaId, EntryId>> = {
  even: 'hearing',
  fit: 'over-tension',
  heads: 'over-tension',
  ring: 'ring',
  snare: 'over-tension',
  kick: 'cutting-heat-and-dust',
  drastic: 'over-tension',
  edge: 'lamps-and-power',
  rods: 'cutting-heat-and-dust',
  mount: 'lifting',
  muffling: 'hearing',
}

/** Questions of the search for a fault that caution. */
export const QUESTION_CAUTION_ENTRY: Partial<Record<QuestionId, EntryId>> = {
  'head-off': 'lamps-and-power',
  threads: 'cutting-heat-and-dust',
}

export const LIMIT_ENTRY: Record<PairLimit | PairWarning, EntryId> = {
  'batter-ceiling': 'ceiling',
  'resonant-ceiling': 'ceiling',
  relation: 'relation-schools',
  'batter-slack': 'growls',
  'batter-high': 'over-tension',
  'resonant-slack': 'growls',
  'resonant-high': 'over-tension',
}

export const DRIFT_ENTRY: Record<DriftCause, EntryId> = {
  settling: 'seating',
  rods: 'near-rods',
  weather: 'air-and-weather',
}

export const WORN_ENTRY: Record<WornReason['why'], EntryId> = {
  found: 'worn-head',
  'law-fell': 'what-a-turn-does-here',
  'will-not-hold': 'will-not-hold',
  'drawn-up': 'worn-head',
  age: 'heads-age',
}

export const SLACK_ENTRY: Record<SlackSchoolId, EntryId> = {
  fingers: 'start-schools',
  meets: 'start-schools',
  rattle: 'start-schools',
  ear: 'start-schools',
}

export const DRILL_ENTRY: Record<DrillId, EntryId> = {
  higher: 'hear-higher',
  'odd-lug': 'pairs',
  warble: 'warbles',
  interval: 'intervals-by-ear',
  edge: 'ranges',
  turned: 'one-turn-on-purpose',
}

export const LESSON_ENTRY: Record<LessonId, EntryId> = {
  listen: 'lug-pitch',
  raise: 'pairs',
  press: 'seating',
  slack: 'from-slack',
  both: 'both-heads',
  drastic: 'one-turn-on-purpose',
  kit: 'fourths',
}

/** Every setting of the settings' place, by its title there. */
export const SETTING_ENTRY = {
  Name: 'your-data',
  'Readings come from': 'readings-from',
  'Keys in hand': 'two-keys',
  'Largest step, in turns': 'step-size',
  Hand: 'hand-and-screen',
  'Order of the lugs': 'need-readings',
  'How your readings scatter': 'typed-numbers',
  'Sounds of taps': 'microphone',
  A4: 'notes-and-a4',
  'Names of notes': 'notes-and-a4',
  'Decimal sign': 'cents',
  Lengths: 'rod-and-lug',
  Light: 'hand-and-screen',
  'Single keys': 'hand-and-screen',
  'When a tap is taken': 'readings-from',
  'First walk': 'learning',
} as const satisfies Record<string, EntryId>

/** The numbers that stand on screens, and what they are. */
export const NUMBER_ENTRY = {
  spread: 'spread',
  mean: 'lug-pitch',
  centre: 'centre-pitch',
  ratio: 'edge-to-centre',
  relation: 'relation-schools',
  tension: 'tension',
  turnLaw: 'turn-law',
  learned: 'what-a-turn-does-here',
  odds: 'confidence',
  error: 'reading-error',
  tolerance: 'tolerance',
  hand: 'hand-error',
  unseen: 'what-pitch-cannot-see',
  ring: 'ring',
  range: 'ranges',
  forecast: 'forecast',
  threshold: 'ear-threshold',
  staircase: 'staircase',
  quickCheck: 'quick-check',
} as const satisfies Record<string, EntryId>

/** Where each place itself is explained. */
export const PLACE_ENTRY = {
  '/': 'set-the-kit',
  '/bench': 'order-of-work',
  '/spacing': 'set-the-kit',
  '/sheets': 'keep',
  '/run': 'retune-run',
  '/logbook': 'forecast',
  '/practice': 'learning',
  '/settings': 'readings-from',
  '/share': 'your-data',
} as const satisfies Record<string, EntryId>
