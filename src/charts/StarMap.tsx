import { HeadOutline } from './HeadOutline'
import type { StarMapModel } from './starmap.model'

/** Which rods first: pairs across the head, numbered as the hands take them. */
export function StarMap({ model, label }: { model: StarMapModel; label: string }) {
  const { size, radius, badge } = model
  return (
    <svg width={size} height={size} role="img" aria-label={label} className="block">
      <HeadOutline size={size} radius={radius} badge={badge} />
      {model.lines.map((line) => (
        <line
          key={line.place}
          x1={line.x1}
          y1={line.y1}
          x2={line.x2}
          y2={line.y2}
          stroke={line.place === 1 ? 'var(--act)' : 'var(--soft)'}
          strokeWidth={line.place === 1 ? 2.5 : 1.2}
          strokeDasharray={line.place === 1 ? undefined : '2 5'}
        />
      ))}
      {model.lugs.map((lug) => (
        <g key={lug.lug}>
          <circle
            cx={lug.x}
            cy={lug.y}
            r={11}
            fill={lug.place === 1 ? 'var(--act)' : 'var(--case)'}
            stroke={lug.place === 1 ? 'var(--act)' : 'var(--soft)'}
            strokeWidth={1.5}
          />
          <text
            x={lug.x}
            y={lug.y + 5}
            textAnchor="middle"
            fontSize={14}
            fontWeight={800}
            fill={lug.place === 1 ? 'var(--case)' : 'var(--ink)'}
          >
            {lug.place}
          </text>
          <text x={lug.labelX} y={lug.labelY + 5} textAnchor="middle" fontSize={14} fill="var(--soft)">
            {lug.lug}
          </text>
        </g>
      ))}
    </svg>
  )
}
