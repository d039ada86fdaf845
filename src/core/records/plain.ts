import { STANDARD_A4_HZ } from '../units/pitch'
import type { Drum } from './kit'
import type { KitFile } from './kitFile'
import type { PracticeState } from './practice'
import type { Settings, SpacingChoices } from './settings'

/** What the app needs of the records before anything is checked: no schema, so that a page that is only looked at loads none. */

/** Version of every record kept or exchanged; a change of form adds a migration and raises it. */
export const SCHEMA_VERSION = 12

/** Of one kit: more than any stage holds. */
export const MOST_DRUMS = 80

export const SIDES = ['batter', 'resonant'] as const

/** The heads that a drum has. */
export const sidesOf = ({ oneHeaded }: Pick<Drum, 'oneHeaded'>): ReadonlyArray<(typeof SIDES)[number]> =>
  oneHeaded ? ['batter'] : SIDES

export const NO_CHOICES: SpacingChoices = {
  ...{ scheme: 'fourths', equalCents: 400, stepsName: null, relationCents: null, relations: {} },
  ...{
    rootText: '',
    avoidText: '',
    keyText: '',
    anchor: 'none',
    leastWork: 0,
    fixed: [],
    move: [],
    leftOut: [],
    pinned: {},
  },
}

export const DEFAULT_SETTINGS: Settings = {
  kit: null,
  drum: null,
  side: 'batter',
  source: 'practice',
  keys: 2,
  largestStepTurns: 0.5,
  a4Hz: STANDARD_A4_HZ,
  singleKeys: true,
  readOrder: 'around',
  mic: 'with-tap',
  input: null,
  confirm: 'tick',
  keepTakes: false,
  gaugeLaw: null,
  gaugeError: 1,
  turnDrum: false,
  slackSchool: 'fingers',
  spacing: NO_CHOICES,
  noteNames: 'sharps',
  lengths: 'inch',
  decimal: 'point',
  hand: 'right',
  walked: [],
  recent: [],
  filed: {},
  device: null,
  person: null,
  ear: [],
  scatter: [],
}

/** Key of one practice head among all. */
export const practiceKey = ({ kit, drum, side }: Pick<PracticeState, 'kit' | 'drum' | 'side'>) =>
  `${kit}/${drum}/${side}`

/** A kit file as text, events in order. */
export function writeKitFile(file: KitFile): string {
  return JSON.stringify(file, null, 1)
}

/** Everything that is kept on one device in one JSON file. */
export const BACKUP_FORMAT = 'humbra-backup'

export const isBackup = (raw: unknown): boolean =>
  typeof raw === 'object' && raw !== null && (raw as { format?: unknown }).format === BACKUP_FORMAT
