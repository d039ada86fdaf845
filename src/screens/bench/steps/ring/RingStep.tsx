'use client'

import { strokesOf } from '@/core/status/strokes'
import { isOpen } from '@/core/status/next'
import { jobView } from '@/session/jobView'
import { useBenchView } from '@/session/benchReact'
import { useSelect } from '@/session/react'
import { ringPanelText } from '@/text/strokes'
import { Frame, Panel, Phrase } from '../../Frame'
import { StrokePart } from '../../StrokePart'
import { Muffling } from './Muffling'
import { RingStrip } from './RingStrip'

/** How long the drum rings, bare and under what is laid on it; one stroke more after every change. */
export function RingStep() {
  const view = useBenchView()
  const job = useSelect((state) => jobView(state)?.job ?? null)
  if (!view) return null
  const strokes = strokesOf(view.kit, view.drum, view.practice)
  const struck = job !== null && !isOpen(job, { step: 'ring', side: view.side })
  return (
    <Frame
      strip={<RingStrip view={view} strokes={strokes} />}
      panel={
        <Panel
          over="both heads free"
          big={<Phrase>Strike the centre</Phrase>}
          next={struck ? 'first' : 'last'}
          acts={<StrokePart view={view} label={struck ? 'Strike it again' : 'Strike it'} main={!struck} />}
        >
          <p className="leading-snug">{ringPanelText(view.drum.kind)}</p>
          <Muffling view={view} />
        </Panel>
      }
    />
  )
}
