'use client'

import { useState } from 'react'
import { numberWithin } from '@/core/units/number'
import { typeReading, typeWholeHead } from '@/session/actions/said'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { NumberEntry } from '@/ui/NumberEntry'
import { useCommander } from '../../../shell/commander'
import { EarPart } from './EarPart'
import { GaugePart } from './GaugePart'
import { MicrophonePart } from './MicrophonePart'

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
