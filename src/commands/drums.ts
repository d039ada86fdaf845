import { chooseHead } from '@/session/actions/kits'
import { currentView } from '@/session/currentView'
import { otherSide } from '@/session/benchView'
import { stepOf } from '@/session/jobView'
import type { Session } from '@/session/session'
import type { Command } from './types'
import { when } from './when'

/** Steps to the next or previous drum of the kit. */
function stepDrum(session: Session, by: number): void {
  const view = currentView(session)
  if (!view) return
  const { drums } = view.kit
  const at = drums.findIndex(({ id }) => id === view.drum.id)
  const next = drums[(at + by + drums.length) % drums.length]
  chooseHead(session, next.id, view.side, stepOf(next, session.get().step))
}

/** Another head or drum, at the same step of its job. */
export const DRUM_COMMANDS: Command[] = [
  {
    id: 'bench.side',
    label: 'Other head of this drum',
    group: 'Bench',
    shortcut: 's',
    enabled: when(() => true),
    run: ({ session }) => {
      const view = currentView(session)
      if (view) chooseHead(session, view.drum.id, otherSide(view.side), session.get().step)
    },
  },
  {
    id: 'bench.nextDrum',
    label: 'Next drum',
    group: 'Bench',
    shortcut: ']',
    enabled: when((view) => view.kit.drums.length > 1),
    run: ({ session }) => stepDrum(session, 1),
  },
  {
    id: 'bench.previousDrum',
    label: 'Previous drum',
    group: 'Bench',
    shortcut: '[',
    enabled: when((view) => view.kit.drums.length > 1),
    run: ({ session }) => stepDrum(session, -1),
  },
]
