import { bedToAsk } from '@/core/status/bed'
import type { SnareBed } from '@/core/evening/bed'
import { drumStatus } from '@/core/status/drum'
import type { HeadStatus } from '@/core/status/head'
import { requestOf, type Here } from '@/core/status/inputs'
import { alike, CHECK_LUGS, climbOf, isPressOnly, settlingNow } from '@/core/bench/climbing'
import type { Pass, Sitting } from '@/core/log/sittings'
import type { Climb } from '@/core/fitting/climb'
import type { Settling } from '@/core/fitting/settling'
import { createSelector } from 'reselect'
import { headKey, type KitState } from '@/core/log/fold'
import { nextInOrder } from '@/core/kit/order'
import { stepsLeft } from '@/core/evening/order'
import { targetMeanHz, type EvenRequest, type Step } from '@/core/evening/types'
import type { Aim, Drum, Side, Target } from '@/core/records/kit'
import type { OtherHead } from '@/core/records/event'
import type { Advice } from '@/workers/protocol'
import { hereOf } from './here'
import { kitOf, type SessionState } from './state'

/**
 * What the Bench is asking for: a round of all rods up from slack, tap a lug, turn rods, what to do behind a turn that the plan had not
 * asked for, press, or nothing any more; and of a snare side which lugs stand beside its bed.
 */
export type BenchPhase = 'read' | 'bed' | 'turn' | 'said' | 'press' | 'done' | 'climb'

export interface BenchView {
  here: Here
  kit: KitState
  drum: Drum
  side: Side
  practice: boolean
  /** What lugs count as read by. */
  readBy: ReadBy
  head: HeadStatus
  sitting: Sitting | null
  otherHead: OtherHead
  aim: Aim
  kept: Target | null
  phase: BenchPhase
  /** Lug to tap next, from 1. */
  lug: number
  request: EvenRequest
  openRequest: EvenRequest | null
  /** Advice for exactly this request; null while it is being worked out. */
  advice: Advice | null
  /** Moves left in this pass; the first is the next. */
  steps: Step[]
  movesMade: number
  /** Turned in this pass: net per rod. */
  turnedNow: number[] | null
  /** The newest turn of the sitting, lug 1 first, where the plan had not asked for it. */
  lastTurn: readonly number[] | null
  /** The way up, on a head that was begun from slack. */
  climb: Climb | null
  /** How a fresh head sinks; null on one that is not fresh. */
  settling: Settling | null
  /** Lugs that this round wants read. */
  lugsWanted: number
  /** The bed that a snare side's readings show, while nobody spoke of one. */
  bedToAsk: SnareBed | null
}

/** A head is fresh for so long after it was fitted. */
const FRESH_MS = 7 * 24 * 3600 * 1000

/** By pitch, by a dial gauge, or by ear alone. */
export type ReadBy = 'pitch' | 'gauge' | 'ear'

/** As chosen: a dial or an ear beside pitch is more about the same head, not instead of it. */
function readByOf({ source }: Pick<SessionState, 'source'>): ReadBy {
  return source === 'gauge' || source === 'ear' ? source : 'pitch'
}

const earLugs = ({ ear, earReference }: Pass): number[] =>
  ear.size ? [...new Set([...(earReference ? [earReference] : []), ...ear.keys()])] : []

/** The drum and side on the Bench; null in a kit without drums. */
function benchSelection(
  state: Pick<SessionState, 'settings'>,
  kit: KitState | null,
): { drum: Drum; side: Side } | null {
  const drum = kit?.drums.find(({ id }) => id === state.settings.drum) ?? kit?.drums[0]
  return drum ? { drum, side: state.settings.side } : null
}

export function otherSide(side: Side): Side {
  return side === 'batter' ? 'resonant' : 'batter'
}

/** What the view depends on of the state: what was heard, the level and the clock's seconds are none of it. */
type BenchState = Pick<SessionState, 'settings' | 'source' | 'advice' | 'clockMs'> & {
  bench: Pick<SessionState['bench'], 'lug' | 'movedOn' | 'toAim'>
}

/** Everything the Bench shows of the head on it, worked out again only when that changed; null in a kit without drums. */
export const benchView: (state: SessionState) => BenchView | null = createSelector(
  [
    kitOf,
    (state: SessionState) => state.settings,
    (state: SessionState) => state.source,
    (state: SessionState) => state.advice,
    (state: SessionState) => state.clockMs,
    (state: SessionState) => state.bench.lug,
    (state: SessionState) => state.bench.movedOn,
    (state: SessionState) => state.bench.toAim,
  ],
  (kit, settings, source, advice, clockMs, lug, movedOn, toAim) =>
    viewOf({ settings, source, advice, clockMs, bench: { lug, movedOn, toAim } }, kit),
)

function viewOf(state: BenchState, kit: KitState | null): BenchView | null {
  const selection = benchSelection(state, kit)
  if (!kit || !selection) return null
  const { drum, side } = selection
  const practice = state.source === 'practice'
  const here = hereOf(state, kit, practice)
  const head = drumStatus(here, drum).heads[side]
  const { sitting } = head
  const { keys, largestStepTurns } = state.settings
  const ask = (open: boolean) =>
    requestOf(head, head.otherHz, { ...{ open, anew: sitting === null, keys, largestStepTurns } })
  const pass = sitting?.passes.at(-1) ?? null
  const request = ask(false)
  const openRequest = pass?.turns ? ask(true) : null
  const known = state.advice
  const advice = known && sameRequest(known.request, request) ? known.answer : null
  const climb = climbOf(head, targetMeanHz(request.target), state.settings.largestStepTurns)
  // Rounds up from slack, and what was turned beside them, are no pass of evening.
  const climbed = climb !== null && climb.stage !== 'there'
  const roundMade = climb !== null && pass?.turns !== null && pass !== null && alike(pass.turns!)
  const steps =
    advice && !climbed && !roundMade
      ? stepsLeft(advice.plan.turns, pass?.planned ?? null, state.settings.keys)
      : []
  const fresh = head.fittedAt !== null && state.clockMs - Date.parse(head.fittedAt) < FRESH_MS
  const checking =
    (climb !== null && climb.stage !== 'there') || Boolean(pass && isPressOnly(sitting?.passes.at(-2), pass))
  const view = {
    here,
    kit,
    drum,
    side,
    practice,
    readBy: readByOf(state),
    head,
    sitting,
    otherHead: sitting?.passes.at(-1)?.otherHead ?? otherHeadOf(kit, drum, side),
    aim: head.aim,
    kept: head.kept,
    lug: nextLug(state, sitting, drum.lugs, advice),
    request,
    openRequest,
    advice,
    steps,
    movesMade: pass?.moves ?? 0,
    turnedNow: pass?.turns ?? null,
    lastTurn: pass?.replanned && !pass.turns ? newestTurn(head) : null,
    climb,
    settling: fresh && sitting ? settlingNow(sitting) : null,
    lugsWanted: checking ? CHECK_LUGS : drum.lugs,
    bedToAsk: bedToAsk(head),
  }
  return { ...view, phase: phaseOf(view, state) }
}

function newestTurn({ log }: HeadStatus): readonly number[] | null {
  const event = log.sittings.at(-1)?.events.findLast(({ kind }) => kind === 'rodsTurned')
  return event?.kind === 'rodsTurned' ? event.turns : null
}

function otherHeadOf(kit: KitState, drum: Drum, side: Side): OtherHead {
  return kit.otherHeads.get(headKey(drum.id, side)) ?? 'muted'
}

function phaseOf(view: Omit<BenchView, 'phase'>, state: BenchState): BenchPhase {
  const { sitting, advice, turnedNow, lastTurn, steps, climb, settling, lugsWanted } = view
  const pass = sitting?.passes.at(-1)
  const read = pass && !turnedNow ? lugsRead(pass, view.readBy).length : 0
  if (climb && climb.stage !== 'there') {
    if (state.bench.lug !== null || (read > 0 && read < lugsWanted)) return 'read'
    return climb.stage === 'check' && !state.bench.movedOn ? 'read' : 'climb'
  }
  // Behind a turn that was not the plan's the rest is planned from what is believed, before anything is read.
  if (pass?.replanned && state.bench.lug === null) {
    if (lastTurn && view.head.pitch.hz !== null && !state.bench.toAim)
      return sitting!.pressedAfter ? 'read' : 'said'
    if (!advice) return 'turn'
    if (steps.length > 0) return 'turn'
    if (!sitting!.pressedAfter && !turnedNow) return 'press'
  }
  if (turnedNow) {
    if (state.bench.lug !== null) return 'read'
    if (steps.length > 0) return 'turn'
    if (sitting!.pressedAfter) return 'read'
    // While the moves are being worked out, as after a reload, none are left only for lack of an answer.
    return advice || (climb && alike(turnedNow)) ? 'press' : 'turn'
  }
  // Pressed after the readings: what it did is read before anything else.
  // A recipe in turns is turned as it is, read or not.
  const goesOn = state.bench.movedOn && (read > 0 || recipeOpen(view))
  if (sitting?.pressedAfter && !goesOn) return 'read'
  const enough = state.settings.readOrder === 'fewest' && advice?.plan.enough === true
  if (pass?.whole && read === 0 && state.bench.lug === null)
    return advice ? (advice.plan.done ? 'done' : 'turn') : 'turn'
  if (read < lugsWanted && !goesOn && !enough) return 'read'
  if (state.bench.lug !== null) return 'read'
  if (!advice) return 'turn'
  if (advice.plan.reason === 'need-readings') return 'read'
  if (view.bedToAsk && view.movesMade === 0) return 'bed'
  // Nothing to turn and not done: said, with what to do about it.
  if (!advice.plan.done) return advice.plan.reason === null || steps.length > 0 ? 'turn' : 'done'
  return settling && !settling.settled && advice.plan.reason === 'within-tolerance' ? 'press' : 'done'
}

/** Turns of a head that is to be uneven are left to be made, which need no reading. */
export const recipeOpen = ({
  request,
  steps,
  turnedNow,
}: Pick<BenchView, 'request' | 'steps' | 'turnedNow'>) =>
  'offsetTurns' in request.target && steps.length > 0 && turnedNow === null

/** Lugs read in a pass, newest last, by what it is read by. */
export function lugsRead(pass: Pass, readBy: ReadBy): number[] {
  if (readBy === 'ear') return earLugs(pass)
  return readBy === 'gauge' ? [...pass.dials.keys()] : [...pass.readings.keys()]
}

function nextLug(state: BenchState, sitting: Sitting | null, lugs: number, advice: Advice | null): number {
  if (state.bench.lug !== null && state.bench.lug <= lugs) return state.bench.lug
  const pass = sitting?.passes.at(-1)
  const readBy = readByOf(state)
  const said = pass && !pass.turns ? lugsRead(pass, readBy) : []
  // By ear the first lug is what the others are held against.
  const read = readBy === 'ear' && said.length === 0 ? [1] : said
  const telling = state.settings.readOrder === 'fewest' ? advice?.plan.readNext[0] : undefined
  if (telling !== undefined && !read.includes(telling)) return telling
  return nextInOrder(state.settings.readOrder, lugs, read)
}

/** Requests are compared by what they say. */
export function sameRequest(a: EvenRequest, b: EvenRequest): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b)
}
