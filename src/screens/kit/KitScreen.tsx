'use client'

import { useGo } from '@/ui/useGo'
import { judgedAsRead } from '@/session/selectors'
import dynamic from 'next/dynamic'
import { useEffect, useState } from 'react'
import type { Stop } from '@/core/status/steps'
import { chooseHead, keepBorrowed, removeKit, chooseKit } from '@/session/actions/kits'
import { kitStatus } from '@/core/status/kit'
import { nextOfKit } from '@/core/status/next'
import { hereOf } from '@/session/here'
import { kitsListed } from '@/session/kitsListed'
import { useKit, useSelect, useSession } from '@/session/react'
import type { Drum, Side } from '@/core/records/kit'
import { Button } from '@/ui/Button'
import { useCommander, useEnabled } from '../shell/commander'
import { HeldAgainst } from '../HeldAgainst'
import { WalkNote } from '../WalkNote'
import { LastKnown } from './LastKnown'
import { keepPicture } from './lastPicture'
import { KitRail } from './KitRail'
import { nextText, summaryText } from './summaryText'
import { NumbersHere } from '../handbook/NumbersHere'
import { ChevronDown } from 'lucide-react'
import { Menu, MENU_ITEM } from '@/ui/Menu'
import type { KitVerdict, Move } from '@/core/spacing/verdict'
import { setAim } from '@/session/actions/sheets'
import { mendsText, moveText, verdictText } from '@/text/verdict'
import { EntryLink } from '../handbook/EntryLink'
import { VERDICT_ENTRY } from '@/handbook/links'

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
          {kit.owner || kit.job ? (
            <p className="text-soft">{[kit.owner, kit.job].filter(Boolean).join(', ')}</p>
          ) : null}
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

const COMMANDS = [
  { id: 'kit.new', label: 'Start a new kit' },
  { id: 'kit.demo', label: 'Look round the demo' },
  { id: 'kit.leaveDemo', label: 'Put the demo away' },
  { id: 'kit.borrowed', label: 'A borrowed kit, from sizes' },
  { id: 'kit.rename', label: 'Name, owner and job' },
  { id: 'export', label: 'Export to a file' },
  { id: 'import', label: 'Import a file' },
  { id: 'kit.away', label: 'Put this kit away' },
  { id: 'kit.remove', label: 'Remove this kit' },
  { id: 'kit.restore', label: 'Bring back the kit removed last' },
]

const IDS = COMMANDS.map(({ id }) => id)
/** Those touched last; the others are found under All kits. */
const NEWEST_KITS = 5

/** Other kits, and what can be done with this one. */
function KitMenu() {
  const session = useSession()
  const logs = useSelect((state) => state.logs)
  const kit = useKit()
  const { run } = useCommander()
  const isEnabled = useEnabled(IDS)
  return (
    <Menu
      className="flex min-h-11 items-center gap-1 px-2 text-soft hover:text-ink"
      contentClass="min-w-64"
      button={
        <>
          Kits <ChevronDown aria-hidden size={18} />
        </>
      }
    >
      {({ Item }) => (
        <>
          {kitsListed(logs)
            .filter((each) => each.kit.id !== kit?.id && !each.kit.archived)
            .slice(0, NEWEST_KITS)
            .map(({ kit: { id, name } }) => (
              <Item key={id} className={MENU_ITEM} onSelect={() => session && chooseKit(session, id)}>
                Open {name}
              </Item>
            ))}
          <Item className={MENU_ITEM} onSelect={() => run('kit.all')}>
            All kits
          </Item>
          {COMMANDS.filter(({ id }) => isEnabled(id)).map(({ id, label }) => (
            <Item key={id} className={MENU_ITEM} onSelect={() => run(id)}>
              {label}
            </Item>
          ))}
        </>
      )}
    </Menu>
  )
}

/** What does not fit together in the kit, each with the one move that mends it; the move that mends most first and large. */
function VerdictPart({ judged, names }: { judged: KitVerdict; names: ReadonlyMap<string, string> }) {
  const session = useSession()
  const kit = useKit()
  const go = useGo()
  const { verdicts, moves, best } = judged
  if (!session || !kit || verdicts.length === 0) return null
  const take = ({ drum: id, head, toHz, resonant }: Move) => {
    const drum = kit.drums.find((each) => each.id === id)
    if (!drum) return
    const aim = (side: Side, hz: number) =>
      setAim(session, drum, side, { kind: 'hz', hz: Math.round(10 * hz) / 10 })
    const first = head === 'resonant' ? 'resonant' : 'batter'
    aim(first, toHz)
    if (resonant) aim('resonant', resonant.toHz)
    chooseHead(session, id, first)
    go('/bench')
  }
  return (
    <section aria-label="What does not fit together" className="mt-5 border-t border-line pt-3">
      {best ? (
        <div className="flex flex-wrap items-center justify-between gap-x-8 gap-y-2">
          <p className="min-w-0">
            <span className="block text-3xl leading-tight font-extrabold">{moveText(best, names)}</span>
            <span className="text-soft">{mendsText(best)}</span>
          </p>
          <Button big onClick={() => take(best)}>
            Take it to the bench
          </Button>
        </div>
      ) : null}
      <ul className="mt-2">
        {verdicts.map((verdict, i) => {
          const move = moves[i]
          return (
            <li
              key={i}
              className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1 leading-snug"
            >
              <span className="font-bold text-caution">{verdictText(verdict, names)}</span>
              <EntryLink entry={VERDICT_ENTRY[verdict.what]} className="text-[15px]" />
              {move && best?.mends.includes(i) !== true ? (
                <Button tone="quiet" className="underline" onClick={() => take(move)}>
                  {moveText(move, names)}
                </Button>
              ) : move ? null : (
                <span className="text-soft">
                  No one drum mends it without another fault: plan the kit anew under Spacing.
                </span>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}
