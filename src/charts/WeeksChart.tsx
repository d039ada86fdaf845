import type { WeeksModel } from './weeks.model'

interface Props {
  model: WeeksModel
  width: number
  height: number
  tickText: (value: number) => string
}

/** Draws sittings one after the other: a dot is what was left. */
export function WeeksChart({ model, width, height, tickText }: Props) {
  return (
    <svg width={width} height={height} aria-hidden className="block">
      {model.ticks.map(({ y, value }) => (
        <g key={value}>
          <path d={`M52 ${y}H${width - 14}`} stroke="var(--line)" />
          <text x={44} y={y + 5} textAnchor="end" fontSize={14} fill="var(--soft)">
            {tickText(value)}
          </text>
        </g>
      ))}
      <path d={model.path} fill="none" stroke="var(--soft)" strokeWidth={1} />
      {model.dots.map(({ id, x, y, day }) => (
        <g key={id}>
          <circle cx={x} cy={y} r={6} fill="var(--ink)" />
          {day ? (
            <text x={x} y={height - 8} textAnchor="middle" fontSize={14} fill="var(--soft)">
              {day}
            </text>
          ) : null}
        </g>
      ))}
    </svg>
  )
}
