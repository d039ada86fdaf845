import type { Tap } from '@/core/measurement/types'
import { play } from '@/audio/playback'
import type { Session } from '../session'
import { strikePractice } from './practice'
import { currentView } from '../currentView'

/** A quick comparison of two taps: no head, no pass, and nothing of it is kept. */
export function startComparing(session: Session): void {
  session.set({ bench: { ...session.get().bench, strike: 'compare', twoTaps: [] } })
}

export function stopComparing(session: Session): void {
  session.set({ bench: { ...session.get().bench, strike: 'lug', twoTaps: [] } })
}

/** Takes a pitch into the comparison: the newest two stand. */
export function compareHz(session: Session, hz: number): void {
  const { bench } = session.get()
  const before = bench.twoTaps.length > 1 ? [] : bench.twoTaps
  session.set({ bench: { ...bench, twoTaps: [...before, hz] } })
}

export function compareTap(session: Session, tap: Tap): boolean {
  if (tap.hz === null) {
    session.notify(tap.why ?? 'That tap could not be read. Tap again.', { tone: 'caution' })
    return false
  }
  compareHz(session, tap.hz)
  return true
}

/** A tap of the practice drum for the comparison. */
export async function compareOnPractice(session: Session, lug: number): Promise<void> {
  const view = currentView(session)
  if (!view || session.get().bench.busy) return
  session.set({ bench: { ...session.get().bench, busy: 'tap' } })
  try {
    const { tap, samples, rateHz } = await strikePractice(session, view, lug)
    play(samples, rateHz)
    compareTap(session, tap)
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}
