'use client'

import { useState } from 'react'
import { scaleLog } from 'd3-scale'
import { shiftByCents } from '@/core/units/pitch'
import { Live, WIDTH } from './Live'

const HEIGHT = 110
const SCHEMES: ReadonlyArray<readonly [string, readonly number[]]> = [
  ['fourths', [0, 500, 1000]],
  ['thirds', [0, 400, 700]],
  ['a fifth', [0, 700]],
]

/** Drag the floor tom, see where the others stand in each scheme. */
export function SchemeChart() {
  const [rootHz, setRootHz] = useState(95)
  const x = scaleLog([70, 260], [70, WIDTH - 12])
  return (
    <Live
      title="From the floor tom up"
      label="Floor tom, in Hz"
      value={rootHz}
      min={75}
      max={125}
      step={1}
      onChange={setRootHz}
      said={
        SCHEMES.map(
          ([name, steps]) =>
            `${name}: ${steps.map((step) => shiftByCents(rootHz, step).toFixed(0)).join(', ')} Hz`,
        ).join('; ') + '.'
      }
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        {SCHEMES.map(([name, steps], row) => (
          <g key={name} transform={`translate(0 ${22 + row * 34})`}>
            <text x={0} y={5} fontSize={14} fill="var(--ink)">
              {name}
            </text>
            <path d={`M66 0H${WIDTH - 8}`} stroke="var(--line)" />
            {steps.map((step) => (
              <circle
                key={step}
                cx={x(shiftByCents(rootHz, step))}
                r={7}
                fill={step === 0 ? 'var(--ink)' : 'var(--case)'}
                stroke="var(--ink)"
                strokeWidth={3}
              />
            ))}
          </g>
        ))}
      </svg>
    </Live>
  )
}
