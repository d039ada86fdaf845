'use client'

import { useState } from 'react'
import { CAUSES, type Cause, type CauseId } from '@/core/fitting/causes'
import { FINDINGS } from '@/core/fitting/lookOver'
import { endFaultSearch } from '@/session/actions/findings'
import { goToStop } from '@/session/actions/kits'
import type { BenchView } from '@/session/benchView'
import type { StepId } from '@/core/status/steps'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { LugPicks } from '@/ui/LugPicks'
import { MainButton, Panel, Phrase } from '../../Frame'
import { EntryLink } from '../../../handbook/EntryLink'
import { CAUSE_ENTRY } from '@/handbook/links'

/** Where the mending of a cause is done: its step, and the button that goes there. */
const LEADS: Record<NonNullable<Cause['leads']>, { step: StepId; label: string }> = {
  fit: { step: 'fit', label: 'Fit a new head' },
  slack: { step: 'fit', label: 'Back to slack, another start' },
  pair: { step: 'heads', label: 'Go to both heads' },
  stand: { step: 'stand', label: 'Go to the stand' },
  snare: { step: 'snare', label: 'Go to the snare' },
  even: { step: 'even', label: 'Go on evening' },
}

/** The likeliest cause, what it means, what mends it; one button notes it and goes where it is mended. */
export function NamedPanel({
  view,
  drumRods,
  cause,
  sure,
  onFurther,
}: {
  view: BenchView
  drumRods: readonly number[]
  cause: CauseId
  sure: boolean
  onFurther: (() => void) | null
}) {
  const session = useSession()
  const [rods, setRods] = useState<readonly number[]>(drumRods)
  if (!session) return null
  const { label, means, fix, caution, finding, leads } = CAUSES[cause]
  const asksRods = finding ? FINDINGS[finding].rods : undefined
  const wanting = Boolean(asksRods) && rods.length === 0
  const end = (step: StepId | null) => {
    endFaultSearch(session, cause, rods)
    goToStop(session, { step: step ?? 'even', side: view.side })
  }
  return (
    <Panel
      over={sure ? 'most likely' : 'nothing more to ask; likeliest is'}
      big={<Phrase>{label}</Phrase>}
      next={null}
      acts={
        <>
          <MainButton disabled={wanting} onClick={() => end(leads ? LEADS[leads].step : null)}>
            {leads ? LEADS[leads].label : finding ? 'Note it on the drum' : 'That is it'}
          </MainButton>
          {leads ? (
            <Button disabled={wanting} onClick={() => end(null)}>
              {finding ? 'Only note it' : 'That is it, later'}
            </Button>
          ) : null}
          {onFurther ? <Button onClick={onFurther}>Ask on</Button> : null}
        </>
      }
    >
      <p className="text-lg leading-snug">{means}</p>
      <p className="mt-1 text-lg leading-snug font-bold">{fix}</p>
      {caution ? <p className="mt-1 leading-snug text-caution">{caution}</p> : null}
      <EntryLink entry={CAUSE_ENTRY[cause]} />
      {asksRods ? (
        <div className="mt-3">
          <p className="text-soft">Which rods?</p>
          <LugPicks lugs={view.drum.lugs} chosen={rods} onChange={setRods} label="Rod" />
        </div>
      ) : null}
    </Panel>
  )
}
