'use client'

import { useState } from 'react'
import { scaleLinear } from 'd3-scale'
import { aboveBy, centreHz, USUAL_PARTS } from '@/core/pair/model'
import type { PairDrum } from '@/core/pair/types'
import { intervalText } from '@/core/units/intervals'
import { STANDARD_THREAD_MM } from '@/core/units/turns'
import { Live, WIDTH } from './Live'

const HEIGHT = 110
const BATTER_HZ = 180
const DRUM: PairDrum = {
  ...{ kind: 'tom', diameterInches: 12, depthInches: 8, lugs: 6, threadPitchMm: STANDARD_THREAD_MM },
  batter: { pliesMils: [7, 7], hoop: 'triple-flanged' },
  resonant: { pliesMils: [10], hoop: 'triple-flanged' },
  port: null,
}

/** Drag the resonant head, see the middle and the ratio of a 12 inch tom. */
export function CentreChart() {
  const [above, setAbove] = useState(400)
  const resonantHz = aboveBy(BATTER_HZ, above)
  const middleHz = centreHz(DRUM, { batterHz: BATTER_HZ, resonantHz }, USUAL_PARTS)
  const x = scaleLinear([80, 300], [10, WIDTH - 10])
  const mark = (hz: number, word: string, up: boolean) => (
    <g>
      <path d={`M${x(hz)} ${HEIGHT / 2 - 10}v20`} stroke="var(--ink)" strokeWidth={4} />
      <text x={x(hz)} y={up ? 30 : HEIGHT - 18} textAnchor="middle" fontSize={14} fill="var(--ink)">
        {word}
      </text>
    </g>
  )
  return (
    <Live
      title="A 12 inch tom, batter at 180 Hz"
      label="Resonant head above the batter, in cents"
      value={above}
      min={-300}
      max={800}
      step={20}
      onChange={setAbove}
      said={`${intervalText(above, 'name')}: the resonant at ${resonantHz.toFixed(0)} Hz, the middle at ${middleHz.toFixed(0)} Hz, edge to centre ${(BATTER_HZ / middleHz).toFixed(2)}.`}
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        <path d={`M10 ${HEIGHT / 2}H${WIDTH - 10}`} stroke="var(--line)" strokeWidth={2} />
        {mark(middleHz, 'middle', false)}
        {mark(BATTER_HZ, 'batter', true)}
        {mark(resonantHz, 'resonant', false)}
      </svg>
    </Live>
  )
}
