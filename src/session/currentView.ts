import { benchView, type BenchView } from './benchView'
import type { Session } from './session'

/** What stands on the Bench now; null without a drum. */
export function currentView(session: Session): BenchView | null {
  return benchView(session.get())
}
