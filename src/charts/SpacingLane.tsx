'use client'

import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { IntervalLine } from './IntervalLine'
import type { SpacingLane as Lane, SpacingModel } from './spacing.model'

const HEIGHT = 66
const Y = 28

interface Props {
  lane: Lane
  model: SpacingModel
  width: number
  label: string
  valueText: string
  valueHz: number | null
  pinned: boolean
  onMove: (hz: number) => void
}

/** One drum of a plan: its range, where it is, where it would go. The ring is dragged, or moved by arrow keys. */
export function SpacingLane({ lane, model, width, label, valueText, valueHz, pinned, onMove }: Props) {
  const svg = useRef<SVGSVGElement>(null)
  const follow = (event: PointerEvent) => {
    const { left } = svg.current!.getBoundingClientRect()
    onMove(model.hzAt(event.clientX - left))
  }
  const onKey = (event: KeyboardEvent) => {
    if (valueHz === null) return
    const cents = event.shiftKey ? 50 : 5
    const by = { ArrowRight: cents, ArrowUp: cents, ArrowLeft: -cents, ArrowDown: -cents }[event.key]
    if (!by) return
    event.preventDefault()
    event.stopPropagation()
    onMove(valueHz * 2 ** (by / 1200))
  }
  return (
    <svg ref={svg} width={width} height={HEIGHT} className="block overflow-visible">
      {model.ticks.map(({ x, label: text }) => (
        <line key={text} x1={x} x2={x} y1={0} y2={HEIGHT} stroke="var(--line)" opacity={0.6} />
      ))}
      <rect
        x={lane.range.from}
        y={Y - 9}
        width={Math.max(2, lane.range.to - lane.range.from)}
        height={18}
        fill="var(--good-band)"
      />
      <path
        d={`M${lane.favourite} ${Y - 14}V${Y - 9}M${lane.favourite} ${Y + 9}V${Y + 14}`}
        stroke="var(--good)"
        strokeWidth={3}
      />
      {lane.next && lane.batter !== null ? (
        <IntervalLine
          from={{ x: lane.batter, y: Y + 12 }}
          to={{ x: lane.next.x, y: HEIGHT * lane.next.lanes + Y - 13, turnY: HEIGHT - 12 }}
          label={lane.next.label}
        />
      ) : null}
      {lane.now !== null && lane.batter !== null ? (
        <line x1={lane.now} x2={lane.batter} y1={Y} y2={Y} stroke="var(--act)" strokeWidth={2} />
      ) : null}
      {lane.now === null ? null : <circle cx={lane.now} cy={Y} r={6} fill="var(--ink)" />}
      {lane.resonant === null ? null : (
        <rect
          x={lane.resonant - 3}
          y={Y - 9}
          width={6}
          height={18}
          fill="var(--tape)"
          stroke="var(--soft)"
          strokeWidth={1.5}
        />
      )}
      {lane.other === null ? null : (
        <circle
          cx={lane.other}
          cy={Y}
          r={8}
          fill="none"
          stroke="var(--soft)"
          strokeWidth={2}
          strokeDasharray="3 3"
        />
      )}
      {lane.batter === null ? null : (
        <g
          role="slider"
          tabIndex={0}
          aria-label={label}
          aria-valuenow={Math.round(10 * (valueHz ?? 0)) / 10}
          aria-valuemin={15}
          aria-valuemax={2000}
          aria-valuetext={valueText}
          className="cursor-ew-resize touch-none outline-none [&:focus-visible>circle]:stroke-[6]"
          onKeyDown={onKey}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId)
          }}
          onPointerMove={(event) => event.buttons === 1 && follow(event)}
        >
          <rect x={lane.batter - 22} y={Y - 22} width={44} height={44} fill="transparent" />
          <circle
            cx={lane.batter}
            cy={Y}
            r={9}
            fill={pinned ? 'var(--act)' : 'var(--tape)'}
            stroke="var(--act)"
            strokeWidth={3}
          />
        </g>
      )}
    </svg>
  )
}
