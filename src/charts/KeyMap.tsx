import { HeadOutline } from './HeadOutline'
import { SweepShape } from './KeySweep'
import type { KeyMapModel } from './keymap.model'

/** Where the rods of the next move are on the drum. */
export function KeyMap({ model, label }: { model: KeyMapModel; label: string }) {
  const { size, radius, badge } = model
  const moved = model.lugs.filter((lug) => lug.next)
  return (
    <svg width={size} height={size} role="img" aria-label={label} className="block">
      <HeadOutline size={size} radius={radius} badge={badge} />
      {moved.length === 2 ? (
        <line
          x1={moved[0].labelX}
          y1={moved[0].labelY}
          x2={moved[1].labelX}
          y2={moved[1].labelY}
          stroke="var(--act)"
          strokeWidth={1.5}
          strokeDasharray="2 6"
        />
      ) : null}
      {model.lugs.map((lug) => (
        <g key={lug.lug}>
          {lug.next ? (
            <g transform={`translate(${lug.x} ${lug.y})`}>
              <SweepShape turns={lug.turns} radius={size * 0.105} />
            </g>
          ) : (
            <rect
              x={lug.x - (lug.tapped ? 8 : 5)}
              y={lug.y - (lug.tapped ? 8 : 5)}
              width={lug.tapped ? 16 : 10}
              height={lug.tapped ? 16 : 10}
              fill={lug.tapped ? 'var(--act)' : 'var(--case)'}
              stroke={lug.tapped ? 'var(--act)' : 'var(--soft)'}
              strokeWidth={2}
            />
          )}
          <text
            x={lug.labelX}
            y={lug.labelY + 5}
            textAnchor="middle"
            fontSize={lug.next || lug.tapped ? 17 : 14}
            fontWeight={lug.next || lug.tapped ? 800 : 400}
            fill={lug.next || lug.tapped ? 'var(--ink)' : 'var(--soft)'}
            stroke="var(--tape)"
            strokeWidth={4}
            paintOrder="stroke"
          >
            {lug.lug}
          </text>
        </g>
      ))}
    </svg>
  )
}
