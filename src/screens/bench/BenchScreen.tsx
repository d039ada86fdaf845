'use client'

import { useEffect, type ReactNode } from 'react'
import { clsx } from 'clsx'
import { type BenchView } from '@/session/benchView'
import { readAgain } from '@/session/actions/readings'
import { useBenchView, useKit, useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/CommandProvider'
import { BenchHeader } from './BenchHeader'
import { ClimbPanel } from './ClimbPanel'
import { DisagreePanel } from './DisagreePanel'
import { DonePanel } from './DonePanel'
import { Passes } from './Passes'
import { PressPanel } from './PressPanel'
import { ReadPanel } from './ReadPanel'
import { RimStrip } from './RimStrip'
import { RunBar } from './RunBar'
import { TurnPanel } from './TurnPanel'

/** One drum, one head at a time: read, turn, read. */
export function BenchScreen() {
  const session = useSession()
  const state = useSelect(({ phase, source }) => ({ phase, source }))
  const kit = useKit()
  const { open } = useCommander()
  const shown = useBenchView()
  const view = session && state.phase !== 'starting' ? shown : null
  useLugKeys(view)
  if (!session || state.phase === 'starting') return <p className="p-8 text-soft">Opening the log…</p>
  if (!view) {
    return (
      <div className="p-8">
        <h1 className="text-4xl font-bold">No drum on the bench</h1>
        <p className="mt-3 text-lg">Add a drum to the kit first.</p>
        <Button tone="act" big className="mt-6" onClick={() => open(kit ? 'add-drum' : 'new-kit')}>
          {kit ? 'Add a drum' : 'Start a kit'}
        </Button>
      </div>
    )
  }
  return (
    <div
      className={clsx(
        'flex min-h-dvh flex-col md:h-dvh md:min-h-[640px]',
        // On a phone the buttons lie over the foot of the page: it scrolls clear of the tallest of them.
        view.phase === 'read' && ['ear', 'microphone', 'ask'].includes(state.source)
          ? 'max-md:pb-64'
          : 'max-md:pb-24',
      )}
    >
      <RunBar view={view} />
      <BenchHeader view={view} />
      <div className="flex min-h-0 flex-1 flex-col-reverse justify-end md:grid md:grid-cols-[minmax(0,1fr)_376px]">
        <RimStrip view={view} />
        <section
          aria-label="Next move"
          className="flex flex-col px-5 pt-3 pb-3 md:min-h-0 md:overflow-y-auto md:border-l md:border-line md:px-7 md:pt-6"
        >
          <Panel view={view} />
        </section>
      </div>
      <Passes view={view} />
    </div>
  )
}

function Panel({ view }: { view: BenchView }): ReactNode {
  switch (view.phase) {
    case 'read':
      return <ReadPanel view={view} />
    case 'climb':
      return <ClimbPanel view={view} />
    case 'turn':
      return <TurnPanel view={view} />
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

/** Digits choose a lug: 1 to 9, 0 for the tenth. */
function useLugKeys(view: BenchView | null) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const lugs = view?.drum.lugs ?? 0
  const enabled = settings.singleKeys
  useEffect(() => {
    if (!session || !enabled) return
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.ctrlKey || event.metaKey || event.altKey || !/^\d$/.test(event.key)) return
      if (target.closest('input, textarea, select, [role="dialog"]')) return
      const lug = event.key === '0' ? 10 : Number(event.key)
      if (lug <= lugs) readAgain(session, lug)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [session, enabled, lugs])
}
