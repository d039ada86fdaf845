import { drasticRoom } from '@/core/bench/drastic'
import { drumStatus } from '@/core/status/drum'
import type { LayerId } from '@/core/pair/layers'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import { currentView } from '../currentView'
import { pressed, turnedOtherwise } from './turning'

/** What is noted of a whole drum beside its pitches: muffling, wires, words, the place it hangs in, the experiment. */
const from = ({ drum, side, practice }: BenchView) => ({
  ...{ drum: drum.id, side, algorithm: null },
  source: practice ? ('practice' as const) : ('hand' as const),
})

export function setLayers(session: Session, layers: LayerId[]): void {
  const view = currentView(session)
  if (view) session.append([{ kind: 'dampingSet', ...from(view), layers }])
}

/** What lay on the drum at a stroke, said afterwards. */
export function muffledThen(session: Session, stroke: string, layers: LayerId[]): void {
  const view = currentView(session)
  if (view) session.append([{ kind: 'strokeMuffled', ...from(view), stroke, layers }])
}

export function setWires(
  session: Session,
  knob: number,
  unit: 'clicks' | 'turns',
  rattles: boolean | null,
): void {
  const view = currentView(session)
  if (view) session.append([{ kind: 'wiresSet', ...from(view), knob, unit, rattles }])
}

export function noteWords(session: Session, words: string): void {
  const view = currentView(session)
  if (view && words.trim())
    session.append([{ kind: 'wordsNoted', ...from(view), words: words.trim().slice(0, 200) }])
}

/** Marks where the drum growls, speaks best or chokes: the batter as it is read now. */
export function markRange(session: Session, mark: 'growls' | 'best' | 'chokes'): boolean {
  const view = currentView(session)
  if (!view) return false
  const { batterHz } = drumStatus(view.here, view.drum).pair
  if (batterHz === null) return false
  session.append([{ kind: 'rangeMarked', ...from(view), side: 'batter', mark, hz: batterHz }])
  return true
}

/** Where the drum hangs for the strokes to come. */
export function setHung(session: Session, hung: string | null | undefined): void {
  session.set({ bench: { ...session.get().bench, hung } })
}

/** Begins the experiment on the head in view; false where the head has no room for it. */
export function startDrastic(session: Session): boolean {
  const view = currentView(session)
  if (!view) return false
  const { batterHz, resonantHz, turnLaw } = drumStatus(view.here, view.drum).pair
  const hz = view.side === 'batter' ? batterHz : resonantHz
  const room = hz === null ? null : drasticRoom(view.drum, view.side, hz, turnLaw[view.side])
  if (room === null) return false
  session.append([{ kind: 'drasticStarted', ...from(view), ...room }])
  return true
}

export function endDrastic(session: Session): void {
  const view = currentView(session)
  if (view) session.append([{ kind: 'drasticEnded', ...from(view) }])
}

/** All rods of the head were turned as the experiment asked, and the head pressed. */
export function turnDrastic(session: Session, turns: number): void {
  const lugs = currentView(session)?.drum.lugs ?? 0
  turnedOtherwise(session, new Array<number>(lugs).fill(turns))
  pressed(session)
  askForLug(session, 1)
}

/** The bench reads this lug next, whatever else it would ask for. */
export function askForLug(session: Session, lug: number): void {
  session.set({ bench: { ...session.get().bench, lug } })
}
