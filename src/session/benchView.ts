import { benchHead, evenRequestFor, lastKnown, type BenchHead } from '@/core/keeping/bench'
import type { Sitting } from '@/core/keeping/history'
import type { KitState } from '@/core/keeping/log'
import { orderSteps } from '@/core/evening/order'
import type { EvenRequest, Step } from '@/core/evening/types'
import { aimOf, sheetTarget } from '@/core/keeping/targets'
import type { Aim, Drum, Side, Target } from '@/core/records/kit'
import type { OtherHead } from '@/core/records/event'
import type { Advice } from '@/workers/protocol'
import type { SessionState } from './state'

/**
 * What the Bench is asking for: tap a lug, turn rods, press, or nothing any more.
 */
export type BenchPhase = 'read' | 'turn' | 'press' | 'done'

export interface BenchView {
  kit: KitState
  drum: Drum
  side: Side
  practice: boolean
  head: BenchHead
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
}

/** The drum and side on the Bench; null in a kit without drums. */
export function benchSelection(state: SessionState, kit: KitState | null): { drum: Drum; side: Side } | null {
  const drum = kit?.drums.find(({ id }) => id === state.settings.drum) ?? kit?.drums[0]
  return drum ? { drum, side: state.settings.side } : null
}

export function otherSide(side: Side): Side {
  return side === 'batter' ? 'resonant' : 'batter'
}

/** Everything the Bench shows, from the session's state. */
export function benchView(state: SessionState, kit: KitState | null): BenchView | null {
  const selection = benchSelection(state, kit)
  if (!kit || !selection) return null
  const { drum, side } = selection
  const practice = state.settings.source === 'practice'
  const head = benchHead(kit, drum, side, practice, state.clockMs)
  const other = lastKnown(benchHead(kit, drum, otherSide(side), practice, state.clockMs))
  const { sitting } = head
  const pass = sitting?.passes.at(-1) ?? null
  const request = evenRequestFor(kit, head, other?.meanHz ?? null, state.settings, false)
  const openRequest = pass?.turns
    ? evenRequestFor(kit, head, other?.meanHz ?? null, state.settings, true)
    : null
  const known = state.advice
  const advice = known && sameRequest(known.request, request) ? known.answer : null
  const planned = pass?.planned
  const left = advice?.plan.turns.map((turn, i) => turn - (planned?.[i] ?? 0)) ?? []
  const steps = orderSteps(left, state.settings.keys)
  const view = {
    kit,
    drum,
    side,
    practice,
    head,
    sitting,
    otherHead: sitting?.passes.at(-1)?.otherHead ?? otherHeadOf(kit, drum, side),
    aim: aimOf(kit, drum.id, side),
    kept: sheetTarget(kit, drum.id, side),
    lug: nextLug(state, sitting, drum.lugs),
    request,
    openRequest,
    advice,
    steps,
    movesMade: pass?.moves ?? 0,
    turnedNow: pass?.turns ?? null,
  }
  return { ...view, phase: phaseOf(view, state) }
}

function otherHeadOf(kit: KitState, drum: Drum, side: Side): OtherHead {
  const events = kit.heads.get(`${drum.id}/${side}`) ?? []
  const last = events.findLast((event) => event.kind === 'otherHeadSet')
  return last?.kind === 'otherHeadSet' ? last.state : 'muted'
}

function phaseOf(view: Omit<BenchView, 'phase'>, state: SessionState): BenchPhase {
  const { sitting, drum, advice, turnedNow, steps } = view
  const pass = sitting?.passes.at(-1)
  if (turnedNow) {
    if (state.bench.lug !== null) return 'read'
    if (steps.length > 0) return 'turn'
    return sitting!.pressedAfter ? 'read' : 'press'
  }
  const read = pass?.readings.size ?? 0
  if (read < drum.lugs && !(state.bench.movedOn && read > 0)) return 'read'
  if (state.bench.lug !== null) return 'read'
  if (!advice) return 'turn'
  if (advice.plan.reason === 'need-readings') return 'read'
  return advice.plan.done ? 'done' : 'turn'
}

function nextLug(state: SessionState, sitting: Sitting | null, lugs: number): number {
  if (state.bench.lug !== null && state.bench.lug <= lugs) return state.bench.lug
  const pass = sitting?.passes.at(-1)
  const read = pass && !pass.turns ? [...pass.readings.keys()] : []
  const from = read.at(-1) ?? 0
  for (let i = 1; i <= lugs; i++) {
    const lug = ((from + i - 1) % lugs) + 1
    if (!read.includes(lug)) return lug
  }
  return (from % lugs) + 1
}

const keys = new WeakMap<EvenRequest, string>()

/** Requests are compared by what they say. */
export function sameRequest(a: EvenRequest, b: EvenRequest): boolean {
  return a === b || keyOf(a) === keyOf(b)
}

function keyOf(request: EvenRequest): string {
  let key = keys.get(request)
  if (!key) {
    key = JSON.stringify(request)
    keys.set(request, key)
  }
  return key
}
