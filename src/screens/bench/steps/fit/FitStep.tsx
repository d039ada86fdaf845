'use client'

import { useState } from 'react'
import { starOrder } from '@/core/evening/order'
import { fitSteps } from '@/core/fitting/lookOver'
import { SLACK_SCHOOL_IDS, SLACK_SCHOOLS, type SlackSchoolId } from '@/core/head/slackStart'
import type { HeadRecord } from '@/core/records/kit'
import { headIsOn, slackened } from '@/session/actions/fitting'
import { goToStop } from '@/session/actions/kits'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { Frame } from '../../Frame'
import { FitPanel } from './FitPanel'
import { FitStrip } from './FitStrip'

/** Starts that trust how tight fingers feel. */
const BY_FINGERS: ReadonlySet<SlackSchoolId> = new Set(['fingers', 'ear'])

/** What goes on the drum, and how it is begun. */
export interface Fitting {
  kind: 'new' | 'same'
  pliesMils: number[]
  coating: HeadRecord['coating']
  markTurns: number
  school: SlackSchoolId
}

const day = (ms: number) => new Date(ms).toISOString().slice(0, 10)

/** Fitting a head: steps with what to check at each, up to the slack start; or only back to slack with the head that is on. */
export function FitStep() {
  const session = useSession()
  const view = useBenchView()
  const slackSchool = useSelect((state) => state.settings.slackSchool)
  const own = view?.drum[view.side]
  // A rod whose finger-tight lies takes the starts by fingers off the list.
  const lies = view?.head.findings.some(({ finding }) => finding === 'dirty') ?? false
  const starts = SLACK_SCHOOL_IDS.filter((id) => !lies || !BY_FINGERS.has(id))
  const [fitting, setFitting] = useState<Fitting>({
    kind: lies ? 'same' : 'new',
    pliesMils: own?.pliesMils ?? [10],
    coating: own?.coating ?? 'clear',
    markTurns: view?.head.markTurns ?? 0,
    school: starts.includes(slackSchool) ? slackSchool : starts[0],
  })
  const [ticked, setTicked] = useState<readonly string[]>([])
  if (!session || !view || !own) return null
  const steps = fitSteps(SLACK_SCHOOLS[fitting.school].how).filter(
    ({ id }) => fitting.kind === 'new' || id === 'start',
  )
  const done = () => {
    const { kind, pliesMils, coating, markTurns, school } = fitting
    if (kind === 'new') {
      const head = { ...own, pliesMils, coating, fittedOn: day(session.deps.nowMs()) }
      headIsOn(session, { head, markTurns, school })
    } else slackened(session, school)
    goToStop(session, { step: 'even', side: view.side })
  }
  const tick = (id: string) =>
    setTicked((now) => (now.includes(id) ? now.filter((each) => each !== id) : [...now, id]))
  return (
    <Frame
      strip={<FitStrip steps={steps} ticked={ticked} onTick={tick} groups={starOrder(view.drum.lugs)} />}
      panel={
        <FitPanel
          view={view}
          fitting={fitting}
          starts={starts}
          step={steps.find(({ id }) => !ticked.includes(id)) ?? steps[steps.length - 1]}
          last={steps.filter(({ id }) => !ticked.includes(id)).length <= 1}
          onChange={setFitting}
          onTick={tick}
          onDone={done}
        />
      }
    />
  )
}
