'use client'

import { useState } from 'react'
import { scaleLinear } from 'd3-scale'
import { secondAnswerPrior, turnLawPrior } from '@/core/membrane/turnLaw'
import { centsBetween } from '@/core/units/pitch'
import { Live, WIDTH } from './Live'

const HEIGHT = 150
const LUGS = 8
const HZ = 234
const ROD = 2

/** Lug pitches after one rod of eight was turned, by the two answers of a head that pitch shows. */
function lugPitches(turns: number): number[] {
  const law = turnLawPrior(14).mean
  const second = secondAnswerPrior('triple-flanged', LUGS).mean * law
  return Array.from({ length: LUGS }, (_, lug) => {
    const twofold = (2 / LUGS) * turns * Math.cos((4 * Math.PI * (lug - ROD)) / LUGS)
    return Math.sqrt(HZ * HZ + law * (turns / LUGS) + second * twofold)
  })
}

/** Drag one rod, see all lugs: the one across moves with it. */
export function PairsChart() {
  const [turns, setTurns] = useState(0.25)
  const pitches = lugPitches(turns)
  const x = scaleLinear([0, LUGS - 1], [22, WIDTH - 22])
  const y = scaleLinear([-70, 70], [HEIGHT - 30, 10])
  const cents = pitches.map((hz) => centsBetween(HZ, hz))
  return (
    <Live
      title={`One rod of eight, number ${ROD + 1}`}
      label="Turns of that rod"
      value={turns}
      min={-0.5}
      max={0.5}
      step={1 / 16}
      onChange={setTurns}
      said={`Lug ${ROD + 1} ${signed(cents[ROD])} c, lug ${ROD + 5} across ${signed(cents[ROD + 4])} c, the lugs between them ${signed(cents[ROD + 2])} c.`}
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        <path d={`M10 ${y(0)}H${WIDTH - 10}`} stroke="var(--line)" strokeWidth={2} />
        {cents.map((off, lug) => (
          <g key={lug}>
            <path d={`M${x(lug)} ${y(0)}V${y(off)}`} stroke="var(--soft)" />
            <circle
              cx={x(lug)}
              cy={y(off)}
              r={7}
              fill="var(--case)"
              stroke={lug === ROD ? 'var(--act)' : 'var(--ink)'}
              strokeWidth={3}
            />
            <text
              x={x(lug)}
              y={HEIGHT - 6}
              textAnchor="middle"
              fontSize={14}
              fontWeight={lug === ROD ? 800 : 400}
              fill="var(--ink)"
            >
              {lug + 1}
            </text>
          </g>
        ))}
      </svg>
    </Live>
  )
}

const signed = (cents: number) =>
  `${cents < -0.5 ? '−' : cents > 0.5 ? '+' : ''}${Math.abs(Math.round(cents))}`
