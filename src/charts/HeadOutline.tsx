interface Props {
  size: number
  radius: number
  badge: { x: number; y: number }
}

/** The head from outside, its badge beside it: what key map and star map are drawn on. */
export function HeadOutline({ size, radius, badge }: Props) {
  return (
    <>
      <circle
        cx={size / 2}
        cy={size / 2}
        r={radius}
        fill="var(--tape)"
        stroke="var(--soft)"
        strokeWidth={2}
      />
      <rect x={badge.x - 10} y={badge.y - 4} width={20} height={7} fill="var(--soft)" />
    </>
  )
}
