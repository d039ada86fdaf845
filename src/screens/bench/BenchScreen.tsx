'use client'

import { useEffect, useState, useRef, type RefObject } from 'react'
import { isEvening, jobView } from '@/session/jobView'
import { benchView } from '@/session/benchView'
import { kitOf, type SessionState } from '@/session/state'
import { readAgain } from '@/session/actions/readings'
import { useSelect, useSession, useKit } from '@/session/react'
import { Button } from '@/ui/Button'
import '@/commands/bench'
import { useCommander } from '../shell/commander'
import { WalkNote } from '../WalkNote'
import { BenchHeader } from './BenchHeader'
import { useTop } from './Frame'
import { JobLine } from './JobLine'
import { RunBar } from './RunBar'
import { fetchSteps, STEP_SCREENS } from './steps'
import { useAddress, type Elsewhere } from './useAddress'
import { sayAloud } from '@/session/actions/speak'
import { announcedOf } from '@/session/announced'
import { chooseHead, chooseKit } from '@/session/actions/kits'

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

/** The one voice of the Bench for who does not see it: each reading once, then what is asked for; aloud where that is wanted. */
function Announcer() {
  const session = useSession()
  const [said, setSaid] = useState('')
  useEffect(() => {
    if (!session) return
    let before = announcedOf(session.get())
    return session.store.subscribe(() => {
      const now = announcedOf(session.get())
      if (now === before) return
      const read = now.tap !== before.tap && now.reading !== ''
      const asks = now.asked !== '' && (read || now.asked !== before.asked)
      // While the next move is worked out nothing is asked: it is told when it is there.
      before = now.asked === '' ? { ...now, asked: before.asked } : now
      if (!read && !asks) return
      setSaid([read ? now.reading : '', asks ? now.asked : ''].filter(Boolean).join('; '))
      // A tap's own words are spoken where it was heard.
      if (!read) void sayAloud(session, now.asked)
    })
  }, [session])
  return (
    <p role="status" aria-live="polite" aria-label="What was read, and what comes next" className="sr-only">
      {said}
    </p>
  )
}

/** An address whose drum is of another kit, or gone: said, with the ways on. Nothing is changed before one is taken. */
function ElsewherePart({ drum, side, step, kit, onStay }: Elsewhere & { onStay: () => void }) {
  const session = useSession()
  const here = useKit()
  if (!session) return null
  const first = here?.drums[0]
  return (
    <div className="max-w-2xl p-8">
      <h1 className="text-4xl font-bold">{kit ? kit.drum : 'No such drum'}</h1>
      <p className="mt-3 text-lg leading-snug">{elsewhereText(kit, here?.name ?? null)}</p>
      <div className="mt-6 flex flex-wrap gap-3">
        {kit ? (
          <Button
            tone="act"
            big
            onClick={() => {
              chooseKit(session, kit.id)
              chooseHead(session, drum, side, step)
            }}
          >
            Open {kit.name}
          </Button>
        ) : null}
        {first ? (
          <Button big tone={kit ? 'line' : 'act'} onClick={onStay}>
            Stay with {here.name}
          </Button>
        ) : null}
      </div>
    </div>
  )
}

/** An address that names a drum which is not in the kit on screen. */
function elsewhereText(kit: { name: string; drum: string } | null, here: string | null): string {
  const stays = here ? ` The kit on screen is ${here}.` : ''
  return kit
    ? `This address is of ${kit.drum} in the kit ${kit.name}.${stays}`
    : `The drum of this address is in no kit on this device: it was removed, or the address comes from another device.${stays}`
}

const REACHED = 'button, a, input, select, textarea, [tabindex]'

/** The next thing to do: the first of the panel's buttons or fields, else the panel itself. */
const MAIN = '[data-acts] input:not(:disabled), [data-acts] button:not(:disabled)'

/**
 * Focus goes where the work goes: when what had it is gone (a move was made, a step was left), the next thing to do takes it. It never
 * falls to the page's body, from where a keyboard would have to begin anew.
 */
function useFocusKept(): RefObject<HTMLDivElement | null> {
  const root = useRef<HTMLDivElement>(null)
  useEffect(() => {
    let within = false
    const entered = (event: FocusEvent) => {
      // In a window it is on its way back.
      if ((event.target as Element).closest('[role=dialog]')) return
      within = root.current?.contains(event.target as Node) ?? false
    }
    // A click beside everything lets the focus go, and means it.
    const pressed = (event: PointerEvent) => {
      if (!(event.target as Element).closest(REACHED)) within = false
    }
    const look = () => {
      if (!within || !root.current) return
      const panel = root.current.querySelector<HTMLElement>('[data-panel]')
      // The panel holds it while the next thing is worked out.
      const lost = document.activeElement === document.body
      if (!lost && document.activeElement !== panel) return
      const main = root.current.querySelector<HTMLElement>(MAIN)
      ;(main ?? (lost ? panel : null))?.focus({ preventScroll: true })
    }
    const observer = new MutationObserver(look)
    document.addEventListener('focusin', entered)
    document.addEventListener('pointerdown', pressed)
    observer.observe(document.body, { childList: true, subtree: true })
    return () => {
      document.removeEventListener('focusin', entered)
      document.removeEventListener('pointerdown', pressed)
      observer.disconnect()
    }
  }, [])
  return root
}
