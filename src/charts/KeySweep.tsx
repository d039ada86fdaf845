import { sweepModel } from './sweep.model'

/** The shape of one sweep, centred on 0, 0. */
export function SweepShape({ turns, radius }: { turns: number; radius: number }) {
  const model = sweepModel(turns, radius)
  const side = radius * 0.34
  return (
    <>
      <path d={model.ring} fill="var(--sweep)" />
      <path
        d={model.arc}
        fill={model.tighten ? 'var(--act)' : 'var(--case)'}
        stroke="var(--act)"
        strokeWidth={model.tighten ? 0 : Math.max(1.5, radius * 0.05)}
      />
      <g
        transform={`rotate(${model.degrees.toFixed(1)})`}
        stroke="var(--ink)"
        strokeWidth={Math.max(1.2, radius * 0.035)}
        fill="none"
      >
        <rect x={-side / 2} y={-side / 2} width={side} height={side} transform="rotate(45)" />
        <line x1={0} y1={-side * 0.72} x2={0} y2={-radius * 0.62} />
      </g>
    </>
  )
}

export function KeySweep({ turns, size }: { turns: number; size: number }) {
  return (
    <svg width={size} height={size} viewBox={`${-size / 2} ${-size / 2} ${size} ${size}`} aria-hidden>
      <SweepShape turns={turns} radius={size / 2 - 2} />
    </svg>
  )
}
