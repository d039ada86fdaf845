import { DEFAULT_SMALLEST_STEP } from '@/core/evening/types'
import type { Climb } from '@/core/fitting/climb'
import type { FastStep } from '@/core/fitting/fast'
import { CAUSES, type CauseId } from '@/core/fitting/causes'
import type { FaultStep } from '@/core/fitting/faults'
import type { Settling } from '@/core/fitting/settling'
import { directionWord, turnText } from './turns'
import { fixed } from './shown'

const STEP_TURNS = DEFAULT_SMALLEST_STEP
/** Turns to the nearest sixteenth, as a hand counts them. */
const sixteenths = (turns: number) =>
  turnText(Math.max(STEP_TURNS, Math.round(turns / STEP_TURNS) * STEP_TURNS))

/** How far there is to go and where the rounds stop: "About 1 3/8 turns to 182 Hz, give or take 1/4." */
export function climbText(climb: Climb, targetHz: number): string {
  const { rounds, turnsToGo, turnsToGoError, stopHz } = climb
  const rest = rounds.length > 1 ? `, in ${rounds.length} rounds` : ''
  return `About ${sixteenths(turnsToGo)} ${turnsToGo > 1 ? 'turns' : 'turn'} of every rod to ${targetHz.toFixed(0)} Hz, give or take ${sixteenths(turnsToGoError)}. The rounds stop near ${stopHz.toFixed(0)} Hz${rest}, so that the last part is upward and even.`
}

/** What a check reading did to the law: "The drum answers less than usual: 21 thousand Hz² a turn, now known to a tenth." */
export function checkText(climb: Climb): string {
  return `It should read near ${climb.nowHz.toFixed(0)} Hz, give or take ${Math.round(climb.nowErrorCents)} c: what it does read corrects the turns still to come.`
}

/** After a press on a fresh head, or before the first. */
export function settlingText({ lastFellCents, pressesLeftCents }: Settling): string {
  if (lastFellCents === null)
    return `A fresh head sinks at its first presses: ${span(pressesLeftCents)} may be left. Press once, then read two lugs.`
  const fell = Math.round(lastFellCents)
  return fell <= 0
    ? 'The last press took nothing off.'
    : `The last press took ${fell} c off; about ${Math.max(1, Math.round(pressesLeftCents.mean))} c are still to come. Again, until it changes nothing.`
}

/** What the first days still take from a head that is settled under the hand. */
export function daysText({ daysCents }: Settling): string {
  return `Pressing changes nothing any more. The first days still take some ${span(daysCents)}: go that much above the target if it has to hold, read again after ten minutes of playing, tomorrow, and on the third day.`
}

function span({ mean, error }: { mean: number; error: number }): string {
  return `${Math.max(0, Math.round(mean - error))} to ${Math.round(mean + error)} c`
}

export function fastStepText({ what, turns }: FastStep): string {
  switch (what) {
    case 'look':
      return 'Look: film whole, hoop level, nothing rattles.'
    case 'fingers':
      return 'All rods loose, then finger-tight, opposite ones in turn.'
    case 'up':
      return `All rods ${directionWord(turns ?? 0)} ${turnText(turns ?? 0)}, in star order.`
    case 'press':
      return 'Press the middle with the flat hand.'
    case 'pass':
      return 'Tap four lugs or so, make the one pass that is shown, press.'
    case 'other':
      return 'Other head: tap two lugs. Leave it, unless it lies within a half step of this one.'
    case 'play':
      return 'Play it, from soft to loud.'
  }
}

/** What the fast routine leaves out, said before it is begun. */
export const FAST_LEAVES_OUT = [
  'The other head is not evened, and the two are not set to each other.',
  'Only the lugs that tell most are read, here and from now on, until “How it listens” says otherwise; what they do not show stays as it is.',
  'Nothing is settled: a fresh head sinks through the evening.',
  'Edge, threads and mount are not looked over.',
]

/** What one answer did: "speaks for Worn film (3.4 times likelier), against Only uneven". */
export function faultStepText({ speaksFor, speaksAgainst }: FaultStep): string {
  const label = (cause: CauseId) => CAUSES[cause].label.toLowerCase()
  const times = speaksFor.factor
  if (times < 1.15) return 'tells little'
  const against =
    speaksAgainst.factor < 0.8 && speaksAgainst.cause !== speaksFor.cause
      ? `; against: ${label(speaksAgainst.cause)}`
      : ''
  return `speaks for: ${label(speaksFor.cause)}, ${fixed(times, times < 10 ? 1 : 0)} times likelier${against}`
}

const GO_ON = { yes: 'Go on.', care: 'Go on with care.', no: 'Do not go on.' }

/** Whether a finding lets the work go on. */
export const goOnText = (goOn: keyof typeof GO_ON): string => GO_ON[goOn]

/** A time of the routine: "20 s", "1 min 5 s". */
export function secondsText(minutes: number): string {
  const seconds = Math.max(5, Math.round((minutes * 60) / 5) * 5)
  return seconds < 60
    ? `${seconds} s`
    : `${Math.floor(seconds / 60)} min ${seconds % 60 ? `${seconds % 60} s` : ''}`
}

/** What the fast routine asks where it stands. */
export function fastAskText(at: FastStep['what'], drum: string): { over: string; ask: string; says: string } {
  switch (at) {
    case 'other':
      return {
        over: 'one head is done',
        ask: 'Tap two lugs of the other head',
        says: 'Leave it, unless it lies within a half step of this one, or growls: then it is worth its own five minutes.',
      }
    case 'play':
      return {
        over: 'last',
        ask: 'Play it, soft to loud',
        says: `${drum} has a usable sound. On to the next.`,
      }
    case 'pass':
      return {
        over: 'under way',
        ask: 'Up, press, one pass',
        says: 'The head was begun from slack and is not done.',
      }
    default:
      return {
        over: 'look: film whole, hoop level',
        ask: 'All rods loose, then finger-tight',
        says: 'Opposite ones in turn. Stay under the maker’s limit on the way up, eyes away from the rim.',
      }
  }
}

/** What to do, for the largest type, and what is said beside it: "Look across the film" and "Pits, dents." */
export function partsOf(says: string): { first: string; rest: string } {
  const at = says.search(/[.:;] /)
  if (at < 0) return { first: says.replace(/\.$/, ''), rest: '' }
  const rest = says.slice(at + 2)
  return { first: says.slice(0, at), rest: rest[0].toUpperCase() + rest.slice(1) }
}
