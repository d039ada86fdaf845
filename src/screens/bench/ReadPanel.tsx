'use client'

import { useState, type FormEvent } from 'react'
import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import { readCount } from '@/commands/bench'
import { typeReading } from '@/session/actions/readings'
import type { BenchView } from '@/session/benchView'
import { useSession, useSessionState } from '@/session/react'
import { adviceText } from '@/text/advice'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/CommandProvider'
import { clsx } from 'clsx'
import { ACTION_BAR, Big, Light } from './Big'
import { MicrophonePart } from './MicrophonePart'

/** Asks for the next lug, from the chosen source. */
export function ReadPanel({ view }: { view: BenchView }) {
  const { run, isEnabled } = useCommander()
  const { bench, settings } = useSessionState()
  const read = view.turnedNow ? 0 : readCount(view)
  const refused = bench.lastTap && !bench.lastTap.used && bench.lastTap.tap.why ? bench.lastTap.tap : null
  const wanting = view.advice?.plan.reason === 'need-readings' && read >= view.drum.lugs
  return (
    <>
      <p className="text-soft">
        {read} of {view.drum.lugs} lugs read
      </p>
      <div aria-live="polite" className="-ml-3.5">
        <Big>
          <Light>{settings.source === 'typed' ? 'lug' : 'tap'}</Light>
          {view.lug}
        </Big>
      </div>
      <p className="mt-2 text-soft">
        Two fingers in from the hoop, a fingertip resting on the middle without pressing, wires off. Softly:
        protect your ears.
      </p>
      <div className={clsx(ACTION_BAR, 'md:mt-4')}>
        <SourcePart view={view} />
      </div>
      {refused ? (
        <p role="status" className="mt-3 font-bold text-caution">
          {refused.why}
        </p>
      ) : null}
      {wanting && view.advice ? <p className="mt-3 text-lg">{adviceText(view.advice.plan)}</p> : null}
      <div className="mt-3 flex flex-wrap gap-x-2">
        {isEnabled('bench.moveOn') ? (
          <Button tone="quiet" className="-ml-2 underline" onClick={() => run('bench.moveOn')}>
            Show the move with {read} lugs
          </Button>
        ) : null}
        {isEnabled('bench.withdraw') ? (
          <Button tone="quiet" className="underline" onClick={() => run('bench.withdraw')}>
            Drop the last tap
          </Button>
        ) : null}
      </div>
      <div className="mt-auto hidden self-end md:block">
        <KeyMap
          model={keyMapModel(176, new Array<number>(view.drum.lugs).fill(0), view.lug)}
          label={`Lug ${view.lug} on the drum, seen from outside, badge at the top`}
        />
      </div>
    </>
  )
}

function SourcePart({ view }: { view: BenchView }) {
  const { run } = useCommander()
  const { settings, bench } = useSessionState()
  switch (settings.source) {
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
            One tap or a walk around the head: taps go to the lugs in order, from {view.lug} on.
          </p>
        </>
      )
    case 'typed':
      return <TypedPart key={`${view.drum.id}${view.side}`} />
  }
}

const LOWEST_HZ = 15
const HIGHEST_HZ = 2000

function TypedPart() {
  const session = useSession()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const hz = Number(text.trim().replace(',', '.'))
    if (!session || !(hz >= LOWEST_HZ && hz <= HIGHEST_HZ)) return setWrong(true)
    typeReading(session, hz)
    setText('')
    setWrong(false)
  }
  return (
    <form onSubmit={submit}>
      <div className="flex items-end gap-3">
        <label className="block">
          <span className="mb-1 block text-sm text-soft">Pitch, Hz</span>
          <input
            autoFocus
            inputMode="decimal"
            value={text}
            aria-invalid={wrong}
            onChange={(event) => setText(event.target.value)}
            className="min-h-14 w-36 border-b-2 border-soft bg-tape px-3 text-2xl font-bold"
          />
        </label>
        <Button tone="act" big type="submit">
          Take it
        </Button>
      </div>
      {wrong ? (
        <p role="alert" className="mt-2 font-bold text-caution">
          A pitch in Hz between {LOWEST_HZ} and {HIGHEST_HZ}, such as 233.5.
        </p>
      ) : null}
    </form>
  )
}
