import type { HumbraEvent, KitChange } from '@/core/records/event'
import type { Drum } from '@/core/records/kit'
import type { Settings } from '@/core/records/settings'
import { turnText } from './turns'

type Named = { drums: readonly Drum[] } | null

/** What an act did, so that Undo can say what it took back: "the reading of lug 3 on Snare 14". */
export function actText(events: readonly HumbraEvent[], kit: Named): string {
  const [first] = events
  if (!first) return 'nothing'
  const rest = events.length > 1 ? ` and ${events.length - 1} more` : ''
  return eventText(first, kit) + rest
}

function eventText(event: HumbraEvent, kit: Named): string {
  if (event.kind === 'kitEdited') return changeText(event.change, kit)
  if (event.kind === 'withdrawn') return 'something dropped by hand'
  if (event.kind === 'runStarted') return 'the start of the retune run'
  if (event.kind === 'runEnded') return 'the end of the retune run'
  if (event.kind === 'occasionNoted')
    return event.cancelled ? `calling off the ${event.what}` : `the ${event.what}`
  if (event.kind === 'dayNoted') return 'the note'
  if (event.kind === 'weatherNoted') return 'the weather'
  if (event.kind === 'filmNoted') return `${event.name} in the box`
  const drum = kit?.drums.find(({ id }) => id === event.drum)?.name ?? 'a drum'
  if (event.kind === 'runLeft') return `leaving the ${event.side} head of ${drum}`
  const on = ` on ${drum} ${event.side}`
  switch (event.kind) {
    case 'readingTaken':
      return `the reading of lug ${event.lug}${on}`
    case 'rodsTurned': {
      const most = event.turns.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0)
      return `the turn${on}, ${turnText(most)}`
    }
    case 'gaugeRead':
      return `the dial at lug ${event.lug}${on}`
    case 'earHeard':
      return `what was heard at lug ${event.lug}${on}`
    case 'sheetKept':
      return `keeping this head on ${event.name}`
    default:
      return WORDS[event.kind] + on
  }
}

const WORDS = {
  pressed: 'the press',
  centreRead: 'the stroke on the centre',
  dampingSet: 'the muffling',
  strokeMuffled: 'the muffling of a stroke',
  wiresSet: 'the wires',
  wordsNoted: 'the words',
  rangeMarked: 'the mark',
  drasticStarted: 'the start of one turn on purpose',
  drasticEnded: 'the end of one turn on purpose',
  rodsFelt: 'the feel of the rods',
  sittingStarted: 'starting over',
  headFitted: 'the new head',
  slackStarted: 'the start from slack',
  findingNoted: 'the finding',
  findingCleared: 'putting a finding right',
  lookedOver: 'looking over',
  faultAnswered: 'the answer',
  faultSearchEnded: 'the end of the search',
  otherHeadSet: 'the other head’s state',
  headRead: 'the number for the whole head',
  roundStarted: 'the new round',
  readingsBelieved: 'taking the readings as they are',
} satisfies Partial<Record<HumbraEvent['kind'], string>>

function changeText(change: KitChange, kit: Named): string {
  const name = (id: string) => kit?.drums.find((drum) => drum.id === id)?.name ?? 'a drum'
  switch (change.what) {
    case 'kitMade':
      return `the kit ${change.name}`
    case 'kitRenamed':
      return `the name ${change.name}`
    case 'kitRemoved':
      return 'removing the kit'
    case 'kitKept':
      return 'keeping the borrowed kit'
    case 'kitFiled':
      return 'whose kit it is'
    case 'kitArchived':
      return change.archived ? 'putting the kit away' : 'bringing the kit back'
    case 'schemeKept':
      return `the steps ${change.name}`
    case 'drumAdded':
      return `adding ${change.drum.name}`
    case 'drumChanged':
      return `the change of ${change.drum.name}`
    case 'drumRemoved':
      return `removing ${name(change.drum)}`
    case 'drumsOrdered':
      return 'the order of the drums'
    case 'aimSet':
      return `the aim of ${name(change.drum)} ${change.side}`
    case 'sheetChosen':
      return 'the choice of a sheet'
    case 'sheetRenamed':
      return `the sheet’s name ${change.name}`
    case 'sheetArchived':
      return change.archived ? 'putting a sheet away' : 'bringing a sheet back'
    case 'sheetWritten':
      return `the sheet ${change.name}`
    case 'sheetRemoved':
      return 'removing a sheet'
  }
}

/** Settings that Undo takes back, and what it calls them; the rest are places, not choices. */
export const SETTING_WORDS: Partial<Record<keyof Settings, string>> = {
  keys: 'the number of keys',
  person: 'the name of who works here',
  source: 'where readings come from',
  largestStepTurns: 'the largest step',
  readOrder: 'the order of the lugs',
  mic: 'the place of the microphone',
  confirm: 'the confirmation in sound',
  keepTakes: 'keeping the sounds',
  gaugeLaw: 'the gauge’s law',
  gaugeError: 'the gauge’s error',
  turnDrum: 'turning the drum',
  slackSchool: 'the start from slack',
  spacing: 'the choice in Spacing',
  a4Hz: 'the pitch of A4',
  singleKeys: 'single keys',
  noteNames: 'the names of notes',
  lengths: 'inches or millimetres',
  decimal: 'the decimal sign',
  hand: 'the hand',
}
