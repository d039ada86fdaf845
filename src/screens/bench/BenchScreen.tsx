'use client'

import { useEffect } from 'react'
import { isEvening, jobView } from '@/session/jobView'
import { benchView } from '@/session/benchView'
import { kitOf, type SessionState } from '@/session/state'
import { readAgain } from '@/session/actions/readings'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import '@/commands/bench'
import { useCommander } from '../shell/commander'
import { WalkNote } from '../WalkNote'
import { Announcer } from './Announcer'
import { BenchHeader } from './BenchHeader'
import { ElsewherePart } from './Elsewhere'
import { useTop } from './Frame'
import { JobLine } from './JobLine'
import { RunBar } from './RunBar'
import { fetchSteps, STEP_SCREENS } from './steps'
import { useAddress } from './useAddress'
import { useFocusKept } from './useFocusKept'

/** One drum, one step of its job at a time, as the address says. */
export function BenchScreen() {
  const session = useSession()
  const { starting, drum, lugs } = useSelect(frameOf)
  const { elsewhere, stay } = useAddress()
  useLugKeys(lugs)
  const focusKept = useFocusKept()
  useEffect(() => fetchSteps(), [])
  if (!session || starting) return <p className="p-8 text-soft">Opening the log…</p>
  if (elsewhere) return <ElsewherePart {...elsewhere} onStay={stay} />
  if (!drum) return <NoDrum />
  return (
    <div
      ref={focusKept}
      className="flex min-h-dvh flex-col max-md:pb-[calc(var(--bar,64px)+8px)] md:h-dvh md:min-h-[760px] md:max-lg:portrait:h-auto md:max-lg:portrait:min-h-dvh"
    >
      <RunBar />
      <BenchHeader />
      <JobLine />
      <WalkNote id="line" className="mx-2 mt-1 md:mx-6" />
      <StepPart />
      <Announcer />
    </div>
  )
}

/** What the frame of the place depends on. */
function frameOf(state: SessionState) {
  const view = benchView(state)
  return { starting: state.phase === 'starting', drum: view?.drum.id ?? null, lugs: view?.drum.lugs ?? 0 }
}

/** The step at hand: begun anew on another drum or head. */
function StepPart() {
  const at = useSelect((state) => jobView(state)?.at.step ?? null)
  const head = useSelect((state) => {
    const view = benchView(state)
    return view && `${view.kit.id}/${view.drum.id}/${view.side}`
  })
  useTop(at && `${at}/${head}`)
  if (!at) return null
  const Screen = STEP_SCREENS[at]
  return <Screen key={`${at}/${head}`} />
}

function NoDrum() {
  const hasKit = useSelect((state) => kitOf(state) !== null)
  const { run } = useCommander()
  return (
    <div className="p-8">
      <h1 className="text-4xl font-bold">No drum on the bench</h1>
      <p className="mt-3 text-lg">Add a drum to the kit first.</p>
      <Button tone="act" big className="mt-6" onClick={() => run(hasKit ? 'kit.addDrum' : 'kit.new')}>
        {hasKit ? 'Add a drum' : 'Start a kit'}
      </Button>
    </div>
  )
}

/** Digits choose a lug while a head is evened: 1 to 9, 0 for the tenth. */
function useLugKeys(lugs: number) {
  const session = useSession()
  const enabled = useSelect((state) => state.settings.singleKeys && isEvening(state))
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
