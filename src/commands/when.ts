import type { BenchView } from '@/session/benchView'
import { lugsRead } from '@/session/benchView'
import { currentView } from '@/session/currentView'
import { isEvening } from '@/session/jobView'
import type { Session } from '@/session/session'

type Test = (view: BenchView, session: Session) => boolean

/** Enabled where the drum on the Bench is so. */
export const when = (test: Test) => (session: Session) => {
  const view = currentView(session)
  return Boolean(view && test(view, session))
}

/** The same, while a head is being evened: on another step its key would do something that is not seen. */
export const whenEvening = (test: Test) => (session: Session) =>
  isEvening(session.get()) && when(test)(session)

export const practising = (session: Session) => session.get().source === 'practice'
export const idle = (session: Session) => session.get().bench.busy === null

/** Lugs read in the pass at hand. */
export function readCount(view: BenchView): number {
  const pass = view.sitting?.passes.at(-1)
  return pass ? lugsRead(pass, view.readBy).length : 0
}
