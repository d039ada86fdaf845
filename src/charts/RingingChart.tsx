import type { RingingModel } from './ringing.model'

/** States told apart by line, not by colour: full and filled, dashed and hollow, dotted and square. */
const STYLES = [
  { stroke: 'var(--ink)', dash: undefined, fill: 'var(--ink)' },
  { stroke: 'var(--act)', dash: '7 4', fill: 'var(--tape)' },
  { stroke: 'var(--good)', dash: '2 4', fill: 'var(--good)' },
]

export function RingingChart({ model, label }: { model: RingingModel; label: string }) {
  const { width, height, bottom, split } = model
  return (
    <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label} className="block w-full">
      {model.levelTicks.map(({ y, label: text }) => (
        <g key={text}>
          <line x1={34} x2={width - 10} y1={y} y2={y} stroke="var(--line)" strokeDasharray="1 5" />
          <text x={28} y={y + 4} fontSize={12} textAnchor="end" fill="var(--soft)">
            {text}
          </text>
        </g>
      ))}
      {[...model.timeTicks.slice(0, -1), ...model.hzTicks].map(({ x, label: text }) => (
        <text key={`${x}`} x={x} y={bottom + 16} fontSize={12} textAnchor="middle" fill="var(--soft)">
          {text}
        </text>
      ))}
      <text x={split - 30} y={18} fontSize={12} textAnchor="end" fill="var(--soft)">
        dB over time
      </text>
      <text x={width - 10} y={18} fontSize={12} textAnchor="end" fill="var(--soft)">
        tones, Hz
      </text>
      {model.curves.map((path, i) => (
        <path
          key={i}
          d={path}
          fill="none"
          stroke={STYLES[i].stroke}
          strokeWidth={2.5}
          strokeDasharray={STYLES[i].dash}
        />
      ))}
      {model.tones.map((tones, i) =>
        tones.map(({ x, y, hz }) => (
          <g key={`${i}/${hz}`}>
            <line
              x1={x}
              x2={x}
              y1={y}
              y2={bottom}
              stroke={STYLES[i].stroke}
              strokeDasharray={STYLES[i].dash}
            />
            {i === 2 ? (
              <rect x={x - 4.5} y={y - 4.5} width={9} height={9} fill={STYLES[i].fill} />
            ) : (
              <circle cx={x} cy={y} r={5} fill={STYLES[i].fill} stroke={STYLES[i].stroke} strokeWidth={2} />
            )}
          </g>
        )),
      )}
    </svg>
  )
}
