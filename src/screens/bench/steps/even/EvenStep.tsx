'use client'

import type { ReactNode } from 'react'
import type { BenchView } from '@/session/benchView'
import { useBenchView } from '@/session/benchReact'
import { Frame } from '../../Frame'
import { ClimbPanel } from './ClimbPanel'
import { DisagreePanel } from './DisagreePanel'
import { DonePanel } from './DonePanel'
import { Passes } from './Passes'
import { PressPanel } from './PressPanel'
import { ReadPanel } from './ReadPanel'
import { RimStrip } from './RimStrip'
import { SaidPanel } from './SaidPanel'
import { TurnPanel } from './TurnPanel'

/** One head evened: read, turn, press, read again. */
export function EvenStep() {
  const view = useBenchView()
  if (!view) return null
  return (
    <Frame strip={<RimStrip view={view} />} panel={<Phase view={view} />} foot={<Passes view={view} />} />
  )
}

function Phase({ view }: { view: BenchView }): ReactNode {
  switch (view.phase) {
    case 'read':
      return <ReadPanel view={view} />
    case 'climb':
      return <ClimbPanel view={view} />
    case 'turn':
      return <TurnPanel view={view} />
    case 'said':
      return <SaidPanel view={view} />
    case 'press':
      return <PressPanel view={view} />
    case 'done':
      return view.advice?.plan.reason === 'readings-disagree' ? (
        <DisagreePanel view={view} />
      ) : (
        <DonePanel view={view} />
      )
  }
}
