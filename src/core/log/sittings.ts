import type { HeadEvent, OtherHead } from '../records/event'
import type { SlackSchoolId } from '../head/slackStart'
import type { Ear, Feel, PoleReading } from '../head/types'
import { combineReadings, type CombinedReading } from '../measurement/combine'
import { CENTS_PER_NEPER } from '../units/pitch'

/** One head's events cut into sittings and passes. */
export interface LugReadingNow extends CombinedReading {
  lug: number
  /** Ids of the events behind it, oldest first. */
  events: string[]
  /**
   * Its poles as the estimate takes them: those of the newest tap that counts, carried to the combined pitch. None for a bare
   * number: nothing was looked through for poles.
   */
  modes: PoleReading[]
}

export interface Pass {
  /** Readings before the turns, by lug from 1; one a lug, repeats combined. */
  readings: Map<number, LugReadingNow>
  otherHead: OtherHead
  mic: 'with-tap' | 'standing'
  /** Dial readings by lug from 1, the newest of each; and what the hand felt, lug 1 first. */
  dials: Map<number, number>
  feel: Array<Feel | null> | null
  /** What the ear said, by lug from 1, and the lug it was said against. */
  ear: Map<number, Ear>
  earReference: number | null
  /** What that ear tells apart, in cents; null where it was never measured. */
  earThresholdCents: number | null
  /** One number for the whole head. */
  whole: { hz: number; errorCents: number } | null
  /** Lugs (from 1) whose readings are to be taken as they are. */
  believed: ReadonlySet<number>
  /** It began behind a turn that was not the plan's: the plan is made anew, without readings. */
  replanned: boolean
  /** The head was pressed between the turns before and these readings. */
  pressed: boolean
  /** Net turns made after the readings; null while none was made. */
  turns: number[] | null
  /** What the moves shown asked for, of those already made. */
  planned: number[] | null
  /** Number of moves made in this pass. */
  moves: number
}

export interface Sitting {
  startedAt: string
  endedAt: string
  passes: Pass[]
  /** The head was pressed after the newest turns, or after the newest readings. */
  pressedAfter: boolean
  /** It began with all rods slack, by this school. */
  slack: SlackSchoolId | null
  /** Every reading is to be taken as it is, lug by lug. */
  lugByLug: boolean
}

/** What is done at the head itself; findings and searches are kept beside. */
export const WORK: ReadonlySet<HeadEvent['kind']> = new Set([
  ...(['readingTaken', 'rodsTurned', 'pressed', 'gaugeRead', 'rodsFelt'] as const),
  ...(['sittingStarted', 'slackStarted', 'otherHeadSet', 'earHeard', 'headRead'] as const),
  ...(['roundStarted', 'readingsBelieved'] as const),
])

/** A pause this long ends a sitting: by then temperature, transport or playing have moved the head. */
export const SITTING_GAP_MS = 3 * 3600 * 1000

type Taps = Map<number, Array<Extract<HeadEvent, { kind: 'readingTaken' }>>>

/** Anything was read in the pass, by pitch, dial, ear or as one number. */
export function isRead({ readings, dials, ear, whole }: Pass): boolean {
  return readings.size > 0 || dials.size > 0 || ear.size > 0 || whole !== null
}

/** Anything was read or turned: otherwise it is no sitting. */
export const isWorked = ({ passes }: Sitting) => passes.some((pass) => isRead(pass) || pass.turns)

/** What is read at a head: it belongs to the pass behind the turns made so far. */
const READ: ReadonlySet<HeadEvent['kind']> = new Set([
  ...(['readingTaken', 'gaugeRead', 'rodsFelt', 'earHeard', 'headRead', 'roundStarted'] as const),
])

/** One sitting from its events, oldest first. */
export function sittingFrom(events: readonly HeadEvent[], lugs: number): Sitting {
  const passes: Pass[] = []
  let taps: Taps = new Map()
  let otherHead: OtherHead = 'muted'
  let pressed = false
  let slack: SlackSchoolId | null = null
  let lugByLug = false
  let current = openPass(otherHead, false)
  const close = () => {
    current.readings = combineTaps(taps)
    passes.push(current)
    taps = new Map()
  }
  const next = (replanned: boolean) => {
    close()
    current = { ...openPass(otherHead, pressed), replanned }
  }
  for (const event of events) {
    if (event.kind === 'otherHeadSet') {
      otherHead = event.state
      if (!current.turns) current.otherHead = otherHead
    }
    if (event.kind === 'pressed') pressed = true
    if (event.kind === 'slackStarted') slack = event.school
    if (event.kind === 'readingsBelieved') {
      if (event.lugs.length === 0) lugByLug = true
      else current.believed = new Set([...current.believed, ...event.lugs])
    }
    if (event.kind === 'rodsTurned') {
      const asPlanned = event.planned !== null && sameTurns(event.turns, event.planned)
      current.turns = addTurns(current.turns, event.turns, lugs)
      current.planned = addTurns(current.planned, event.planned ?? event.turns, lugs)
      current.moves++
      pressed = false
      // Another rod, another way, too far: what is left to do is planned from where the rods really stand.
      if (!asPlanned) next(true)
    }
    if (READ.has(event.kind)) {
      const read = taps.size > 0 || isRead(current)
      // Pressed between two readings without a turn, or read anew: a round of its own, in which nothing was turned.
      if ((pressed || event.kind === 'roundStarted') && !current.turns && read) {
        current.turns = current.planned = new Array<number>(lugs).fill(0)
      }
      if (current.turns) {
        next(false)
        pressed = false
      } else if (current.replanned) {
        // What is read now stands behind the turn that was not the plan's.
        current.pressed ||= pressed
        pressed = false
        current.replanned = false
      }
    }
    if (event.kind === 'gaugeRead') current.dials.set(event.lug, event.dial)
    if (event.kind === 'rodsFelt')
      current.feel = event.feel.map((word, i) => word ?? current.feel?.[i] ?? null)
    if (event.kind === 'earHeard') {
      // Words against another reference are no longer about the same pitch.
      if (current.earReference !== event.reference) current.ear = new Map()
      current.earReference = event.reference
      current.ear.set(event.lug, event.word)
      current.earThresholdCents = event.thresholdCents ?? null
    }
    if (event.kind === 'headRead')
      current.whole = { hz: event.hz, errorCents: (CENTS_PER_NEPER * event.standardErrorHz) / event.hz }
    if (event.kind === 'readingTaken') {
      current.otherHead = event.otherHead
      // Lugs say what one number for all of them had only summed up.
      if (event.lug <= lugs) current.whole = null
      if (event.mic) current.mic = event.mic
      taps.set(event.lug, [...(taps.get(event.lug) ?? []), event])
    }
  }
  close()
  return {
    startedAt: events[0].at,
    endedAt: events.at(-1)!.at,
    passes,
    pressedAfter: pressed,
    slack,
    lugByLug,
  }
}

function openPass(otherHead: OtherHead, pressed: boolean): Pass {
  return {
    ...{ readings: new Map(), dials: new Map(), feel: null, otherHead, mic: 'with-tap', pressed },
    ...{
      ear: new Map(),
      earReference: null,
      earThresholdCents: null,
      whole: null,
      believed: new Set<number>(),
      replanned: false,
    },
    ...{ turns: null, planned: null, moves: 0 },
  }
}

const sameTurns = (a: readonly number[], b: readonly number[]) =>
  a.length === b.length && a.every((turn, i) => Math.abs(turn - b[i]) < 1e-9)

function addTurns(sum: number[] | null, turns: readonly number[], lugs: number): number[] {
  return Array.from({ length: lugs }, (_, i) => (sum?.[i] ?? 0) + (turns[i] ?? 0))
}

function combineTaps(taps: Taps): Map<number, LugReadingNow> {
  const readings = new Map<number, LugReadingNow>()
  for (const [lug, events] of taps) {
    const combined = combineReadings(events)
    if (!combined) continue
    const newest = events[combined.used.at(-1)!]
    const shift = combined.hz / newest.hz
    const modes =
      newest.poles.length > 1
        ? newest.poles.map(({ hz, levelDb }) => ({
            hz: hz * shift,
            levelDb,
            standardErrorHz: combined.standardErrorHz,
          }))
        : newest.poles.length === 1
          ? [{ hz: combined.hz, levelDb: 0, standardErrorHz: combined.standardErrorHz }]
          : []
    readings.set(lug, { ...combined, lug, modes, events: events.map((event) => event.id) })
  }
  return readings
}
