import { CAUSES, type CauseId } from '@/core/fitting/causes'
import { type QuestionId } from '@/core/fitting/questions'
import { FINDINGS, type AreaId, type FindingId } from '@/core/fitting/lookOver'
import { openSearch } from '@/core/log/findings'
import type { BenchView } from '../benchView'
import type { Session } from '../session'
import { currentView } from '../currentView'

const from = ({ drum, side, practice }: BenchView) => ({
  drum: drum.id,
  side,
  source: practice ? ('practice' as const) : ('hand' as const),
  algorithm: null,
})

/** One part of the drum was looked at. */
export function areaSeen(session: Session, area: AreaId): void {
  const view = currentView(session)
  if (view) session.append([{ kind: 'lookedOver', ...from(view), area }])
}

/** Something was found; it stays on the drum's record until cleared. */
export function noteFinding(session: Session, finding: FindingId, rods: readonly number[] = []): void {
  const view = currentView(session)
  if (!view) return
  session.append([
    { kind: 'lookedOver', ...from(view), area: FINDINGS[finding].area },
    { kind: 'findingNoted', ...from(view), finding, rods: [...rods].sort((a, b) => a - b) },
  ])
}

export function clearFinding(session: Session, noted: string): void {
  const view = currentView(session)
  const found = view?.head.findings.find(({ id }) => id === noted)
  // It is cleared where it was noted, which for a finding of the whole drum may be the other side.
  if (view && found) session.append([{ kind: 'findingCleared', ...from(view), side: found.side, noted }])
}

/** An answer in the search for a fault, which it begins when none is open; null passes the question over. */
export function answerFault(session: Session, question: QuestionId, answer: string | null): void {
  const view = currentView(session)
  if (!view) return
  const open = openSearch(view.kit, view.drum.id, view.side, view.practice)
  const search = open?.id ?? session.deps.newId()
  session.append([{ kind: 'faultAnswered', ...from(view), search, question, answer }])
}

/** The search is over; a cause that is a finding goes on the drum's record. */
export function endFaultSearch(session: Session, cause: CauseId | null, rods: readonly number[] = []): void {
  const view = currentView(session)
  const open = view && openSearch(view.kit, view.drum.id, view.side, view.practice)
  if (!view || !open) return
  session.append([{ kind: 'faultSearchEnded', ...from(view), search: open.id, cause }])
  const finding = cause && CAUSES[cause].finding
  if (finding) noteFinding(session, finding, FINDINGS[finding].rods ? rods : [])
}
