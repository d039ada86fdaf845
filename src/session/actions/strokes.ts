import type { MeasuredTap } from '@/core/measurement/listener'
import { isOfHead } from '@/core/measurement/sameHead'
import type { Tap } from '@/core/measurement/types'
import { centsBetween } from '@/core/units/pitch'
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

/** Two taps this far apart tick the open move off; closer ones are a stick that bounced, others are two checks. */
const DOUBLE_SECONDS = { least: 0.2, most: 0.6 }
/** While lugs are read nobody gets to the next one sooner than this: what follows sooner is the same lug, or no tap. */
const NEXT_LUG_SECONDS = 0.45
/** A second stroke is a sign or the same tap up to here; behind it a stroke too early for the next lug may be one missed. */
const BOUNCE_SECONDS = 0.3
/** Taps of one hand are within this of the middle one in power, up and down: 13 dB. */
const OF_A_HAND = 20
/** Two more taps so soon after a tick take it back: nobody has turned a rod by then. */
const TAKE_BACK_SECONDS = 4
/** A refused stroke is heard about where it was as strong as this against full scale, while no hand is known. */
const LOUD_PEAK = 0.02

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
  if (phase === 'read' || what === undefined) return ''
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
  const sign = signOf(hands, view, heard, own)
  if (sign) return actOn(session, hands, view, heard)
  if (view.phase === 'turn' && sign === null) {
    if (own) checkTap(session, tap, view.lug, sound)
    else noteOther(session, tap, view.lug, sound)
  }
  return null
}

function isOwn(session: Session, view: BenchView, { tap, againstHand }: MeasuredTap): boolean {
  const strong = againstHand === null || (againstHand > 1 / OF_A_HAND && againstHand < OF_A_HAND)
  const { ofHead } = session.get().bench
  return strong && !tap.voice && isOfHead(tap, { taps: ofHead, expectHz: wellExpected(session, view) })
}

/**
 * After so many strokes of another drum at one pitch, running, it is a lug far out that somebody means; while none of the head
 * has been read, one other near it is enough: then it is the head that lies far from what was expected.
 */
const MEANT = { lug: { strokes: 2, cents: 30 }, head: { strokes: 1, cents: 250 } }

function isMeant(session: Session, { hz }: Tap): boolean {
  if (hz === null) return false
  const { heard, ofHead } = session.get().bench
  const { strokes, cents } = ofHead.length === 0 ? MEANT.head : MEANT.lug
  const before = heard.slice(-strokes)
  const same = (other: number | null) => other !== null && Math.abs(centsBetween(hz, other)) < cents
  return (
    before.length === strokes && before.every(({ other, jumped, tap }) => (other || jumped) && same(tap.hz))
  )
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
  { tap, afterSeconds, againstHand, samples }: MeasuredTap,
  own: boolean,
  sound: HeardTap['sound'],
): Answer {
  if (hands.takenBefore && afterSeconds !== null && afterSeconds < NEXT_LUG_SECONDS) {
    // Too soon for another lug, and no bounce either: it may have been one all the same.
    if (own && afterSeconds > BOUNCE_SECONDS) mayHaveMissed(session, view.lug)
    return null
  }
  if (!own && !isMeant(session, tap)) {
    noteOther(session, tap, view.lug, sound)
    // Who begins on a head far from its target wants to hear that its first tap was not taken.
    return session.get().bench.ofHead.length === 0 && tap.hz !== null ? 'refused' : null
  }
  hands.takenBefore = takeTap(session, view, tap, view.lug, 'microphone', sound)
  if (hands.takenBefore) return 'taken'
  const loud = againstHand !== null || samples.some((x) => Math.abs(x) > LOUD_PEAK)
  if (!loud || tap.verdict === 'too-quiet') return null
  const { bench } = session.get()
  session.set({ bench: { ...bench, refusedAt: bench.refusedAt ?? view.lug } })
  return 'refused'
}

/** A stroke that may have been a tap of this lug is asked about, the first one of several. */
function mayHaveMissed(session: Session, lug: number): void {
  const { bench } = session.get()
  session.set({ bench: { ...bench, missed: bench.missed ?? lug } })
}

/**
 * Is this the second of two strokes that mean something? Both on this head, nothing before them and nothing behind. False
 * for the first of them, null for neither.
 */
function signOf(
  hands: Hands,
  view: BenchView,
  { tap, againSeconds, afterSeconds }: MeasuredTap,
  own: boolean,
): boolean | null {
  const { first } = hands
  hands.first = null
  const inTime = (seconds: number | null) =>
    seconds !== null && seconds >= DOUBLE_SECONDS.least && seconds <= DOUBLE_SECONDS.most
  if (!own) return null
  const key = signKey(view)
  if (first && inTime(afterSeconds)) return first.key === key && againSeconds === null ? true : null
  if (afterSeconds !== null || !inTime(againSeconds)) return null
  if (key === '' || tap.hz === null || tap.atSeconds < hands.shown.since) return null
  hands.first = { at: tap.atSeconds, key }
  return false
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
