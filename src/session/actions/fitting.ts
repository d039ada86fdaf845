import { likelyHz } from '@/core/status/head'
import { NO_BENCH } from '../state'
import { targetMeanHz } from '@/core/evening/types'
import type { SlackSchoolId } from '@/core/head/slackStart'
import type { HeadRecord } from '@/core/records/kit'
import { shiftByCents } from '@/core/units/pitch'
import type { BenchView } from '../benchView'
import { type Session } from '../session'
import { slackenPractice } from './practice'
import { currentView } from '../currentView'
import { kitEdit } from './edits'

const from = ({ drum, side, practice }: BenchView) => ({
  drum: drum.id,
  side,
  source: practice ? ('practice' as const) : ('hand' as const),
  algorithm: null,
})

export interface FittedHead {
  head: HeadRecord
  /** Where its mark lies against the badge, in turns of the drum clockwise. */
  markTurns: number
  school: SlackSchoolId
}

/** A new head is on and its rods stand at the slack start. */
export function headIsOn(session: Session, { head, markTurns, school }: FittedHead): void {
  const view = currentView(session)
  if (!view) return
  const sameFilm = head.pliesMils.join() === view.drum[view.side].pliesMils.join()
  session.together('the new head', () => {
    session.append([
      { kind: 'headFitted', ...from(view), head, sameFilm, markTurns },
      { kind: 'slackStarted', ...from(view), school },
      ...aimed(view),
    ])
    begun(session, view, school, true)
  })
}

/** All rods of the head that is on were brought back to a slack start. */
export function slackened(session: Session, school: SlackSchoolId): void {
  const view = currentView(session)
  if (!view) return
  session.together('the start from slack', () => {
    session.append([{ kind: 'slackStarted', ...from(view), school }, ...aimed(view)])
    begun(session, view, school, false)
  })
}

/** A head that is only to be even has no pitch to climb to: it goes back to where it stood, or to what is usual. */
function aimed({ drum, side, head, request }: BenchView) {
  if (!('level' in request.target)) return []
  const hz = likelyHz(head)
  const aim = { kind: 'hz' as const, hz: Math.round(10 * hz) / 10 }
  return [kitEdit({ what: 'aimSet', drum: drum.id, side, aim })]
}

function begun(session: Session, view: BenchView, school: SlackSchoolId, fresh: boolean): void {
  session.setSettings({ slackSchool: school })
  session.set({ bench: NO_BENCH })
  if (view.practice) slackenPractice(session, view.drum, view.side, school, fresh)
}

/** Aims so many cents above where the head is to end, since a fresh film sinks. */
export function aimAbove(session: Session, cents: number): void {
  const view = currentView(session)
  const hz = view && targetMeanHz(view.request.target)
  if (!view || !hz) return
  const aim = { kind: 'hz' as const, hz: Math.round(10 * shiftByCents(hz, cents)) / 10 }
  session.append([kitEdit({ what: 'aimSet', drum: view.drum.id, side: view.side, aim })])
}
