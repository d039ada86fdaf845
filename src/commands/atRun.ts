import { at, know } from './known'
import { goToNext, runView } from '@/session/actions/run'
import { currentView } from '@/session/currentView'
import type { Session } from '@/session/session'
import type { Command } from './types'

const going = (session: Session) => runView(session.get(), session.kit(), session.deps.nowMs())

/** Another head waits than the one at hand. */
function more(session: Session): boolean {
  const at = currentView(session)
  const run = going(session)
  return Boolean(
    run?.todo.some(
      (item) => !run.noTime.has(item) && (item.drum.id !== at?.drum.id || item.side !== at.side),
    ),
  )
}

const RUN_COMMANDS: Command[] = [
  {
    id: 'run.next',
    label: 'Retune run: the next head',
    group: 'Bench',
    enabled: more,
    run: ({ session, go }) => {
      if (goToNext(session)) go('/bench')
    },
  },
]

/** What is done in a retune run: loaded with its place. */
export const AT_RUN_COMMANDS = at(['/run'], RUN_COMMANDS)

know(AT_RUN_COMMANDS)
