import type { EarModel } from './ear.model'

interface Props {
  model: EarModel
  width: number
  height: number
  tickText: (value: number) => string
  small?: boolean
}

/** Draws a run of a drill: filled is right, crossed is wrong, the green is what is believed. */
export function EarChart({ model, width, height, tickText, small = false }: Props) {
  const size = small ? 2.5 : 6
  const cross = ({ x, y }: { x: number; y: number }) =>
    `M${x - size} ${y - size}l${2 * size} ${2 * size}M${x + size} ${y - size}l${-2 * size} ${2 * size}`
  return (
    <svg width={width} height={height} aria-hidden className="block">
      {model.ticks.map(({ y, value }) => (
        <g key={value}>
          <path d={`M52 ${y}H${width - 14}`} stroke="var(--line)" />
          <text x={44} y={y + 5} textAnchor="end" fontSize={small ? 11 : 14} fill="var(--soft)">
            {tickText(value)}
          </text>
        </g>
      ))}
      <path d={model.band} fill="var(--good-band)" />
      <path d={model.believed} fill="none" stroke="var(--good)" strokeWidth={small ? 1.5 : 2.5} />
      <path d={model.path} fill="none" stroke="var(--soft)" strokeWidth={1} />
      {model.rights.map(({ x, y }) => (
        <circle key={x} cx={x} cy={y} r={size} fill="var(--ink)" />
      ))}
      <path d={model.wrongs.map(cross).join('')} stroke="var(--ink)" strokeWidth={small ? 1.5 : 3} />
      {small ? null : (
        <path
          d={`M${model.nextX} 8V${height - 8}`}
          stroke="var(--act)"
          strokeWidth={2}
          strokeDasharray="2 5"
        />
      )}
    </svg>
  )
}
