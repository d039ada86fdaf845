'use client'

import { useState } from 'react'
import { scaleLinear } from 'd3-scale'
import { lugHzAfterTurns, turnLawPrior } from '@/core/membrane/turnLaw'
import { centsBetween } from '@/core/units/pitch'
import { Live, WIDTH } from './Live'

const HEIGHT = 120
const DRUM = { inches: 12, hz: 150 }
const TURNS = { min: -0.5, max: 1, step: 1 / 16 }

/** Drag a turn of every rod, see the pitch of a 12 inch head. */
export function TurnChart() {
  const [turns, setTurns] = useState(0.5)
  const law = turnLawPrior(DRUM.inches).mean
  const at = (turn: number) => lugHzAfterTurns(DRUM.hz, turn, law)
  const x = scaleLinear([TURNS.min, TURNS.max], [30, WIDTH - 16])
  const y = scaleLinear([at(TURNS.min), at(TURNS.max)], [HEIGHT - 16, 12])
  const steps = Array.from({ length: 25 }, (_, i) => TURNS.min + (i / 24) * (TURNS.max - TURNS.min))
  const hz = at(turns)
  return (
    <Live
      title="What a turn does to a 12 inch head"
      label="Turns of every rod"
      value={turns}
      {...TURNS}
      onChange={setTurns}
      said={`${turns > 0 ? 'Up' : turns < 0 ? 'Down' : 'No turn,'} ${Math.abs(turns)} of a turn: from ${DRUM.hz} to ${hz.toFixed(1)} Hz, ${Math.round(centsBetween(DRUM.hz, hz))} c.`}
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        <path d={`M24 ${y(DRUM.hz)}H${WIDTH}`} stroke="var(--line)" />
        <path
          d={`M${steps.map((turn) => `${x(turn)} ${y(at(turn))}`).join('L')}`}
          fill="none"
          stroke="var(--soft)"
          strokeWidth={2}
        />
        <circle cx={x(0)} cy={y(DRUM.hz)} r={6} fill="var(--ink)" />
        <circle cx={x(turns)} cy={y(hz)} r={6} fill="var(--case)" stroke="var(--act)" strokeWidth={3} />
      </svg>
    </Live>
  )
}
