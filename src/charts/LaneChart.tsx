import type { LaneModel } from './lanes.model'

interface Props {
  model: LaneModel
  width: number
  height: number
  open: boolean
  /** What was turned, where there is room to say it. */
  words: ReadonlyArray<{ x: number; text: string }>
}

/** Draws one lane's model and nothing else. Filled is read, hollow and dashed is expected. */
export function LaneChart({ model, width, height, open, words }: Props) {
  const { band, leaves } = model
  return (
    <svg width={width} height={height} aria-hidden className="block">
      {model.ticks.map(({ x }) => (
        <line key={x} x1={x} x2={x} y1={0} y2={height} stroke="var(--line)" />
      ))}
      {model.pieces.map((piece) => (
        <path key={piece} d={piece} fill="var(--tape)" />
      ))}
      {band ? (
        <>
          <rect x={0} y={band.y} width={width} height={band.height} fill="var(--good-band)" opacity={0.85} />
          <path
            d={`M0 ${band.y}H${width}M0 ${band.y + band.height}H${width}`}
            stroke="var(--good)"
            strokeWidth={open ? 1.2 : 0.8}
          />
        </>
      ) : null}
      {open ? <path d={`M0 ${model.zeroY}H${width}`} stroke="var(--good)" strokeWidth={1.5} /> : null}
      <path d={model.fanWide} fill="var(--soft)" opacity={0.16} />
      <path d={model.fanNear} fill="var(--soft)" opacity={0.24} />
      <path d={model.fanLine} fill="none" stroke="var(--soft)" strokeWidth={1.5} strokeDasharray="4 4" />
      <path d={model.width} fill="var(--soft)" opacity={0.22} />
      <path d={model.line} fill="none" stroke="var(--ink)" strokeWidth={1.2} />
      {open ? <path d={model.errors} stroke="var(--ink)" strokeWidth={1.4} /> : null}
      <path d={model.dots} fill="var(--ink)" />
      <path d={model.byHand} fill="var(--case)" stroke="var(--ink)" strokeWidth={1.6} />
      <path d={model.outs} fill="var(--caution)" />
      <path d={model.beyond} fill="var(--caution)" />
      <path d={model.outSpans} stroke="var(--caution)" strokeWidth={3} />
      {leaves ? (
        <>
          <path
            d={`M${leaves.from} ${leaves.y}H${leaves.to}`}
            stroke="var(--act)"
            strokeWidth={open ? 4 : 2}
          />
          <path
            d={`M${leaves.x - 6} ${leaves.y}l6 -6l6 6l-6 6Z`}
            fill="var(--case)"
            stroke="var(--act)"
            strokeWidth={2}
          />
        </>
      ) : null}
      {words.map(({ x, text }) => (
        <g key={`${x}${text}`}>
          <path d={`M${x} 8V${height - 20}`} stroke="var(--soft)" strokeDasharray="2 3" />
          <text x={x} y={height - 7} textAnchor="middle" fontSize={13} fill="var(--ink)">
            {text}
          </text>
        </g>
      ))}
    </svg>
  )
}
