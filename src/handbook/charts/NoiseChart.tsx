'use client'

import { useState } from 'react'
import { Live, WIDTH } from './Live'

/** NIOSH 98-126: 8 hours at 85 dBA, half the time for every 3 dB more. */
const LIMIT = { dba: 85, hours: 8, exchangeDb: 3 }

const hoursAt = (dba: number) => LIMIT.hours / 2 ** ((dba - LIMIT.dba) / LIMIT.exchangeDb)

function timeText(hours: number): string {
  if (hours >= 1) return `${hours.toFixed(hours < 3 ? 1 : 0)} hours`
  const minutes = hours * 60
  return minutes >= 1 ? `${Math.round(minutes)} minutes` : `${Math.round(minutes * 60)} seconds`
}

/** Drag the level, see how long it is safe in a day. */
export function NoiseChart() {
  const [dba, setDba] = useState(100)
  const hours = hoursAt(dba)
  return (
    <Live
      title="How long a day"
      label="Level at the ear, in dBA"
      value={dba}
      min={80}
      max={115}
      step={1}
      onChange={setDba}
      said={`At ${dba} dBA ${timeText(hours)} a day.`}
    >
      <svg width={WIDTH} height={26} aria-hidden>
        <rect x={0} y={6} width={WIDTH} height={14} fill="var(--line)" />
        <rect x={0} y={6} width={WIDTH * Math.min(1, hours / 24)} height={14} fill="var(--good)" />
      </svg>
    </Live>
  )
}
