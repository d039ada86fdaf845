'use client'

import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import type { PairMapModel } from './pairmap.model'

export interface Place {
  batterHz: number
  resonantHz: number
}

/** Arrow keys move the goal by this many cents, with Shift by more. */
const KEY_CENTS = { plain: 10, shift: 50 }

type Box = PairMapModel['plot']
const boxPath = ({ left, top, right, bottom }: Box) => `M${left},${top}H${right}V${bottom}H${left}Z`
/** What lies beyond the limits: one box with the other cut out. */
const outside = (plot: Box, limits: Box) => boxPath(plot) + boxPath(limits)

interface PairMapProps {
  model: PairMapModel
  now: Place
  was: readonly Place[]
  goal: Place
  label: string
  /** Doubt of where the heads stand, in cents, where a head was not read: the mark is hollow then. */
  doubtCents?: { batter: number; resonant: number } | null
  onGoal: (place: Place) => void
}

/** The trade-off of two heads: where the drum is, where it was, where it would go. Drag the goal, or move it by arrow keys. */
export function PairMap({ model, now, was, goal, label, doubtCents = null, onGoal }: PairMapProps) {
  const svg = useRef<SVGSVGElement>(null)
  const { width, height } = model
  const follow = (event: PointerEvent) => {
    const box = svg.current!.getBoundingClientRect()
    const scale = width / box.width
    onGoal(model.at((event.clientX - box.left) * scale, (event.clientY - box.top) * scale))
  }
  const onKey = (event: KeyboardEvent) => {
    const cents = event.shiftKey ? KEY_CENTS.shift : KEY_CENTS.plain
    const step = 2 ** (cents / 1200)
    const { limits } = model
    const low = model.at(limits.left, limits.bottom)
    const high = model.at(limits.right, limits.top)
    const moves: Record<string, Place> = {
      Home: { ...goal, batterHz: low.batterHz },
      End: { ...goal, batterHz: high.batterHz },
      PageDown: { ...goal, resonantHz: low.resonantHz },
      PageUp: { ...goal, resonantHz: high.resonantHz },
      ArrowRight: { ...goal, batterHz: goal.batterHz * step },
      ArrowLeft: { ...goal, batterHz: goal.batterHz / step },
      ArrowUp: { ...goal, resonantHz: goal.resonantHz * step },
      ArrowDown: { ...goal, resonantHz: goal.resonantHz / step },
    }
    const next = moves[event.key]
    if (!next) return
    event.preventDefault()
    event.stopPropagation()
    onGoal(model.at(model.x(next.batterHz), model.y(next.resonantHz)))
  }
  const spot = (place: Place) => ({ cx: model.x(place.batterHz), cy: model.y(place.resonantHz) })
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="block max-w-full touch-none select-none"
      width={width}
      height={height}
      role="application"
      aria-label={label}
      tabIndex={0}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        follow(event)
      }}
      onPointerMove={(event) => event.buttons === 1 && follow(event)}
    >
      <Sheet model={model} />
      {was.map((place, i) => (
        <circle key={i} {...spot(place)} r={3.5} fill="var(--soft)" />
      ))}
      <line
        x1={model.x(now.batterHz)}
        y1={model.y(now.resonantHz)}
        x2={model.x(goal.batterHz)}
        y2={model.y(goal.resonantHz)}
        stroke="var(--act)"
        strokeWidth={2}
      />
      {doubtCents ? <Doubt model={model} now={now} cents={doubtCents} /> : null}
      <circle
        {...spot(now)}
        r={7}
        fill={doubtCents ? 'var(--tape)' : 'var(--ink)'}
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <circle {...spot(goal)} r={10} fill="var(--tape)" stroke="var(--act)" strokeWidth={3} />
    </svg>
  )
}

/** What does not move: axes in notes, limits, what is liked, and the lines of relation, ratio and centre. */
function Sheet({ model }: { model: PairMapModel }) {
  const { plot } = model
  return (
    <>
      <rect
        x={plot.left}
        y={plot.top}
        width={plot.right - plot.left}
        height={plot.bottom - plot.top}
        fill="var(--tape)"
      />
      <path d={outside(plot, model.limits)} fill="var(--soft)" fillRule="evenodd" opacity={0.28} />
      <path d={model.liked} fill="var(--good)" opacity={0.13} />
      {model.xTicks.map(({ note, hz, at }) => (
        <g key={note} textAnchor="middle">
          <rect x={at - 4} y={plot.bottom} width={8} height={6} fill="var(--soft)" />
          <text x={at} y={plot.bottom + 23} fontSize={16} fill="var(--ink)">
            {note}
          </text>
          <text x={at} y={plot.bottom + 40} fontSize={13} fill="var(--soft)">
            {hz.toFixed(0)}
          </text>
        </g>
      ))}
      {model.yTicks.map(({ note, hz, at }) => (
        <g key={note} textAnchor="end">
          <rect x={plot.left - 6} y={at - 4} width={6} height={8} fill="var(--soft)" />
          <text x={plot.left - 12} y={at + 2} fontSize={16} fill="var(--ink)">
            {note}
          </text>
          <text x={plot.left - 12} y={at + 17} fontSize={13} fill="var(--soft)">
            {hz.toFixed(0)}
          </text>
        </g>
      ))}
      {model.relation.map(({ label: name, path, labelAt }) => (
        <g key={name}>
          <path d={path} fill="none" stroke="var(--line)" strokeWidth={1.5} />
          <text x={labelAt.x + 6} y={labelAt.y + 12} fontSize={12} fill="var(--soft)">
            {name}
          </text>
        </g>
      ))}
      {model.ratio.map(({ label: name, path, labelAt }) => (
        <g key={name}>
          <path d={path} fill="none" stroke="var(--good)" strokeWidth={1.2} strokeDasharray="2 4" />
          <text x={labelAt.x + 4} y={Math.max(plot.top + 8, labelAt.y + 4)} fontSize={12} fill="var(--good)">
            {name}
          </text>
        </g>
      ))}
      {model.centre.map(({ label: name, path, labelAt }, i) => (
        <g key={i}>
          <path d={path} fill="none" stroke="var(--ink)" strokeWidth={0.9} opacity={0.55} />
          <text
            x={labelAt.x + 4}
            y={labelAt.y + 13}
            fontSize={11.5}
            fill="var(--ink)"
            stroke="var(--tape)"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {name}
          </text>
        </g>
      ))}
    </>
  )
}

interface DoubtProps {
  model: PairMapModel
  now: Place
  cents: { batter: number; resonant: number }
}

/** How far either head may stand from where it is foretold. */
function Doubt({ model, now, cents }: DoubtProps) {
  const beside = (hz: number, by: number) => hz * 2 ** (by / 1200)
  const [x, y] = [model.x(now.batterHz), model.y(now.resonantHz)]
  return (
    <path
      d={`M${model.x(beside(now.batterHz, -cents.batter))},${y}H${model.x(beside(now.batterHz, cents.batter))}M${x},${model.y(beside(now.resonantHz, -cents.resonant))}V${model.y(beside(now.resonantHz, cents.resonant))}`}
      stroke="var(--ink)"
      strokeWidth={2}
      fill="none"
    />
  )
}
