import type { CardHead, CardModel } from './sheetCard.model'

const FONT = "'Atkinson Hyperlegible Next Variable', 'DejaVu Sans', sans-serif"
const INK = '#000000'
const SOFT = '#444444'
/** Left edges: name, batter, resonant, beside, and the boxes to write in by hand. */
const X = { batter: 178, resonant: 312, lines: 446, boxes: 612 }

/** One sheet on one page, in black and white: it must be read on a case lid by a dim lamp, and written on. */
export function SheetCard({ model, id }: { model: CardModel; id?: string }) {
  const { width, height, rows, top } = model
  const big = rows.some(({ tight }) => tight) ? 20 : 30
  return (
    <svg
      id={id}
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      fontFamily={FONT}
      role="img"
      aria-label={`Sheet ${model.title}`}
    >
      <rect width={width} height={height} fill="#ffffff" />
      <text x={0} y={34} fontSize={36} fontWeight={800} fill={INK}>
        {model.title}
      </text>
      <text x={0} y={56} fontSize={15} fill={SOFT}>
        {model.under}
      </text>
      {model.notes.map((line, i) => (
        <text key={i} x={0} y={80 + i * 20} fontSize={15} fill={INK}>
          {line}
        </text>
      ))}
      {(
        [
          [X.batter, 'batter, Hz'],
          [X.resonant, 'resonant, Hz'],
          [X.boxes, 'read: b, r'],
        ] as const
      ).map(([x, label]) => (
        <text key={label} x={x} y={top - 10} fontSize={13} fill={SOFT}>
          {label}
        </text>
      ))}
      {rows.map((row) => {
        const middle = row.y + row.height / 2
        const spread = Math.min(15, (row.height - 10) / Math.max(1, row.lines.length))
        return (
          <g key={row.name + row.y}>
            <line x1={0} x2={width} y1={row.y} y2={row.y} stroke={INK} strokeWidth={1} />
            <text
              x={0}
              y={middle + (row.tight ? 6 : 2)}
              fontSize={row.tight ? 17 : 22}
              fontWeight={800}
              fill={INK}
            >
              {row.name}
            </text>
            {row.tight ? null : (
              <text x={0} y={middle + 19} fontSize={12} fill={SOFT}>
                {row.size}
              </text>
            )}
            <Head x={X.batter} y={middle} head={row.batter} size={big} tight={row.tight} />
            <Head x={X.resonant} y={middle} head={row.resonant} size={big} tight={row.tight} />
            {row.lines.map((line, i) => (
              <text
                key={i}
                x={X.lines}
                y={middle + 4 + (i - (row.lines.length - 1) / 2) * spread}
                fontSize={12}
                fill={SOFT}
              >
                {line}
              </text>
            ))}
            {[0, 1].map((box) => (
              <rect
                key={box}
                x={X.boxes + box * 40}
                y={middle - Math.min(14, row.height / 2 - 3)}
                width={36}
                height={Math.min(26, row.height - 8)}
                fill="none"
                stroke={SOFT}
              />
            ))}
          </g>
        )
      })}
    </svg>
  )
}

interface Props {
  x: number
  y: number
  head: CardHead | null
  size: number
  tight: boolean
}

function Head({ x, y, head, size, tight }: Props) {
  if (!head) {
    return (
      <text x={x} y={y + 6} fontSize={16} fill={SOFT}>
        –
      </text>
    )
  }
  return (
    <>
      <text x={x} y={y + (tight ? 7 : 4)} fontSize={size} fontWeight={800} fill={INK}>
        {head.hz}
      </text>
      <text x={tight ? x + 58 : x} y={y + (tight ? 6 : 21)} fontSize={tight ? 11 : 13} fill={SOFT}>
        {head.note}
      </text>
    </>
  )
}
