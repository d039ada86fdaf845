'use client'

import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import { readCount } from '@/commands/when'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { adviceText } from '@/text/advice'
import { checkText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { useCommander, useEnabled } from '../../../shell/commander'
import { Acts } from '../../Frame'
import { Big, Light } from '../../Big'
import { HeardDoubts, HeardLines, OtherHeadAsk } from './HeardLines'
import { WalkNote } from '../../../WalkNote'
import { SourcePart } from './SourcePart'
import { Doubts } from './Doubts'
import { lookText, useMapLook } from '../../useMapLook'
import { EntryLink } from '../../../handbook/EntryLink'
import { REASON_ENTRY } from '@/handbook/links'
import { chooseSource } from '@/session/actions/said'
import { SOURCES } from '@/screens/sources'

/** Asks for the next lug, from the chosen source. */
export function ReadPanel({ view }: { view: BenchView }) {
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.moveOn'] as const)
  const look = useMapLook()
  const source = useSelect((state) => state.source)
  const read = view.turnedNow ? 0 : readCount(view)
  if (source === 'ask') return <SourceAsk />
  const wanting = view.advice?.plan.reason === 'need-readings' && read >= view.drum.lugs
  return (
    <>
      <p className="text-soft">
        {view.climb?.stage === 'check' ? 'a check on the way up: ' : ''}
        {read} of {view.lugsWanted} lugs read
      </p>
      <div className="flex items-start justify-between">
        <div className="-ml-3.5">
          <Big>
            <Light>{source === 'typed' || source === 'gauge' ? 'lug' : 'tap'}</Light>
            {view.lug}
          </Big>
        </div>
        <div className="-mt-7 -mr-2 hidden md:block">
          <KeyMap
            model={keyMapModel(150, new Array<number>(view.drum.lugs).fill(0), view.lug, null, look)}
            label={`Lug ${view.lug} on the drum, ${lookText(look)}`}
          />
        </div>
      </div>
      {view.climb?.stage === 'check' ? <p className="mt-2 leading-snug">{checkText(view.climb)}</p> : null}
      <p className="mt-2 text-soft">
        {source === 'gauge'
          ? 'The foot of the gauge as far in from the hoop at every lug; the other head lying free of pressure.'
          : read === 0
            ? `Two fingers in from the hoop, a fingertip resting on the middle without pressing${view.drum.kind === 'snare' ? ', wires off or a stick slid under them' : ''}. Softly: protect your ears.`
            : 'A fingertip resting on the middle, no pressure, softly.'}
      </p>
      <p className="-mt-1 flex flex-wrap gap-x-4 text-[15px]">
        <EntryLink
          entry={source === 'gauge' ? 'gauge' : source === 'ear' ? 'ear-threshold' : 'reading-a-lug'}
        />
        {read === 0 ? <EntryLink entry="hearing" /> : null}
      </p>
      <WalkNote id="read" className="mt-3" />
      <Acts>
        <div className="w-full">
          <SourcePart view={view} />
        </div>
      </Acts>
      {read === 0 ? <OtherHeadAsk view={view} /> : null}
      <HeardLines>
        <HeardDoubts view={view} />
      </HeardLines>
      <Doubts view={view} />
      {wanting && view.advice ? (
        <div className="mt-3 text-lg">
          <p>{adviceText(view.advice.plan)}</p>
          <EntryLink entry={REASON_ENTRY[view.advice.plan.reason ?? 'move']} />
        </div>
      ) : null}
      {isEnabled('bench.moveOn') ? (
        <Button tone="quiet" className="-ml-2 self-start underline" onClick={() => run('bench.moveOn')}>
          {view.climb?.stage === 'check'
            ? 'Go on without a check'
            : read === 0
              ? 'Turn the rods as chosen, unread'
              : `Show the move with ${read} lugs`}
        </Button>
      ) : null}
    </>
  )
}

/** Before the first reading of a drum of one's own: where readings come from. Asked once. */
function SourceAsk() {
  const session = useSession()
  if (!session) return null
  return (
    <fieldset>
      <legend className="text-2xl leading-tight font-bold">Where do readings come from?</legend>
      <ul className="mt-3">
        {SOURCES.map(({ value, label, says }) => (
          <li key={value} className="border-b border-line">
            <Button
              tone="quiet"
              className="-ml-2 w-full justify-start gap-3 text-left"
              onClick={() => chooseSource(session, value)}
            >
              <span className="text-lg font-bold">{label}</span>
              <span className="text-[15px] font-normal text-soft">{says}</span>
            </Button>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}
