const WIDTH = 320
const ROW = 24
const REACH_TURNS = 0.3
const LEFT = 30

interface Props {
  rods: ReadonlyArray<{ turns: number; error: number }>
  label: string
}

/** Pull of every rod against the mean, in turns, with what is not known of it as a line: wide where nothing has told. */
export function RodPulls({ rods, label }: Props) {
  const x = (turns: number) =>
    LEFT + ((WIDTH - LEFT) / 2) * (1 + Math.max(-1, Math.min(1, turns / REACH_TURNS)))
  return (
    <svg width={WIDTH} height={ROW * rods.length + 20} role="img" aria-label={label} className="block">
      <line x1={x(0)} x2={x(0)} y1={0} y2={ROW * rods.length} stroke="var(--soft)" strokeWidth={1} />
      {rods.map(({ turns, error }, i) => {
        const y = ROW * (i + 0.5)
        return (
          <g key={i}>
            <text x={LEFT - 8} y={y + 5} textAnchor="end" fontSize={15} fontWeight={700} fill="var(--ink)">
              {i + 1}
            </text>
            <line
              x1={x(turns - 1.96 * error)}
              x2={x(turns + 1.96 * error)}
              y1={y}
              y2={y}
              stroke="var(--soft)"
              strokeWidth={3}
            />
            <circle cx={x(turns)} cy={y} r={5} fill="var(--ink)" />
          </g>
        )
      })}
      {[-0.25, 0, 0.25].map((turns) => (
        <text
          key={turns}
          x={turns === 0 ? x(0) : turns < 0 ? LEFT : WIDTH}
          y={ROW * rods.length + 16}
          textAnchor={turns < 0 ? 'start' : turns > 0 ? 'end' : 'middle'}
          fontSize={13}
          fill="var(--soft)"
        >
          {turns === 0 ? 'mean' : turns < 0 ? '¼ looser' : '¼ tighter'}
        </text>
      ))}
    </svg>
  )
}
