'use client'

import { numberWithin } from '@/core/units/number'
import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import { readCount } from '@/commands/bench'
import { typeReading, typeWholeHead } from '@/session/actions/said'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { adviceText } from '@/text/advice'
import { checkText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { NumberEntry } from '@/ui/NumberEntry'
import { useCommander, useEnabled } from '../shell/commander'
import { clsx } from 'clsx'
import { ACTION_BAR, Big, Light } from './Big'
import { EarPart } from './EarPart'
import { GaugePart } from './GaugePart'
import { MicrophonePart } from './MicrophonePart'
import { HeardDoubts, HeardLines, OtherHeadAsk } from './HeardLines'
import { SourceAsk } from './SourceAsk'
import { Doubts } from './Doubts'
import { useState } from 'react'

/** Asks for the next lug, from the chosen source. */
export function ReadPanel({ view }: { view: BenchView }) {
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.moveOn'] as const)
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
        <div aria-live="polite" className="-ml-3.5">
          <Big>
            <Light>{source === 'typed' || source === 'gauge' ? 'lug' : 'tap'}</Light>
            {view.lug}
          </Big>
        </div>
        <div className="-mt-7 -mr-2 hidden md:block">
          <KeyMap
            model={keyMapModel(150, new Array<number>(view.drum.lugs).fill(0), view.lug)}
            label={`Lug ${view.lug} on the drum, seen from outside, badge at the top`}
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
      <div className={clsx(ACTION_BAR, 'md:mt-4')}>
        <SourcePart view={view} />
      </div>
      {read === 0 ? <OtherHeadAsk view={view} /> : null}
      <HeardLines>
        <HeardDoubts view={view} />
      </HeardLines>
      <Doubts view={view} />
      {wanting && view.advice ? <p className="mt-3 text-lg">{adviceText(view.advice.plan)}</p> : null}
      {isEnabled('bench.moveOn') ? (
        <Button tone="quiet" className="-ml-2 self-start underline" onClick={() => run('bench.moveOn')}>
          {view.climb?.stage === 'check' ? 'Go on without a check' : `Show the move with ${read} lugs`}
        </Button>
      ) : null}
    </>
  )
}

function SourcePart({ view }: { view: BenchView }) {
  const { run } = useCommander()
  const { settings, source, bench } = useSelect(({ settings, source, bench }) => ({
    settings,
    source,
    bench,
  }))
  switch (source) {
    case 'practice':
      return (
        <>
          <div className="flex gap-3">
            <Button
              tone="act"
              big
              className="flex-1 md:flex-none"
              disabled={bench.busy !== null}
              onClick={() => run('bench.tap')}
            >
              Tap
            </Button>
            <Button
              big
              className="px-4 text-base font-normal whitespace-nowrap"
              disabled={bench.busy !== null}
              onClick={() => run('bench.tapRound')}
            >
              All lugs left
            </Button>
          </div>
          <p className="mt-3 hidden text-[15px] text-soft md:block">
            The practice drum is simulated: it sounds, and is measured, like any other.
          </p>
          <div className="-ml-2 hidden flex-wrap md:flex">
            <Button tone="quiet" className="text-[15px] underline" onClick={() => run('bench.roughen')}>
              Put it out of tune
            </Button>
            <Button tone="quiet" className="text-[15px] underline" onClick={() => run('bench.backOff')}>
              Back off the near rods
            </Button>
            <Button tone="quiet" className="text-[15px] underline" onClick={() => run('bench.gaugeRound')}>
              Put the gauge on
            </Button>
          </div>
        </>
      )
    case 'microphone':
      return <MicrophonePart />
    case 'file':
      return (
        <>
          <Button tone="act" big disabled={bench.busy !== null} onClick={() => run('bench.file')}>
            {bench.busy === 'file' ? 'Measuring…' : 'Choose a recording'}
          </Button>
          <p className="mt-3 text-[15px] text-soft">
            One tap or a walk around the head: taps go to the lugs{' '}
            {settings.readOrder === 'pairs' ? 'by opposite pairs' : 'in order'}, from {view.lug} on; a wrong
            one can be moved.
          </p>
        </>
      )
    case 'ear':
      return <EarPart key={`${view.drum.id}${view.side}`} view={view} />
    case 'gauge':
      return <GaugePart key={`${view.drum.id}${view.side}`} />
    case 'typed':
      return <TypedPart key={`${view.drum.id}${view.side}`} />
    case 'ask':
      return null
  }
}

const LOWEST_HZ = 15
const HIGHEST_HZ = 2000
const readHz = numberWithin(LOWEST_HZ, HIGHEST_HZ)

function TypedPart() {
  const session = useSession()
  const [whole, setWhole] = useState(false)
  if (!session) return null
  return (
    <>
      <NumberEntry
        label={whole ? 'All lugs about, Hz' : 'Pitch, Hz'}
        wrongText={`A pitch in Hz between ${LOWEST_HZ} and ${HIGHEST_HZ}, such as 233.5.`}
        read={readHz}
        onTake={(hz, text) => (whole ? typeWholeHead : typeReading)(session, hz, text)}
      />
      <Button tone="quiet" className="-ml-2 underline" onClick={() => setWhole(!whole)}>
        {whole ? 'Lug by lug instead' : 'One number for all lugs'}
      </Button>
    </>
  )
}
