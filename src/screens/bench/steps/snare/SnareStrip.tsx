'use client'

import { KeyMap } from '@/charts/KeyMap'
import { keyMapModel } from '@/charts/keymap.model'
import type { Drum } from '@/core/records/kit'
import { hzText } from '@/text/heads'
import { bedText, wiresText } from '@/text/snare'
import { listText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { StripFrame } from '../../Frame'
import { useMapLook } from '../../useMapLook'

interface Range {
  label: string
  says: string
  hz: number
}

interface Props {
  drum: Drum
  batterHz: number | null
  resonantHz: number | null
  sideHz: number
  ranges: readonly Range[]
  wires: Parameters<typeof wiresText>[0]
  onAim: (hz: number) => void
}

/** Where the batter stands among what people call it, and the bed and wires of the thin side. */
export function SnareStrip({ drum, batterHz, resonantHz, sideHz, ranges, wires, onAim }: Props) {
  const bed = drum.snareBed?.lugs ?? []
  const look = useMapLook()
  const text = (hz: number | null) => (hz === null ? 'not read' : `${hzText(hz)} Hz`)
  const nearest = batterHz === null ? null : nearestTo(ranges, batterHz)
  return (
    <StripFrame
      label="Snare"
      seed={77}
      over={
        <>
          <span className="text-xl font-bold">batter {text(batterHz)}</span>
          <span className="text-soft">
            snare side {text(resonantHz)}, wanted about {sideHz} Hz
          </span>
        </>
      }
    >
      <h2 className="font-bold">The batter is a choice</h2>
      <ul>
        {ranges.map((range) => (
          <li key={range.label} className="flex flex-wrap items-center gap-x-4 border-b border-line py-1.5">
            <span aria-hidden className="w-4 text-center">
              {range === nearest ? '●' : ''}
            </span>
            <span className="min-w-40 flex-1 leading-snug">
              <span className="text-lg font-bold">
                {range.label}, {range.hz} Hz
              </span>
              <span className="block text-soft">{range.says}</span>
            </span>
            <Button aria-label={`Aim the batter ${range.label}`} onClick={() => onAim(range.hz)}>
              aim there
            </Button>
          </li>
        ))}
      </ul>
      <p className="mt-2 leading-snug text-soft">
        Uneven on purpose is a choice too: the far side tight for pitch and rebound, the near side slack to
        kill the ring; milder, only the one to three near rods slack.
      </p>
      <div className="mt-4 flex flex-wrap items-center gap-6">
        <KeyMap
          model={keyMapModel(170, new Array<number>(drum.lugs).fill(0), bed, null, look)}
          label={`Snare side from outside, badge at the top; beside the bed: ${listText(bed) || 'none'}`}
        />
        <div className="min-w-48 flex-1 leading-snug">
          <p>
            <span className="font-bold">Bed:</span> {bedText(drum.snareBed)}
          </p>
          <p className="mt-1">
            <span className="font-bold">Wires:</span> {wiresText(wires)}
          </p>
        </div>
      </div>
    </StripFrame>
  )
}

/** The range whose pitch lies nearest, by interval. */
function nearestTo(ranges: readonly Range[], hz: number): Range | null {
  const apart = (range: Range) => Math.abs(Math.log(range.hz / hz))
  return [...ranges].sort((a, b) => apart(a) - apart(b))[0] ?? null
}
