import type { MeasuredTap } from '@/core/measurement/listener'
import { isLoud, isMeant, isOwnStroke, signOf, tooSoon } from '@/core/measurement/meaning'
import type { BenchView } from '../benchView'
import type { Hands } from '../hands'
import type { Session } from '../session'
import type { HeardTap } from '../state'
import { takeCentre } from './centre'
import { goToNext } from './run'
import { checkTap, expectation, noteOther, takeTap } from './readings'
import { currentView } from '../currentView'
import { compareTap } from './twoTaps'
import { pressed, turnNotMade, turned } from './turning'

/** What a stroke that was heard hands free means: a tap of the lug in focus, half of a sign, another drum, nothing. */

/** Two more taps so soon after a tick take it back: nobody has turned a rod by then. */
const TAKE_BACK_SECONDS = 4
/** What an answer in sound says. */
export type Answer = 'taken' | 'refused' | 'ticked' | null

/** Notes what the Bench shows now. */
export function seeBench(hands: Hands, view: BenchView, nowSeconds: number): void {
  const key = signKey(view)
  if (key !== hands.shown.key) hands.shown = { key, since: nowSeconds }
}

/** What two taps would tick off now; empty for nothing. */
function signKey(view: BenchView): string {
  const { phase, steps, sitting, climb, drum, side } = view
  const what = phase === 'turn' ? steps[0] : phase === 'climb' ? climb?.rounds[0] : phase
  if (phase === 'read' || phase === 'bed' || what === undefined) return ''
  return JSON.stringify([drum.id, side, what, view.movesMade, sitting?.passes.length ?? 0])
}

/**
 * Takes one stroke.
 * @param rateHz of the stroke's samples
 */
export function takeStroke(session: Session, hands: Hands, heard: MeasuredTap, rateHz: number): Answer {
  const view = currentView(session)
  if (!view) return null
  const { tap, samples, strokeSeconds } = heard
  const sound = { samples, rateHz, strokeSeconds }
  const { strike } = session.get().bench
  if (strike === 'compare') return compareTap(session, tap) ? 'taken' : 'refused'
  if (strike === 'centre') return takeCentre(session, view, tap, 'microphone', sound) ? 'taken' : 'refused'
  const own = isOwn(session, view, heard)
  if (view.phase === 'read') return readStroke(session, hands, view, heard, own, sound)
  hands.takenBefore = false
  const key = signKey(view)
  const sign = own ? signOf(heard, hands.first?.key ?? null, { key, since: hands.shown.since }) : null
  hands.first = sign === false ? { at: tap.atSeconds, key } : null
  if (sign) return actOn(session, hands, view, heard)
  if (view.phase === 'turn' && sign === null) {
    if (own) checkTap(session, tap, view.lug, sound)
    else noteOther(session, tap, view.lug, sound)
  }
  return null
}

function isOwn(session: Session, view: BenchView, heard: MeasuredTap): boolean {
  const { ofHead } = session.get().bench
  return isOwnStroke(heard, { taps: ofHead, expectHz: wellExpected(session, view) })
}

/** Pitch of the head where it is known or aimed at; what its size alone says tells no drum from another. */
function wellExpected(session: Session, view: BenchView): number | null {
  const { expectHz = null, expectCents = Infinity } = expectation(view, session)
  return expectCents < USUAL_CENTS ? expectHz : null
}
const USUAL_CENTS = 400

function readStroke(
  session: Session,
  hands: Hands,
  view: BenchView,
  stroke: MeasuredTap,
  own: boolean,
  sound: HeardTap['sound'],
): Answer {
  const { tap } = stroke
  const soon = hands.takenBefore ? tooSoon(stroke) : null
  if (soon) {
    // Too soon for another lug, and no bounce either: it may have been one all the same.
    if (own && soon.missed) mayHaveMissed(session, view.lug)
    return null
  }
  const { heard, ofHead } = session.get().bench
  const others = heard.map(({ other, jumped, tap: before }) => (other || jumped ? before.hz : null))
  if (!own && !isMeant(tap, others, ofHead.length)) {
    noteOther(session, tap, view.lug, sound)
    // Who begins on a head far from its target wants to hear that its first tap was not taken.
    return ofHead.length === 0 && tap.hz !== null ? 'refused' : null
  }
  hands.takenBefore = takeTap(session, view, tap, view.lug, 'microphone', sound)
  if (hands.takenBefore) return 'taken'
  if (!isLoud(stroke)) return null
  const { bench } = session.get()
  session.set({ bench: { ...bench, refusedAt: bench.refusedAt ?? view.lug } })
  return 'refused'
}

/** A stroke that may have been a tap of this lug is asked about, the first one of several. */
function mayHaveMissed(session: Session, lug: number): void {
  const { bench } = session.get()
  session.set({ bench: { ...bench, missed: bench.missed ?? lug } })
}

/** The open move, press or round is ticked off, the run goes on, or the tick just made is taken back. */
function actOn(session: Session, hands: Hands, view: BenchView, { tap }: MeasuredTap): Answer {
  const { ticked } = hands
  hands.ticked = null
  if (ticked && tap.atSeconds - ticked.at < TAKE_BACK_SECONDS) {
    const event = session.event(ticked.event)
    if (event?.kind === 'rodsTurned') turnNotMade(session, event)
    else if (event)
      session.append([{ kind: 'withdrawn', event: event.id, source: 'hand', algorithm: null }], event.kit)
    return 'ticked'
  }
  if (view.phase === 'done') return goToNext(session) ? 'ticked' : null
  const before = session.get().acts.done.at(-1)
  if (view.phase === 'press' || view.phase === 'said') pressed(session)
  else turned(session)
  const act = session.get().acts.done.at(-1)
  if (!act || act === before) return null
  hands.ticked = { at: tap.atSeconds, event: act.events[0].id }
  return 'ticked'
}
