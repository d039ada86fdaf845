import { at, know } from './known'
import { READ_COMMANDS } from './read'
import { STEP_COMMANDS } from './steps'
import { TURN_COMMANDS } from './turn'
import { backOffNearRods, roughenPractice } from '@/session/actions/practice'
import type { Command } from './types'
import { practising, when } from './when'
import { chooseHead } from '@/session/actions/kits'
import { currentView } from '@/session/currentView'
import { otherSide } from '@/session/benchView'
import { stepOf } from '@/session/jobView'
import type { Session } from '@/session/session'

/** What is done to the practice drum on the Bench. */
const PRACTICE_COMMANDS: Command[] = [
  {
    id: 'bench.hideFault',
    label: 'Hide a fault in the practice drum',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ open }) => open('hide-fault'),
  },
  {
    id: 'bench.roughen',
    label: 'Put the practice head out of tune',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ session }) => roughenPractice(session),
  },
  {
    id: 'bench.backOff',
    label: 'Back off the practice drum’s three near rods',
    group: 'Bench',
    enabled: when((_, session) => practising(session)),
    run: ({ session }) => backOffNearRods(session),
  },
]

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
const DRUM_COMMANDS: Command[] = [
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

/** What is done at the drum: loaded with the Bench. */
export const BENCH_COMMANDS = at(
  ['/bench'],
  [...READ_COMMANDS, ...TURN_COMMANDS, ...STEP_COMMANDS, ...DRUM_COMMANDS, ...PRACTICE_COMMANDS],
)

know(BENCH_COMMANDS)
