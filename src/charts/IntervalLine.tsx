/** From one drum's mark down to the next drum's, the interval written beside. */
export function IntervalLine({
  from,
  to,
  label,
}: {
  from: { x: number; y: number }
  to: { x: number; y: number; turnY: number }
  label: string
}) {
  return (
    <>
      <path d={`M${from.x} ${from.y}V${to.turnY}H${to.x}V${to.y}`} fill="none" stroke="var(--soft)" />
      <text
        x={Math.max(from.x, to.x) + 9}
        y={to.turnY + 5}
        fontSize={14}
        fill="var(--ink)"
        stroke="var(--case)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {label}
      </text>
    </>
  )
}
