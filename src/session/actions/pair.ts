import { play } from '@/audio/playback'
import { drumStatus } from '@/core/status/drum'
import { layersOn } from '@/core/status/strokes'
import { seedFromText } from '@/core/numeric/random'
import type { PairAnswer } from '@/core/pair/solve'
import type { PairPlace, PairWant } from '@/core/pair/types'
import { standLossPerSecond } from '@/core/practice/stand'
import type { Session } from '../session'
import { chooseHead } from './kits'
import { countTap, practiceDrum, practiceOther, practiceState } from './practice'
import { centreExpectation, takeCentre } from './centre'
import { aimEar, startListening } from './listening'
import { currentView } from '../currentView'
import { setAim } from './sheets'

/** One stroke on the practice drum's centre, both heads free, measured like any other. */
export async function strikeCentre(session: Session): Promise<void> {
  const view = currentView(session)
  if (!view || session.get().bench.busy) return
  const { kit, drum } = view
  const batter = practiceState(session, kit, drum, 'batter')
  session.set({ bench: { ...session.get().bench, busy: 'tap' } })
  try {
    const hung = session.get().bench.hung ?? null
    const { tap, samples, rateHz } = await session.deps.ear().practiceTap({
      drum: practiceDrum(drum, 'batter', batter),
      rods: batter,
      other: practiceOther(session, { ...view, side: 'batter' }, false),
      lug: 'centre',
      seed: seedFromText(`${drum.id}/centre/${batter.taps}`),
      mic: 'with-tap',
      lossPerSecond: standLossPerSecond(drum.id, layersOn(kit, drum, true), hung, batter.faults),
      options: centreExpectation(view),
    })
    play(samples, rateHz)
    countTap(session, view, 'batter')
    takeCentre(session, view, tap, 'practice', { samples, rateHz, strokeSeconds: tap.atSeconds })
  } finally {
    session.set({ bench: { ...session.get().bench, busy: null } })
  }
}

/** What is struck, or read from a file, from now on is the centre. */
export function meanCentre(session: Session): void {
  session.set({ bench: { ...session.get().bench, strike: 'centre', centreWhy: null } })
}

/** The next stroke that the microphone hears is one on the centre; opens it where it is closed. */
export async function listenForCentre(session: Session): Promise<void> {
  meanCentre(session)
  if (session.get().hearing.state === 'off') await startListening(session)
  else await aimEar(session)
}

/** Solves both heads for what is wanted, from what was read of them; null while nothing was. */
export function askPair(session: Session, want: PairWant): Promise<PairAnswer> | null {
  const view = currentView(session)
  if (!view) return null
  const { drum, now, before, turnLaw } = drumStatus(view.here, view.drum).pair
  if (now.batterHz === null && now.resonantHz === null && now.centreHz === null) return null
  return session.deps.adviser().pair({ drum, now, want, seen: before, turnLaw })
}

/** The heads are to be brought to these lug pitches; the one that wants more turning is opened. */
export function aimPair(session: Session, to: PairPlace & { turns?: PairAnswer['turns'] }): void {
  const view = currentView(session)
  if (!view) return
  const tenth = (hz: number) => Math.round(10 * hz) / 10
  setAim(session, view.drum, 'batter', { kind: 'hz', hz: tenth(to.batterHz) })
  if (to.resonantHz !== null) setAim(session, view.drum, 'resonant', { kind: 'hz', hz: tenth(to.resonantHz) })
  const { batter, resonant } = to.turns ?? { batter: 0, resonant: 0 }
  const side = Math.abs(resonant) > Math.abs(batter) ? 'resonant' : 'batter'
  chooseHead(session, view.drum.id, side)
}
