'use client'

import { useEffect, type ComponentType, type ReactNode } from 'react'
import { clsx } from 'clsx'
import { benchView, type BenchView } from '@/session/benchView'
import { kitOf, type SessionState } from '@/session/state'
import { readAgain } from '@/session/actions/readings'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/commander'
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
  const { starting, lugs, tall } = useSelect(frameOf)
  const hasKit = useSelect((state) => kitOf(state) !== null)
  const { open } = useCommander()
  useLugKeys(lugs)
  if (!session || starting) return <p className="p-8 text-soft">Opening the log…</p>
  if (lugs === 0) {
    return (
      <div className="p-8">
        <h1 className="text-4xl font-bold">No drum on the bench</h1>
        <p className="mt-3 text-lg">Add a drum to the kit first.</p>
        <Button tone="act" big className="mt-6" onClick={() => open(hasKit ? 'add-drum' : 'new-kit')}>
          {hasKit ? 'Add a drum' : 'Start a kit'}
        </Button>
      </div>
    )
  }
  return (
    <div
      className={clsx(
        'flex min-h-dvh flex-col md:h-dvh md:min-h-[640px]',
        // On a phone the buttons lie over the foot of the page: it scrolls clear of the tallest of them.
        tall ? 'max-md:pb-64' : 'max-md:pb-24',
      )}
    >
      <OfView part={RunBar} />
      <BenchHeader />
      <div className="flex min-h-0 flex-1 flex-col-reverse justify-end md:grid md:grid-cols-[minmax(0,1fr)_376px]">
        <OfView part={RimStrip} />
        <section
          aria-label="Next move"
          className="flex flex-col px-5 pt-3 pb-3 md:min-h-0 md:overflow-y-auto md:border-l md:border-line md:px-7 md:pt-6"
        >
          <OfView part={Panel} />
        </section>
      </div>
      <OfView part={Passes} />
    </div>
  )
}

/** What the frame of the place depends on: which parts there are, and how much room the foot takes. */
function frameOf(state: SessionState) {
  const view = benchView(state)
  const tall = view?.phase === 'read' && ['ear', 'microphone', 'ask'].includes(state.source)
  return { starting: state.phase === 'starting', lugs: view?.drum.lugs ?? 0, tall }
}

/** A part that shows the head on the bench, drawn again when that changed. */
function OfView({ part: Part }: { part: ComponentType<{ view: BenchView }> }) {
  const view = useBenchView()
  return view ? <Part view={view} /> : null
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
function useLugKeys(lugs: number) {
  const session = useSession()
  const enabled = useSelect(({ settings }) => settings.singleKeys)
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
