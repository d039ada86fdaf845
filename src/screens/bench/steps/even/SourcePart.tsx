'use client'

import { useState } from 'react'
import { typeReading, typeRound, typeWholeHead } from '@/session/actions/said'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { PitchEntry } from '../../PitchEntry'
import { EarPart } from './EarPart'
import { MicrophonePart } from './MicrophonePart'
import { numberWithin } from '@/core/units/number'
import { keepGaugeLaw, takeDial } from '@/session/actions/gauge'
import { NumberEntry } from '@/ui/NumberEntry'

/** What is done to the practice drum, or read of it, beside tapping. */
const PRACTICE_ACTS = [
  ['bench.roughen', 'Put it out of tune'],
  ['bench.backOff', 'Back off the near rods'],
  ['bench.gaugeRound', 'Put the gauge on'],
] as const

/** From where readings come: the tap, the microphone, a file, a number, an ear, a dial. */
export function SourcePart({ view }: { view: BenchView }) {
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
          <div className="mt-1 -ml-2 hidden flex-wrap md:flex">
            {PRACTICE_ACTS.map(([command, label]) => (
              <Button
                key={command}
                tone="quiet"
                className="px-1.5 text-[15px] underline"
                onClick={() => run(command)}
              >
                {label}
              </Button>
            ))}
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
      return <TypedPart key={`${view.drum.id}${view.side}`} lugs={view.drum.lugs} />
    case 'ask':
      return null
  }
}

function TypedPart({ lugs }: { lugs: number }) {
  const session = useSession()
  const [whole, setWhole] = useState(false)
  if (!session) return null
  return (
    <>
      {whole ? (
        <PitchEntry
          key="whole"
          label="All lugs about, Hz or note"
          onTake={(hz, text) => typeWholeHead(session, hz, text)}
        />
      ) : (
        <PitchEntry
          key="lug"
          label="Pitch, Hz or note"
          onTake={(hz, text) => typeReading(session, hz, text)}
          round={{ lugs, onTake: (pitches) => typeRound(session, pitches) }}
        />
      )}
      <Button tone="quiet" className="-ml-2 underline" onClick={() => setWhole(!whole)}>
        {whole ? 'Lug by lug instead' : 'One number for all lugs'}
      </Button>
    </>
  )
}

const FURTHEST = 1000

/** Reading by a dial gauge: silent, one number a lug, on the dial's own scale. */
function GaugePart() {
  const session = useSession()
  const { settings, advice } = useSelect(({ settings, advice }) => ({ settings, advice }))
  if (!session) return null
  const learned = advice?.answer.plan.gaugeLaw ?? null
  return (
    <>
      <NumberEntry
        label="Dial"
        wrongText="The number that the needle shows, such as 62.5."
        read={numberWithin(-FURTHEST, FURTHEST)}
        onTake={(dial) => takeDial(session, dial)}
      />
      <div className="mt-3 text-[15px] text-soft">
        {settings.gaugeLaw ? (
          <p>
            This dial’s law is known: it tells pitch as well as evenness.{' '}
            <Button tone="quiet" className="-my-2 px-1 underline" onClick={() => keepGaugeLaw(session, null)}>
              Another gauge
            </Button>
          </p>
        ) : learned ? (
          <Button onClick={() => keepGaugeLaw(session, learned)}>Keep this gauge’s law</Button>
        ) : (
          <p>
            Any dial will do. Until it was read beside two known pitches only evenness counts: read a head by
            both, turn all rods, read again.
          </p>
        )}
      </div>
    </>
  )
}
