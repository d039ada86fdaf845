import { toneOfHead } from '@/core/measurement/headTone'
import type { MeasureOptions, Tap } from '@/core/measurement/types'
import { centsBetween } from '@/core/units/pitch'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import type { HeardTap } from '../state'
import { bySize, FROM_TARGET_CENTS, JUMP_CENTS, readAs, stayNear } from './readings'
import { currentView } from '../currentView'

/** From the third lug on its taps choose the head's tone together. */
const LUGS_FOR_A_TONE = 3
/** A reading this far from what the others say is of another tone. */
const ANOTHER_TONE_CENTS = 100

/** A tap that was not used is read anew only where its tone is this loud in it: it may be another drum's. */
const FAINTEST_DB = -3
const SAME_CENTS = 40

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

/**
 * The mode is chosen by the head, not by the tap: all tones of all lugs are weighed together, readings that took another
 * one are chosen anew, and what cannot be decided is asked.
 */
export async function agreeOnTone(session: Session): Promise<void> {
  const view = currentView(session)
  if (!view || view.phase !== 'read' || session.get().bench.stayNearHz) return
  const taps = tapsOfRound(session, view)
  if (taps.length < LUGS_FOR_A_TONE) return
  const readings = taps.map(({ tap }) => tap.hz!)
  const agree = centsBetween(Math.min(...readings), Math.max(...readings)) < JUMP_CENTS
  if (agree && taps.every(({ used }) => used)) return askForTone(session, [])
  const { pitches, tones, sure } = toneOfHead(
    taps.map(({ tap }) => tap.modes),
    knownOtherwise(view),
  )
  const apart = taps.some(
    ({ tap }) => pitches.length > 0 && Math.abs(centsBetween(pitches[0].hz, tap.hz!)) > JUMP_CENTS,
  )
  askForTone(session, !sure && apart ? pitches.slice(0, 2).map(({ hz }) => hz) : [])
  if (!sure) return
  for (const [i, heard] of taps.entries()) {
    const tone = tones[i]
    if (tone === null) continue
    const level =
      heard.tap.modes.find(({ hz }) => Math.abs(centsBetween(hz, tone)) < SAME_CENTS)?.levelDb ?? 0
    if (!heard.used && level < FAINTEST_DB) continue
    const agrees = Math.abs(centsBetween(tone, heard.tap.hz!)) < ANOTHER_TONE_CENTS
    if (heard.used && agrees) continue
    await readAs(session, heard, tone)
  }
}

/** One of the pitches that were asked about is the head's: all its taps are read near it, and those to come. */
export async function answerTone(session: Session, hz: number): Promise<void> {
  askForTone(session, [])
  const view = currentView(session)
  if (!view) return
  for (const heard of tapsOfRound(session, view)) {
    const tone = toneNear(heard.tap.modes, hz)
    if (tone !== null && !(heard.used && Math.abs(centsBetween(tone, heard.tap.hz!)) < ANOTHER_TONE_CENTS))
      await readAs(session, heard, tone)
  }
  stayNear(session, hz)
}

function toneNear(modes: Tap['modes'], hz: number): number | null {
  return modes.find((mode) => Math.abs(centsBetween(hz, mode.hz)) < JUMP_CENTS)?.hz ?? null
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
