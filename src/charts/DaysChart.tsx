import type { TimeTick } from './lanes.model'

interface Props {
  width: number
  ticks: readonly TimeTick[]
  nowX: number | null
  air: { line: string; marks: ReadonlyArray<{ x: number; y: number; value: number }> }
  gigs: ReadonlyArray<{ x: number; ahead: boolean; rehearsal: boolean; off: boolean }>
  label: string
}

/** Over the lanes: the air, what was played and is to be played, and the days. */
export function DaysChart({ width, ticks, nowX, air, gigs, label }: Props) {
  const inside = (x: number) => Math.min(width - 18, Math.max(18, x))
  return (
    <svg width={width} height={90} role="img" aria-label={label} className="block">
      <path d={air.line} fill="none" stroke="var(--ink)" strokeWidth={1.4} />
      {air.marks.map(({ x, y, value }) => (
        <text
          key={x}
          x={inside(x)}
          y={Math.max(11, y - 4)}
          textAnchor="middle"
          fontSize={13}
          fill="var(--ink)"
        >
          {Math.round(value)} %
        </text>
      ))}
      {gigs.map(({ x, ahead, rehearsal, off }, i) =>
        off ? null : (
          <rect
            key={i}
            x={x - 2}
            y={rehearsal ? 56 : 51}
            width={4}
            height={rehearsal ? 7 : 12}
            fill={ahead ? 'none' : 'var(--ink)'}
            stroke="var(--ink)"
            strokeWidth={ahead ? 1.2 : 0}
          />
        ),
      )}
      {ticks.map(({ x, label: day }) => (
        <text key={x} x={inside(x)} y={82} textAnchor="middle" fontSize={13} fill="var(--soft)">
          {nowX !== null && Math.abs(x - nowX) < 44 ? '' : day}
        </text>
      ))}
      {nowX === null ? null : (
        <text x={inside(nowX)} y={82} textAnchor="middle" fontSize={14} fontWeight={700} fill="var(--ink)">
          now
        </text>
      )}
    </svg>
  )
}
