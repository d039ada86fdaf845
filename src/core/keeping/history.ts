import type { HeadEvent, OtherHead, Source } from '../records/event'
import type { SlackSchoolId } from '../head/slackStart'
import type { Ear, Feel, PoleReading, Round } from '../head/types'
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
const WORK: ReadonlySet<HeadEvent['kind']> = new Set([
  ...(['readingTaken', 'rodsTurned', 'pressed', 'gaugeRead', 'rodsFelt'] as const),
  ...(['sittingStarted', 'slackStarted', 'otherHeadSet', 'earHeard', 'headRead'] as const),
  ...(['roundStarted', 'readingsBelieved'] as const),
])

/** A pause this long ends a sitting: by then temperature, transport or playing have moved the head. */
export const SITTING_GAP_MS = 3 * 3600 * 1000

/** Practice and real readings of one drum are two stories: what is simulated never mixes with what was heard. */
export function eventsOfWorld(
  events: readonly HeadEvent[],
  practice: boolean,
  simulated: boolean,
): HeadEvent[] {
  if (simulated) return [...events]
  const isPractice = (source: Source) => source === 'practice'
  return events.filter((event) => event.kind === 'headFitted' || isPractice(event.source) === practice)
}

/** Cuts events (oldest first) into sittings; a fitted head starts anew and drops what was before. */
export function sittingsOf(events: readonly HeadEvent[], lugs: number): Sitting[] {
  const fitted = events.map((event) => event.kind).lastIndexOf('headFitted')
  const groups: HeadEvent[][] = []
  let last = -Infinity
  for (const event of events.slice(fitted + 1).filter(({ kind }) => WORK.has(kind))) {
    const at = Date.parse(event.at)
    const anew = event.kind === 'sittingStarted' || event.kind === 'slackStarted'
    if (at - last > SITTING_GAP_MS || groups.length === 0 || anew) groups.push([])
    groups.at(-1)!.push(event)
    last = at
  }
  return groups
    .map((group) => sittingFrom(group, lugs))
    .filter(
      (sitting, i) => i === groups.length - 1 || sitting.passes.some((pass) => isRead(pass) || pass.turns),
    )
}

type Taps = Map<number, Array<Extract<HeadEvent, { kind: 'readingTaken' }>>>

/** Anything was read in the pass, by pitch, dial, ear or as one number. */
export function isRead({ readings, dials, ear, whole }: Pass): boolean {
  return readings.size > 0 || dials.size > 0 || ear.size > 0 || whole !== null
}

/** What is read at a head: it belongs to the pass behind the turns made so far. */
const READ: ReadonlySet<HeadEvent['kind']> = new Set([
  ...(['readingTaken', 'gaugeRead', 'rodsFelt', 'earHeard', 'headRead', 'roundStarted'] as const),
])

function sittingFrom(events: readonly HeadEvent[], lugs: number): Sitting {
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
    }
    if (event.kind === 'headRead')
      current.whole = { hz: event.hz, errorCents: (CENTS_PER_NEPER * event.standardErrorHz) / event.hz }
    if (event.kind === 'readingTaken') {
      current.otherHead = event.otherHead
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
    ...{ ear: new Map(), earReference: null, whole: null, believed: new Set<number>(), replanned: false },
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

/**
 * The rounds of an `even` request from a sitting. A pass under way has turns but no readings after them: it is followed
 * by a round without readings, which is where the forecast stands.
 */
export function roundsOf(sitting: Sitting, lugs: number, includeOpenTurns: boolean): Round[] {
  const rounds = sitting.passes.map((pass) => roundOf(pass, lugs))
  const newest = rounds.at(-1)
  if (newest?.turns) {
    if (includeOpenTurns) rounds.push({ pressed: sitting.pressedAfter })
    else delete newest.turns
  }
  return rounds
}

/** One pass as the estimate takes it: poles where they were heard, bare numbers as what they are, each with its own error. */
function roundOf(pass: Pass, lugs: number): Round {
  const all = [...pass.readings.values()].filter(({ lug }) => lug <= lugs)
  const heard = all.filter(({ modes }) => modes.length > 0)
  const bare = new Map(all.filter(({ modes }) => modes.length === 0).map((reading) => [reading.lug, reading]))
  const byLug = <Value>(value: (lug: number) => Value | null | undefined) =>
    Array.from({ length: lugs }, (_, i) => value(i + 1) ?? null)
  const confirmed = [
    ...new Set([...all.filter(({ used }) => used.length > 1).map(({ lug }) => lug), ...pass.believed]),
  ].filter((lug) => lug <= lugs)
  return {
    ...(heard.length ? { readings: heard.map(({ lug, modes }) => ({ lug, modes })) } : {}),
    ...(bare.size
      ? {
          readingsHz: byLug((lug) => bare.get(lug)?.hz),
          readingErrorsCents: byLug((lug) => {
            const reading = bare.get(lug)
            return reading && (CENTS_PER_NEPER * reading.standardErrorHz) / reading.hz
          }),
        }
      : {}),
    ...{ otherHead: pass.otherHead, mic: pass.mic, pressed: pass.pressed },
    ...(pass.dials.size ? { gauge: byLug((lug) => pass.dials.get(lug)) } : {}),
    ...(pass.feel ? { feel: byLug((lug) => pass.feel![lug - 1]) } : {}),
    ...(pass.ear.size ? { ear: byLug((lug) => pass.ear.get(lug)) } : {}),
    ...(pass.earReference && pass.ear.size ? { earReference: pass.earReference } : {}),
    ...(pass.whole ? { wholeHz: pass.whole.hz, wholeErrorCents: pass.whole.errorCents } : {}),
    ...(confirmed.length ? { confirmed } : {}),
    ...(pass.turns ? { turns: pass.turns } : {}),
  }
}
