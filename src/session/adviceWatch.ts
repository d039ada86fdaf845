import { isRead } from '@/core/log/sittings'
import { MOST_SCATTERS } from '@/core/records/settings'
import { benchView, sameRequest, type BenchView } from './benchView'
import type { Session } from './session'
import type { EvenAnswer, EvenRequest } from '@/core/evening/types'

/** Keeps the advice in step with the log: asks the adviser whenever what is known of the head on the Bench changed. */
export function watchAdvice(session: Session): () => void {
  let asked: { plan: EvenRequest; open: EvenRequest | null } | null = null
  const check = () => {
    const view = benchView(session.get())
    // A lost adviser is asked again when the user says so.
    if (!view || session.get().lostWorkers.has('adviser')) return
    const { request, openRequest } = view
    const sameOpen =
      asked &&
      (openRequest === null
        ? asked.open === null
        : asked.open !== null && sameRequest(asked.open, openRequest))
    if (asked && sameRequest(asked.plan, request) && sameOpen) return
    const mine = { plan: request, open: openRequest }
    asked = mine
    void session.deps
      .adviser()
      .advise(request, openRequest)
      .then((answer) => {
        // An answer that something newer has overtaken is dropped.
        if (asked !== mine) return
        session.set({ advice: { request, answer } })
        noteScatter(session, view, answer.plan)
      })
      .catch(() => {
        // Asked again with the next change, or when the user tries again.
        if (asked === mine) asked = null
      })
  }
  check()
  return session.subscribe(check)
}

/** What a sitting tells of this hand's scatter is kept with the person, by when the sitting began; what is simulated tells nothing of it. */
function noteScatter(session: Session, { sitting, practice }: BenchView, { scatterTold }: EvenAnswer): void {
  if (!scatterTold || practice || !sitting?.passes.some(isRead)) return
  const { source, logs } = scatterTold
  const at = sitting.startedAt
  const { scatter } = session.get().settings
  const own = (one: (typeof scatter)[number]) => one.source === source && one.at === at
  if (scatter.find(own)?.logs.join() === logs.join()) return
  const others = scatter.filter((one) => !own(one))
  session.setSettings({ scatter: [...others, { source, at, logs }].slice(-MOST_SCATTERS) })
}
