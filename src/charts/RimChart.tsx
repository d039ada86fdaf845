import type { RimModel } from './rim.model'

interface Props {
  model: RimModel
  width: number
  height: number
  label: string
  lug: number | null
}

/** Draws the rim strip's model and nothing else. Filled is read, hollow is expected. */
export function RimChart({ model, width, height, label, lug }: Props) {
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="block">
      {model.band ? (
        <path d={model.band.path} fill="var(--good-band)" stroke="var(--good)" strokeWidth={1} />
      ) : null}
      {model.ticks.map((tick) => (
        <g key={tick.label}>
          <line
            x1={model.left}
            x2={model.right}
            y1={tick.y}
            y2={tick.y}
            stroke={tick.zero ? 'var(--good)' : 'var(--line)'}
            strokeWidth={tick.zero ? 1.5 : 1}
          />
          <text
            x={model.left - 8}
            y={tick.y + 4.5}
            textAnchor="end"
            fontSize={13}
            fontWeight={tick.zero ? 700 : 400}
            fill={tick.zero ? 'var(--good)' : 'var(--soft)'}
          >
            {tick.label}
          </text>
        </g>
      ))}
      {lug !== null && model.lugX[lug - 1] !== undefined ? (
        <line
          x1={model.lugX[lug - 1]}
          x2={model.lugX[lug - 1]}
          y1={model.top - 8}
          y2={model.bottom}
          stroke="var(--act)"
          strokeWidth={2}
          strokeDasharray="2 5"
        />
      ) : null}
      {model.curve ? <path d={model.curve} fill="none" stroke="var(--soft)" strokeWidth={1.5} /> : null}
      {model.expected.map((mark) => (
        <g key={mark.lug} stroke="var(--act)" strokeWidth={2} fill="var(--tape)">
          <line x1={mark.x} x2={mark.x} y1={mark.low} y2={mark.high} strokeWidth={1.2} />
          <path
            d={`M${mark.x} ${mark.y - 7.5}L${mark.x + 7.5} ${mark.y}L${mark.x} ${mark.y + 7.5}L${mark.x - 7.5} ${mark.y}Z`}
          />
        </g>
      ))}
      {model.readings.map((mark) => (
        <g
          key={`${mark.lug}-${mark.y.toFixed(1)}`}
          className="drop"
          opacity={mark.pale ? 0.35 : undefined}
          data-kept={mark.pale ? 'no' : 'yes'}
          stroke="var(--ink)"
          fill="var(--ink)"
        >
          <line
            x1={mark.x}
            x2={mark.x}
            y1={Math.min(mark.high, mark.y - 11)}
            y2={Math.max(mark.low, mark.y + 11)}
            strokeWidth={2}
          />
          <circle cx={mark.x} cy={mark.y} r={7} stroke="none" />
          {mark.crossed ? (
            <path
              d={`M${mark.x - 13} ${mark.y - 13}L${mark.x + 13} ${mark.y + 13}M${mark.x - 13} ${mark.y + 13}L${mark.x + 13} ${mark.y - 13}`}
              stroke="var(--caution)"
              strokeWidth={3}
            />
          ) : null}
        </g>
      ))}
      <line
        x1={model.left}
        x2={model.right}
        y1={model.bottom}
        y2={model.bottom}
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {model.lugX.map((x, i) => (
        <rect key={i} x={x - 5} y={model.bottom} width={10} height={8} fill="var(--soft)" />
      ))}
    </svg>
  )
}
