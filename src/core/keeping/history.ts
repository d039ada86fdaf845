import type { HeadEvent, OtherHead, Source } from '../records/event'
import type { SlackSchoolId } from '../head/slackStart'
import type { Feel, PoleReading, Round } from '../head/types'
import { combineReadings, type CombinedReading } from '../measurement/combine'

/** One head's events cut into sittings and passes. */
export interface LugReadingNow extends CombinedReading {
  lug: number
  /** Ids of the events behind it, oldest first. */
  events: string[]
  /** Its poles as the estimate takes them: those of the newest tap that counts, carried to the combined pitch. */
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
}

/** What is done at the head itself; findings and searches are kept beside. */
const WORK: ReadonlySet<HeadEvent['kind']> = new Set([
  ...(['readingTaken', 'rodsTurned', 'pressed', 'gaugeRead', 'rodsFelt'] as const),
  ...(['sittingStarted', 'slackStarted', 'otherHeadSet'] as const),
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
      (sitting, i) =>
        i === groups.length - 1 ||
        sitting.passes.some((pass) => pass.readings.size > 0 || pass.dials.size > 0 || pass.turns),
    )
}

type Taps = Map<number, Array<Extract<HeadEvent, { kind: 'readingTaken' }>>>

function sittingFrom(events: readonly HeadEvent[], lugs: number): Sitting {
  const passes: Pass[] = []
  let taps: Taps = new Map()
  let otherHead: OtherHead = 'muted'
  let pressed = false
  let slack: SlackSchoolId | null = null
  let current = openPass(otherHead, false)
  const close = () => {
    current.readings = combineTaps(taps)
    passes.push(current)
  }
  for (const event of events) {
    if (event.kind === 'otherHeadSet') {
      otherHead = event.state
      if (!current.turns) current.otherHead = otherHead
    }
    if (event.kind === 'pressed') pressed = true
    if (event.kind === 'slackStarted') slack = event.school
    if (event.kind === 'rodsTurned') {
      current.turns = addTurns(current.turns, event.turns, lugs)
      current.planned = addTurns(current.planned, event.planned ?? event.turns, lugs)
      current.moves++
      pressed = false
    }
    if (event.kind === 'readingTaken' || event.kind === 'gaugeRead' || event.kind === 'rodsFelt') {
      // Pressed between two readings without a turn: a round of its own, in which nothing was turned.
      if (pressed && !current.turns && (taps.size > 0 || current.dials.size > 0)) {
        current.turns = current.planned = new Array<number>(lugs).fill(0)
      }
      if (current.turns) {
        close()
        taps = new Map()
        current = openPass(otherHead, pressed)
        pressed = false
      }
    }
    if (event.kind === 'gaugeRead') current.dials.set(event.lug, event.dial)
    if (event.kind === 'rodsFelt')
      current.feel = event.feel.map((word, i) => word ?? current.feel?.[i] ?? null)
    if (event.kind === 'readingTaken') {
      current.otherHead = event.otherHead
      if (event.mic) current.mic = event.mic
      taps.set(event.lug, [...(taps.get(event.lug) ?? []), event])
    }
  }
  close()
  return { startedAt: events[0].at, endedAt: events.at(-1)!.at, passes, pressedAfter: pressed, slack }
}

function openPass(otherHead: OtherHead, pressed: boolean): Pass {
  return {
    ...{ readings: new Map(), dials: new Map(), feel: null, otherHead, mic: 'with-tap', pressed },
    ...{ turns: null, planned: null, moves: 0 },
  }
}

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
        : [{ hz: combined.hz, levelDb: 0, standardErrorHz: combined.standardErrorHz }]
    readings.set(lug, { ...combined, lug, modes, events: events.map((event) => event.id) })
  }
  return readings
}

/**
 * The rounds of an `even` request from a sitting. A pass under way has turns but no readings after them: it is followed
 * by a round without readings, which is where the forecast stands.
 */
export function roundsOf(sitting: Sitting, lugs: number, includeOpenTurns: boolean): Round[] {
  const rounds = sitting.passes.map((pass): Round => ({
    readings: [...pass.readings.values()]
      .filter(({ lug }) => lug <= lugs)
      .map(({ lug, modes }) => ({ lug, modes })),
    otherHead: pass.otherHead,
    mic: pass.mic,
    pressed: pass.pressed,
    ...(pass.dials.size
      ? { gauge: Array.from({ length: lugs }, (_, i) => pass.dials.get(i + 1) ?? null) }
      : {}),
    ...(pass.feel ? { feel: Array.from({ length: lugs }, (_, i) => pass.feel![i] ?? null) } : {}),
    ...(pass.turns ? { turns: pass.turns } : {}),
  }))
  const newest = rounds.at(-1)
  if (newest?.turns) {
    if (includeOpenTurns) rounds.push({ pressed: sitting.pressedAfter, readings: [] })
    else delete newest.turns
  }
  return rounds
}
