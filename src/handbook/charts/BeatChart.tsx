'use client'

import { useState } from 'react'
import { shiftByCents } from '@/core/units/pitch'
import { Live, WIDTH } from './Live'

const HEIGHT = 90
const HZ = 180
const SECONDS = 1
const DECAY_SECONDS = 0.5

/** Drag two tones apart, see them beat. */
export function BeatChart() {
  const [cents, setCents] = useState(40)
  const beats = shiftByCents(HZ, cents) - HZ
  const points = Array.from({ length: WIDTH }, (_, px) => {
    const t = (px / WIDTH) * SECONDS
    return Math.abs(Math.cos(Math.PI * beats * t)) * Math.exp(-t / DECAY_SECONDS)
  })
  const mid = HEIGHT / 2
  const edge = (sign: number) => points.map((p, px) => `${px} ${mid - sign * p * (mid - 4)}`)
  return (
    <Live
      title="Two tones near 180 Hz, one second"
      label="Cents apart"
      value={cents}
      min={0}
      max={120}
      step={2}
      onChange={setCents}
      said={`${cents} c apart: ${beats.toFixed(1)} beats a second.`}
    >
      <svg width={WIDTH} height={HEIGHT} aria-hidden>
        <path d={`M${edge(1).join('L')}L${edge(-1).reverse().join('L')}Z`} fill="var(--ink)" />
      </svg>
    </Live>
  )
}
