import { knownOf } from '../fitting/lookOver'
import { learnedFrom } from '../head/belief'
import { estimateHead, type HeadState } from '../head/estimate'
import { COSINE, MEAN, SINE } from '../head/kalman'
import type { SlackSchoolId } from '../head/slackStart'
import type { EvenHead, Learned } from '../head/types'
import { headLog, type KitState } from '../log/fold'
import { findingsOfHead, openFindings, type NotedFinding } from '../log/findings'
import { EMPTY_HEAD, SittingLog, type HeadLog } from '../log/headLog'
import { roundsOf } from '../log/rounds'
import { SITTING_GAP_MS, type Sitting } from '../log/sittings'
import type { HeadEvent } from '../records/event'
import type { Drum, Side } from '../records/kit'
import { CENTS_PER_NEPER } from '../units/pitch'
import { evenHeadOf, type Fitted } from './targets'

/** One head as it stands and as the Bench works on it, from the log alone. */
export interface BenchHead {
  drum: Drum
  side: Side
  log: HeadLog
  /** The sitting that is going on; null when the head has not been touched lately. */
  sitting: Sitting | null
  /** Readings of a sitting before, for the Kit place and for a first look; null when there is none. */
  before: Sitting | null
  /** What sittings before the one that is going on have taught. */
  learned: Learned | null
  /** What stands open of looking over, as it bears on this head. */
  findings: readonly NotedFinding[]
  /** When the film that is on was fitted, as far as the log says. */
  fittedAt: string | null
  /** Where its mark lies against the badge, in turns of the drum; null where nobody said. */
  markTurns: number | null
}

/** Sittings from which the drum's own answers are learned; older ones were other films or other seasons. */
const SITTINGS_LEARNED = 4
/** Learned answers may have changed between sittings: their widths grow by this factor. */
const FORGETTING = 1.15
/** Learned answers are never surer than this part: a head that changed must be able to say so. */
const LEAST_DOUBT = 0.1

export function benchHead(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
): BenchHead {
  const log = headLog(kit, drum.id, side, practice)
  const newest = log.sittings.at(-1)?.sitting(drum.lugs)
  const going = newest && nowMs - Date.parse(newest.endedAt) < SITTING_GAP_MS ? newest : null
  return {
    ...{ drum, side, log, sitting: going },
    before: going ? (log.sittings.at(-2)?.sitting(drum.lugs) ?? null) : (newest ?? null),
    findings: findingsOfHead(openFindings(kit, drum.id, practice), side),
    fittedAt: log.fitted?.at ?? null,
    markTurns: log.fitted?.markTurns ?? null,
    // Worked out when asked for: most places only want to know where the head stands.
    get learned() {
      return learnedBefore(log, drum, side, log.sittings.length - (going ? 1 : 0))
    },
  }
}

export const startOf = (slack: SlackSchoolId | null) =>
  slack ? { start: 'slack' as const, slackSchool: slack } : {}

/** The head as the estimate knows it, with what looking over found of its film. */
export function estimatedHead(
  { drum, side, findings }: Pick<BenchHead, 'drum' | 'side' | 'findings'>,
  otherHz: number | null,
): EvenHead {
  const { worn } = knownOf(findings)
  return { ...evenHeadOf(drum, side, otherHz), ...(worn ? { worn } : {}) }
}

/** The head as believed after one of its two newest sittings; with `open` the turns under way count. */
export function stateOf(head: BenchHead, sitting: Sitting, open: boolean): HeadState {
  const { log, drum } = head
  const at = log.sittings.findLastIndex((each) => each.sitting(drum.lugs) === sitting)
  return stateAfter(head, at, open)
}

type Estimated = Pick<BenchHead, 'log' | 'drum' | 'side' | 'findings'>

function stateAfter(head: Estimated, at: number, open: boolean): HeadState {
  return stateBy(head, at, open, (learned) => {
    const { log, drum } = head
    const own = log.sittings[at]
    const sitting = own.sitting(drum.lugs)
    const rounds = roundsOf(sitting, drum.lugs, open)
    return estimateHead(estimatedHead(head, null), rounds, {
      ...(learned ? { learned } : {}),
      ...startOf(sitting.slack),
    })
  })
}

function stateBy(
  { log, drum, side, findings }: Estimated,
  at: number,
  open: boolean,
  work: (learned: Learned | null) => HeadState,
): HeadState {
  const learned = learnedBefore(log, drum, side, at)
  const { worn } = knownOf(findings)
  return log.sittings[at].derive(open ? 'state under way' : 'state', [drum, side, learned, worn], () =>
    work(learned),
  )
}

/** What the sittings before one (by its place among those of this film) have taught, oldest first. */
function learnedBefore(log: HeadLog, drum: Drum, side: Side, at: number): Learned | null {
  return learnedBy(log, drum, side, at, learnedOver)
}

function learnedBy(log: HeadLog, drum: Drum, side: Side, at: number, learn: typeof learnedOver) {
  const teaching = [...log.older, ...log.sittings.slice(0, at)].slice(-SITTINGS_LEARNED)
  return (
    teaching.at(-1)?.derive('learned', [drum, side, ...teaching], () => learn(drum, side, teaching)) ?? null
  )
}

function learnedOver(drum: Drum, side: Side, sittings: readonly SittingLog[]): Learned | null {
  const head = evenHeadOf(drum, side, null)
  return sittings.reduce<Learned | null>((learned, each) => {
    const sitting = each.sitting(drum.lugs)
    if (sitting.passes.length < 2) return learned
    const rounds = roundsOf(sitting, drum.lugs, false)
    const options = { ...(learned ? { learned } : {}), ...startOf(sitting.slack) }
    const next = learnedFrom(estimateHead(head, rounds, options).belief)
    return {
      ...next,
      hz2PerTurnError: Math.max(next.hz2PerTurnError * FORGETTING, LEAST_DOUBT * next.hz2PerTurn),
      secondAnswerError: next.secondAnswerError * FORGETTING,
    }
  }, null)
}

/** The fitted state of a sitting's newest readings; null where no pitch was read. */
function fittedAfter(head: Estimated, at: number): (Fitted & { at: string }) | null {
  if (at < 0) return null
  return fittedOf(stateAfter(head, at, false), head.log.sittings[at].sitting(head.drum.lugs).endedAt)
}

function fittedOf(state: HeadState, at: string): (Fitted & { at: string }) | null {
  if (state.knownBy !== 'pitch') return null
  const { x } = state.leading
  const { p } = state.belief
  const toCents = CENTS_PER_NEPER / (2 * x[MEAN])
  return {
    at,
    meanHz: Math.sqrt(x[MEAN]),
    meanErrorCents: toCents * Math.sqrt(Math.max(0, p[MEAN * 6])),
    cosineCents: toCents * x[COSINE],
    sineCents: toCents * x[SINE],
    waveErrorCents: toCents * Math.sqrt(Math.max(0, p[COSINE * 6], p[SINE * 6])),
  }
}

/** A head as it was found: by the first readings of the first sitting since then, before anything was turned; null where there are none. */
export function asFound(head: BenchHead, sinceMs: number): (Fitted & { at: string }) | null {
  const { log, drum, side } = head
  const at = log.sittings.findIndex((each) => Date.parse(each.sitting(drum.lugs).startedAt) >= sinceMs)
  if (at < 0) return null
  const sitting = log.sittings[at].sitting(drum.lugs)
  const first = sitting.passes.findIndex(({ readings, whole }) => readings.size > 0 || whole !== null)
  if (first < 0 || sitting.passes.slice(0, first).some(({ turns }) => turns !== null)) return null
  const rounds = roundsOf({ ...sitting, passes: sitting.passes.slice(0, first + 1) }, drum.lugs, false)
  const learned = learnedBefore(log, drum, side, at)
  const state = estimateHead(estimatedHead(head, null), rounds, {
    ...(learned ? { learned } : {}),
    ...startOf(sitting.slack),
  })
  return fittedOf(state, sitting.startedAt)
}

/** The fitted state of the sitting that is going on; null without readings. */
export function fittedNow(head: BenchHead): (Fitted & { at: string }) | null {
  return head.sitting ? fittedAfter(head, head.log.sittings.length - 1) : null
}

/** A head as last known, in the newest sitting or the one before; null when its pitch was never read. */
export function lastKnown(head: Estimated): (Fitted & { at: string }) | null {
  const newest = head.log.sittings.length - 1
  return fittedAfter(head, newest) ?? fittedAfter(head, newest - 1)
}

/** A head's past as it goes to another thread. */
export interface Past extends Pick<BenchHead, 'drum' | 'side' | 'findings'> {
  older: ReadonlyArray<readonly HeadEvent[]>
  sittings: ReadonlyArray<readonly HeadEvent[]>
  /** The newest sitting is still going on. */
  going: boolean
}

/** By place among the sittings, in the order in which one follows from the other: what those before taught, the state behind. */
export type Believed = ReadonlyArray<{ at: number; learned: Learned | null; state: HeadState | null }>

/** What is to be worked out of a head before a place shows it; null where it has no past. */
export function pastOf({ log, drum, side, findings, sitting }: BenchHead): Past | null {
  if (log.sittings.length + log.older.length === 0) return null
  const eventsOf = (all: readonly SittingLog[]) => all.map(({ events }) => events)
  return {
    ...{ drum, side, findings, older: eventsOf(log.older), sittings: eventsOf(log.sittings) },
    going: sitting !== null,
  }
}

/** Works out what every place asks of a head's past: where it was left, and what all that is over taught. */
export function believe({ drum, side, findings, older, sittings, going }: Past): Believed {
  const logs = (all: Past['older']) => all.map((events) => SittingLog.of(events))
  const log = { ...EMPTY_HEAD, older: logs(older), sittings: logs(sittings) }
  const head = { drum, side, findings, log }
  const taught = (at: number) => learnedBefore(log, drum, side, at)
  const behind = (at: number) => ({ at, learned: taught(at), state: stateAfter(head, at, false) })
  const newest = log.sittings.length - 1
  const known = []
  // As `lastKnown` looks.
  for (let at = newest; at >= Math.max(0, newest - 1); at--) {
    known.push(behind(at))
    if (known.at(-1)!.state.knownBy === 'pitch') break
  }
  return going ? known : [...known, { at: newest + 1, learned: taught(newest + 1), state: null }]
}

/** Keeps with a head's log what was worked out of it elsewhere. */
export function remember(head: BenchHead, believed: Believed): void {
  const { log, drum, side } = head
  for (const { at, learned, state } of believed) {
    learnedBy(log, drum, side, at, () => learned)
    if (state) stateBy(head, at, false, () => state)
  }
}
