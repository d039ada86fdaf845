'use client'

import { useGo } from '@/ui/useGo'
import { judgedAsRead } from '@/session/selectors'
import dynamic from 'next/dynamic'
import { useEffect, useState } from 'react'
import type { Stop } from '@/core/status/steps'
import { chooseHead, keepBorrowed, removeKit } from '@/session/actions/kits'
import { kitStatus } from '@/core/status/kit'
import { nextOfKit } from '@/core/status/next'
import { hereOf } from '@/session/here'
import { useKit, useSelect, useSession } from '@/session/react'
import type { Drum } from '@/core/records/kit'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/commander'
import { HeldAgainst } from '../HeldAgainst'
import { WalkNote } from '../WalkNote'
import { KitMenu } from './KitMenu'
import { LastKnown } from './LastKnown'
import { keepPicture } from './lastPicture'
import { KitRail } from './KitRail'
import { nextText, summaryText } from './summaryText'
import { VerdictPart } from './VerdictPart'
import { NumbersHere } from '../handbook/NumbersHere'

const WelcomeScreen = dynamic(() => import('../welcome/WelcomeScreen').then((module) => module.WelcomeScreen))
const FirstOut = dynamic(() => import('./FirstOut').then((module) => module.FirstOut))
// Nothing of the form, its library and its checks is needed by who only looks.
const DrumDialog = dynamic(() => import('./DrumDialog').then((module) => module.DrumDialog))

/** How the kit looks is kept when it goes from the screen, for the moment before the log is read. */
function pictured(node: HTMLElement | null) {
  if (!node) return
  const keep = () => keepPicture(node.isConnected ? node.outerHTML : null)
  const hidden = () => document.visibilityState === 'hidden' && keep()
  document.addEventListener('visibilitychange', hidden)
  window.addEventListener('pagehide', keep)
  // Also for a browser that is killed.
  const soon = setTimeout(keep, PICTURE_MS)
  return () => {
    clearTimeout(soon)
    keepPicture(node.outerHTML)
    document.removeEventListener('visibilitychange', hidden)
    window.removeEventListener('pagehide', keep)
  }
}

const PICTURE_MS = 2000

/** The whole kit at a glance. */
export function KitScreen() {
  const session = useSession()
  const state = useSelect(({ clockMs, phase, settings }) => ({ clockMs, phase, settings }))
  const kit = useKit()
  const go = useGo()
  const { open } = useCommander()
  const [edited, setEdited] = useState<Drum | null>(null)
  const judged = useSelect(judgedAsRead)
  const gone = state.phase === 'ready' && !kit
  useEffect(() => {
    if (gone) keepPicture(null)
  }, [gone])

  if (!session || (state.phase === 'starting' && !kit)) return <LastKnown />
  if (!kit) return <WelcomeScreen />

  const here = hereOf(state, kit)
  const drums = kitStatus(here)
  const goTo = (drum: string, { side, step }: Stop) => {
    chooseHead(session, drum, side, step)
    go('/bench')
  }
  const next = nextOfKit(here, drums, state.settings.keys)
  const words = nextText(next, state.clockMs)
  const goOn = () => {
    if (!next) return
    if (next.what === 'run') return go('/run')
    if (next.what === 'plan') return go('/spacing')
    if (next.what === 'keep') return go('/sheets')
    if (next.what === 'age') return goTo(next.drum.id, { step: 'fit', side: 'resonant' })
    goTo(next.drum.id, { step: next.what === 'look' ? 'look' : 'even', side: next.side })
  }
  return (
    <div ref={pictured} className="px-4 pb-8 md:px-7">
      <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2 pt-3 md:pt-5">
        <div className="min-w-0">
          <div className="flex flex-wrap items-center gap-x-3">
            <h1 className="text-3xl font-bold md:text-4xl">{kit.name}</h1>
            <KitMenu />
            {kit.simulated ? <span className="font-bold text-caution">demo, simulated</span> : null}
            <HeldAgainst session={session} kit={kit} />
          </div>
          <p className="mt-1 text-lg">{summaryText(drums)}</p>
          <FirstOut kit={kit} nowMs={state.clockMs} />
          {kit.borrowed ? <Borrowed /> : null}
        </div>
        {words ? (
          <div className="max-w-xs text-right max-md:text-left">
            <Button tone="act" big onClick={goOn}>
              {words.act}
            </Button>
            <p className="mt-1 text-sm leading-snug text-soft">{words.why}</p>
          </div>
        ) : null}
      </div>

      {drums.length === 0 ? (
        <p className="mt-8 max-w-xl text-lg">
          No drum in this kit yet. Add one by kind and size; everything else is filled in and can be changed.
        </p>
      ) : (
        <>
          <WalkNote id="rail" className="mt-3" />
          <KitRail drums={drums} judged={judged} onOpen={goTo} onEdit={setEdited} />
          <VerdictPart judged={judged} names={new Map(kit.drums.map(({ id, name }) => [id, name]))} />
          <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-sm text-soft">
            <span>● batter lug pitch</span>
            <span>❙ resonant lug pitch</span>
            <span>hollow: foretold, not read</span>
            <span className="text-good">[ ] the sheet’s target</span>
            <span>├┤ spread, drawn ten times wider</span>
            <span className="text-good">bar: where the batter speaks, its best marked</span>
          </p>
          <NumbersHere of={['mean', 'spread', 'relation', 'range', 'tolerance', 'odds']} />
        </>
      )}
      <Button className="mt-4 mr-3" onClick={() => open('add-drum')}>
        Add a drum
      </Button>
      {edited ? <DrumDialog drum={edited} onClose={() => setEdited(null)} /> : null}
    </div>
  )
}

/** A kit for a night: planned and tuned fast, then kept or discarded. */
function Borrowed() {
  const session = useSession()
  const go = useGo()
  const { run } = useCommander()
  if (!session) return null
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-1">
      <span className="text-soft">Borrowed for a night:</span>
      <Button tone="quiet" className="underline" onClick={() => go('/spacing')}>
        plan it
      </Button>
      <Button
        tone="quiet"
        className="underline"
        onClick={() => {
          go('/bench')
          run('bench.fast')
        }}
      >
        fast routine
      </Button>
      <Button tone="quiet" className="underline" onClick={() => keepBorrowed(session)}>
        keep it
      </Button>
      <Button tone="quiet" className="underline" onClick={() => removeKit(session)}>
        discard it
      </Button>
    </p>
  )
}
