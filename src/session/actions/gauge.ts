import type { Feel, GaugeLaw } from '@/core/head/types'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import { practiceHand } from './practice'
import { currentView } from '../currentView'

/** A dial reading beside the lug in focus. */
export function takeDial(session: Session, dial: number): void {
  const view = currentView(session)
  if (!view) return
  session.append([dialEvent(view, view.lug, dial)])
  session.set({ bench: { ...session.get().bench, lug: null } })
}

function dialEvent({ drum, side, practice }: BenchView, lug: number, dial: number) {
  const source = practice ? ('practice' as const) : ('gauge' as const)
  return { kind: 'gaugeRead' as const, drum: drum.id, side, lug, dial, source, algorithm: null }
}

/** The simulated gauge beside every lug. */
export async function gaugeRound(session: Session): Promise<void> {
  const start = currentView(session)
  if (!start) return
  const { dials } = await practiceHand(session, start)
  const view = currentView(session)
  if (view?.phase !== 'read' || view.drum.id !== start.drum.id || view.side !== start.side) return
  session.append(dials.map((dial, i) => dialEvent(view, i + 1, dial)))
  session.set({ bench: { ...session.get().bench, lug: null } })
}

/** The dial's law as it was learned is kept for this user, so that a head can be read by the gauge alone. */
export function keepGaugeLaw(session: Session, gaugeLaw: GaugeLaw | null): void {
  session.setSettings({ gaugeLaw })
}

/** What the hand felt of the rods; null leaves what was said of a rod before. */
export function sayFeel(session: Session, feel: ReadonlyArray<Feel | null>): void {
  const view = currentView(session)
  if (!view || feel.every((word) => word === null)) return
  session.append([
    {
      kind: 'rodsFelt',
      drum: view.drum.id,
      side: view.side,
      feel: [...feel],
      source: view.practice ? 'practice' : 'hand',
      algorithm: null,
    },
  ])
}

/** What a hand feels of the practice drum's rods. */
export async function practiceFeel(session: Session, view: BenchView): Promise<Feel[]> {
  return (await practiceHand(session, view)).feel
}
