import { agreeTone, nearTone, type ToneTap } from '@/core/measurement/headTone'
import type { MeasureOptions } from '@/core/measurement/types'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import type { HeardTap } from '../state'
import { bySize, FROM_TARGET_CENTS, readAs, stayNear } from './readings'
import { currentView } from '../currentView'

/** The newest tap of each lug of this round, as far as its sound is still here. */
function tapsOfRound(session: Session, view: BenchView): HeardTap[] {
  const taps = new Map<number, HeardTap>()
  const { passes = [] } = view.sitting ?? {}
  const events = new Set([...(passes.at(-1)?.readings.values() ?? [])].flatMap((reading) => reading.events))
  for (const heard of session.get().bench.heard) {
    const counts = heard.event !== null && events.has(heard.event)
    // What was dropped by hand, or was a check between turns, stays out.
    if (heard.sound && heard.tap.hz !== null && (counts || heard.jumped)) taps.set(heard.lug, heard)
  }
  return [...taps.values()]
}

const toneTaps = (taps: readonly HeardTap[]): ToneTap[] =>
  taps.map(({ tap, used }) => ({ hz: tap.hz!, modes: tap.modes, used }))

/**
 * The mode is chosen by the head, not by the tap: all tones of all lugs are weighed together, readings that took another
 * one are chosen anew, and what cannot be decided is asked.
 */
export async function agreeOnTone(session: Session): Promise<void> {
  const view = currentView(session)
  if (!view || view.phase !== 'read' || session.get().bench.stayNearHz) return
  const taps = tapsOfRound(session, view)
  const agreed = agreeTone(toneTaps(taps), knownOtherwise(view))
  if (!agreed) return
  askForTone(session, agreed.ask)
  for (const [i, tone] of agreed.anew) await readAs(session, taps[i], tone)
}

/** One of the pitches that were asked about is the head's: all its taps are read near it, and those to come. */
export async function answerTone(session: Session, hz: number): Promise<void> {
  askForTone(session, [])
  const view = currentView(session)
  if (!view) return
  const taps = tapsOfRound(session, view)
  for (const [i, tone] of nearTone(toneTaps(taps), hz)) await readAs(session, taps[i], tone)
  stayNear(session, hz)
}

function askForTone(session: Session, toneAsked: readonly number[]): void {
  const { bench } = session.get()
  if (toneAsked.length || bench.toneAsked.length) session.set({ bench: { ...bench, toneAsked } })
}

/** What is known of the head from elsewhere than this round's taps: its target, its last state, its size. */
function knownOtherwise({ drum, side, sitting, head, aim, kept }: BenchView): MeasureOptions {
  const target = 'hz' in aim ? aim.hz : kept?.meanHz
  const before = sitting && sitting.passes.length > 1 ? (head.pitch.hz ?? undefined) : undefined
  const expectHz = before ?? target
  return expectHz ? { expectHz, expectCents: FROM_TARGET_CENTS } : bySize(drum, side)
}
