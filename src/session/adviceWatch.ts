import { benchView, sameRequest } from './benchView'
import type { Session } from './session'
import type { EvenRequest } from '@/core/evening/types'

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
        if (asked === mine) session.set({ advice: { request, answer } })
      })
      .catch(() => {
        // Asked again with the next change, or when the user tries again.
        if (asked === mine) asked = null
      })
  }
  check()
  return session.subscribe(check)
}
