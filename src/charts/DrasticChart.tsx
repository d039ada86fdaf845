import { scaleLinear } from 'd3-scale'

export interface DrasticRow {
  label: string
  lugCents: number | null
  centreCents: number
  decaySeconds: number | null
}

const SIZE = { width: 760, height: 190 }
const MARGIN = { left: 90, right: 24, top: 30, bottom: 10 }
const LANE = 36

/** What one head did: for each stage where its lug pitch and the centre went, on one scale of cents, and how long it rang. */
export function DrasticChart({ rows, side }: { rows: readonly DrasticRow[]; side: string }) {
  const all = [0, 100, -100, ...rows.flatMap(({ lugCents, centreCents }) => [lugCents ?? 0, centreCents])]
  const ringFrom = SIZE.width - 150
  const x = scaleLinear([Math.min(...all), Math.max(...all)], [MARGIN.left, ringFrom - 30])
  const longest = Math.max(0.05, ...rows.map(({ decaySeconds }) => decaySeconds ?? 0))
  const ring = scaleLinear([0, longest], [0, SIZE.width - MARGIN.right - ringFrom])
  const y = (i: number) => MARGIN.top + 14 + i * LANE
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      role="img"
      aria-label={`What the ${side} head did: ${rows
        .map(
          ({ label, lugCents, centreCents }) =>
            `${label}, lug ${Math.round(lugCents ?? 0)} cents, centre ${Math.round(centreCents)} cents`,
        )
        .join('; ')}`}
      className="block w-full"
    >
      <text x={MARGIN.left} y={16} fontSize={12} fill="var(--soft)">
        cents from where it was: square the {side} lug, round the centre
      </text>
      <text x={ringFrom} y={16} fontSize={12} fill="var(--soft)">
        ring
      </text>
      <line x1={x(0)} x2={x(0)} y1={24} y2={SIZE.height - 6} stroke="var(--line)" />
      {rows.map(({ label, lugCents, centreCents, decaySeconds }, i) => (
        <g key={label}>
          <text x={0} y={y(i) + 5} fontSize={15} fontWeight={700} fill="var(--ink)">
            {label}
          </text>
          <line x1={x(0)} x2={x(centreCents)} y1={y(i)} y2={y(i)} stroke="var(--ink)" strokeWidth={3} />
          {lugCents === null ? null : (
            <rect x={x(lugCents) - 6} y={y(i) - 6} width={12} height={12} fill="var(--soft)" />
          )}
          <circle cx={x(centreCents)} cy={y(i)} r={7} fill="var(--ink)" />
          {decaySeconds === null ? null : (
            <rect x={ringFrom} y={y(i) - 5} width={ring(decaySeconds)} height={10} fill="var(--good)" />
          )}
        </g>
      ))}
    </svg>
  )
}
