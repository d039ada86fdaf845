'use client'

import { useState } from 'react'
import { fastRoutine } from '@/core/fitting/fast'
import { climbFromSlack } from '@/session/fitView'
import { useBenchView } from '@/session/benchReact'
import { useSelect } from '@/session/react'
import { Frame } from '../../Frame'
import { FastPanel } from './FastPanel'
import { FastStrip } from './FastStrip'

/** The fast routine: a usable sound in about five minutes a drum, with what it leaves out said first. */
export function FastStep() {
  const view = useBenchView()
  const settings = useSelect((state) => state.settings)
  const [asked, setAsked] = useState<'other' | 'play'>('other')
  if (!view) return null
  const climb = climbFromSlack(view, settings.largestStepTurns)
  const { steps, minutes } = fastRoutine({
    lugs: view.drum.lugs,
    keys: settings.keys,
    rounds: climb?.rounds ?? [0.5],
  })
  // Tuned since it was slack: what is left is the other head, and to play it.
  const tuned = Boolean(view.sitting?.slack) && view.phase === 'done'
  const at = tuned ? asked : view.sitting?.slack ? 'pass' : 'fingers'
  return (
    <Frame
      strip={<FastStrip steps={steps} at={at} keys={settings.keys} minutes={minutes} />}
      panel={<FastPanel view={view} at={at} onAsk={setAsked} />}
    />
  )
}
