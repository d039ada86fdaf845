'use client'

import { useState } from 'react'
import { scaleLinear } from 'd3-scale'
import { handSpreadCents } from '@/core/evening/tolerance'
import { STANDARD_THREAD_MM } from '@/core/units/turns'
import { CENTS_PER_NEPER } from '@/core/units/pitch'
import { usualLugHz } from '@/core/kit/usual'
import { Live, WIDTH } from './Live'

const HEIGHT = 90

/** Drag the size, see what a hand that errs by 1/64 turn leaves there, beside one Hertz. */
export function HandChart() {
  const [inches, setInches] = useState(12)
  const kind = inches >= 14 ? 'floor-tom' : 'tom'
  const hz = usualLugHz({ kind, diameterInches: inches, batterMils: [7, 7] }, 'batter')
  const left = handSpreadCents(
    {
      ...{ side: 'batter', diameterInches: inches, lugs: inches >= 14 ? 8 : 6, hoop: 'triple-flanged' },
      ...{ threadPitchMm: STANDARD_THREAD_MM, pliesMils: [7, 7] },
    },
    hz,
  )
  const oneHz = CENTS_PER_NEPER / hz
  const x = scaleLinear([0, 30], [10, WIDTH - 10])
  return (
    <Live
      title="What 1/64 turn leaves"
      label="Diameter, in inches"
      value={inches}
      min={8}
      max={18}
      step={1}
      onChange={setInches}
      said={`A ${inches} inch head near ${hz.toFixed(0)} Hz: about ${Math.round(left)} c of spread; one Hertz is ${Math.round(oneHz)} c there.`}
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        <path d={`M10 56H${WIDTH - 10}`} stroke="var(--ink)" strokeWidth={2} />
        {[0, 10, 20, 30].map((tick) => (
          <text key={tick} x={x(tick)} y={80} textAnchor="middle" fontSize={13} fill="var(--soft)">
            {tick}
          </text>
        ))}
        <circle
          cx={x(Math.min(30, left))}
          cy={56}
          r={8}
          fill="var(--case)"
          stroke="var(--ink)"
          strokeWidth={3}
        />
        <path d={`M${x(oneHz)} 20V56`} stroke="var(--good)" strokeWidth={2} strokeDasharray="2 4" />
        <text x={x(oneHz)} y={15} textAnchor="middle" fontSize={13} fill="var(--good)">
          1 Hz
        </text>
      </svg>
    </Live>
  )
}
