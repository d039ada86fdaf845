import type { Tap } from '@/core/measurement/types'
import { seedFromText } from '@/core/numeric/random'
import { play } from '@/audio/playback'
import type { Session } from '../session'
import { countTap, practiceDrum, practiceOther, practiceState } from './practice'
import { currentView, expectation } from './readings'

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
    const state = practiceState(session, view.kit, view.drum, view.side)
    const { tap, samples, rateHz } = await session.deps.ear().practiceTap({
      drum: practiceDrum(view.drum, view.side, state),
      rods: state,
      other: practiceOther(session, view, view.otherHead !== 'free'),
      lug,
      seed: seedFromText(`${view.drum.id}/${view.side}/${state.taps}`),
      mic: session.get().settings.mic,
      options: expectation(view, session),
    })
    play(samples, rateHz)
    countTap(session, view, view.side)
    compareTap(session, tap)
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}
