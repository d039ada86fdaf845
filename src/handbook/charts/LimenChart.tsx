'use client'

import { useState } from 'react'
import { scaleLog } from 'd3-scale'
import { LIMENS_FROM_HZ, toneLimenCents } from '@/core/ear/limens'
import { Live, WIDTH } from './Live'

const HEIGHT = 120
const STEPS = 40

/** Drag a pitch, see what practised listeners tell apart in long pure tones. */
export function LimenChart() {
  const [hz, setHz] = useState(180)
  const x = scaleLog([60, 1000], [34, WIDTH - 10])
  const y = scaleLog([2, 20], [HEIGHT - 14, 10])
  const at = Array.from({ length: STEPS + 1 }, (_, i) => 60 * (1000 / 60) ** (i / STEPS))
  const line = (points: readonly number[]) =>
    `M${points.map((f) => `${x(f)} ${y(toneLimenCents(f))}`).join('L')}`
  return (
    <Live
      title="Limens of long pure tones"
      label="Pitch, in Hz"
      value={hz}
      min={60}
      max={1000}
      step={10}
      onChange={setHz}
      said={`At ${hz} Hz ${toneLimenCents(hz).toFixed(1)} c${hz < LIMENS_FROM_HZ ? `, carried on below the ${LIMENS_FROM_HZ} Hz at which it was measured` : ''}.`}
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        {[3, 6, 12].map((tick) => (
          <g key={tick}>
            <path d={`M32 ${y(tick)}H${WIDTH}`} stroke="var(--line)" />
            <text x={26} y={y(tick) + 5} textAnchor="end" fontSize={13} fill="var(--soft)">
              {tick}
            </text>
          </g>
        ))}
        <path
          d={line(at.filter((f) => f >= LIMENS_FROM_HZ))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        <path
          d={line(at.filter((f) => f <= LIMENS_FROM_HZ * 1.07))}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
          strokeDasharray="4 4"
        />
        <circle
          cx={x(hz)}
          cy={y(toneLimenCents(hz))}
          r={6}
          fill="var(--case)"
          stroke="var(--act)"
          strokeWidth={3}
        />
      </svg>
    </Live>
  )
}
