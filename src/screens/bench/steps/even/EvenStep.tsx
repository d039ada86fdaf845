'use client'

import type { ReactNode } from 'react'
import type { BenchView } from '@/session/benchView'
import { useBenchView } from '@/session/benchReact'
import { Frame, Acts, Phrase } from '../../Frame'
import { BedPanel } from './BedPanel'
import { ClimbPanel } from './ClimbPanel'
import { DisagreePanel } from './DisagreePanel'
import { DonePanel } from './DonePanel'
import { ReadPanel } from './ReadPanel'
import { RimStrip } from './RimStrip'
import { TurnPanel } from './TurnPanel'
import { keepHere, toAim } from '@/session/actions/turning'
import { useSession, useSelect } from '@/session/react'
import { statusText } from '@/text/status'
import { aimedText } from '@/text/said'
import { turnsLabel } from '@/text/turns'
import { Button } from '@/ui/Button'
import { useCommander } from '@/screens/shell/commander'
import { readAgain } from '@/session/actions/readings'
import { settlingText } from '@/text/fitting'
import { clsx } from 'clsx'
import { Big } from '@/screens/bench/Big'
import { isRead } from '@/core/log/sittings'
import { tellsEvenness } from '@/core/status/head'
import { turnsText } from './passText'
import { RotateCw } from 'lucide-react'
import { Pick } from '@/ui/Pick'
import { KeysPick } from './KeysPick'

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
    case 'bed':
      return <BedPanel view={view} />
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

/** Something was turned that the plan had not asked for: it is believed, and what comes next is the user's to say. */
function SaidPanel({ view }: { view: BenchView }) {
  const session = useSession()
  const { run } = useCommander()
  const { head, lastTurn } = view
  if (!session || !lastTurn) return null
  const said = turnsLabel(lastTurn)
  return (
    <>
      <p className="text-soft">turned otherwise</p>
      <Phrase>{`${said[0].toUpperCase()}${said.slice(1)}`}</Phrase>
      <p className="mt-3 text-lg leading-snug">
        It is {statusText(head)}: read it to be sure. {aimedText(head)}
      </p>
      <Acts>
        <Button tone="act" big className="flex-1 md:flex-none" onClick={() => run('bench.pressed')}>
          Pressed
        </Button>
        <Button big className="px-3.5 text-base font-normal" onClick={() => keepHere(session)}>
          Keep it here
        </Button>
        <Button big className="px-3.5 text-base font-normal" onClick={() => toAim(session)}>
          {head.targetHz === null ? 'Even it out' : 'Back to the aim'}
        </Button>
      </Acts>
    </>
  )
}

/** All rods of the pass are turned: the film has to slide over the edge before it can be read. */
function PressPanel({ view }: { view: BenchView }) {
  const session = useSession()
  const { run } = useCommander()
  // Nothing was turned: a fresh head is pressed to let it sink.
  const settling = view.turnedNow ? null : view.settling
  const snareSide = view.drum.kind === 'snare' && view.side === 'resonant'
  return (
    <>
      <p className="text-soft">{settling ? 'even, not settled yet' : 'all moves made'}</p>
      <Big>Press</Big>
      {settling ? <p className="mt-3 text-lg leading-snug">{settlingText(settling)}</p> : null}
      <p className={clsx('mt-3 leading-snug', settling ? 'text-soft' : 'text-lg')}>
        {snareSide
          ? 'A light push on the middle with the flat of the fingers, never with force on this thin head. Then read it again.'
          : settling
            ? 'Once, firmly, with the flat hand on the middle.'
            : 'The middle of the head with the flat hand, a few times, firmly. Film and edge stick; pressing lets the turn show.'}
      </p>
      <Acts>
        <Button tone="act" big className="flex-1 md:flex-none" onClick={() => run('bench.pressed')}>
          Pressed
        </Button>
        <Button
          big
          className="px-3.5 text-base font-normal whitespace-nowrap"
          onClick={() => session && readAgain(session, 1)}
        >
          {settling ? 'Check a lug' : 'Read without'}
        </Button>
      </Acts>
    </>
  )
}

/** The newest passes have room. */
const SHOWN = 3

/** How the head got here: a bar a pass, filled where read, hollow where expected. */
function Passes({ view }: { view: BenchView }) {
  const all = view.sitting?.passes ?? []
  const believed = view.advice?.plan.roundSpreadsCents ?? []
  // The adviser answers for the newest rounds: counted from the end.
  const rows = all
    .map((pass, i) => {
      // A lug or two, or one number, say nothing of evenness.
      const told = tellsEvenness(all.slice(0, i + 1), view.drum.lugs)
      return { pass, spread: told ? (believed.at(i - all.length) ?? null) : null }
    })
    .filter(({ pass }) => isRead(pass))
  const passes = rows.map(({ pass }) => pass)
  const disagree = view.advice?.plan.reason === 'readings-disagree'
  const spreads = rows.map(({ spread }, i) => (disagree && i === rows.length - 1 ? null : spread))
  if (rows.length === 0 && view.phase === 'read') return null
  const widest = Math.max(20, ...spreads.map((spread) => spread ?? 0))
  const offset = Math.max(0, passes.length - SHOWN)
  return (
    <section
      aria-label="Passes"
      className="hidden shrink-0 items-center gap-6 border-t border-line px-7 py-3 md:flex"
    >
      <ol className="grid min-w-0 flex-1 gap-6 lg:grid-cols-3">
        {passes.slice(-SHOWN).map((pass, i) => {
          const number = i + offset
          const spread = spreads[number]
          return (
            <li key={number} className="not-last:max-lg:hidden">
              <p className="flex justify-between gap-3">
                <span className="font-bold">{number === 0 ? 'as found' : `pass ${number}`}</span>
                {spread !== null ? <span>spread {Math.round(spread)} c</span> : null}
              </p>
              <div
                aria-hidden
                className="mt-1 h-2.5 bg-ink"
                style={{ width: `${(100 * (spread ?? 0)) / widest}%`, minWidth: 3 }}
              />
              <p className="mt-1.5 truncate text-[15px] text-soft">{turnsText(pass.turns)}</p>
            </li>
          )
        })}
      </ol>
      <WorkingPicks />
    </section>
  )
}

const STEPS = [
  { value: '0.125', label: '1/8 turn' },
  { value: '0.25', label: '1/4 turn' },
  { value: '0.5', label: '1/2 turn' },
  { value: '1', label: 'a full turn' },
]

/** How this hand works: keys, and the largest step of a pass. */
function WorkingPicks() {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  if (!session) return null
  return (
    <div className="hidden items-center gap-5 md:flex">
      <KeysPick />
      <Pick
        label="at most"
        value={String(settings.largestStepTurns)}
        items={STEPS}
        onChange={(value) => session.setSettings({ largestStepTurns: Number(value) })}
      />
      <button
        type="button"
        aria-pressed={settings.turnDrum}
        aria-label="The drum is turned so that the next rod faces me"
        title="The drum is turned so that the next rod faces me"
        onClick={() => session.setSettings({ turnDrum: !settings.turnDrum })}
        className={clsx(
          'flex size-11 items-center justify-center border-b-[3px]',
          settings.turnDrum ? 'border-ink text-ink' : 'border-transparent text-soft hover:text-ink',
        )}
      >
        <RotateCw aria-hidden size={20} />
      </button>
    </div>
  )
}
