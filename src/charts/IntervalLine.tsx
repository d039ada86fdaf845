import { HaloText } from './HaloText'
interface Props {
  from: { x: number; y: number }
  to: { x: number; y: number; turnY: number }
  label: string
  /** Said loudly: the two are too close. */
  caution?: boolean
}

/** From one drum's mark down to the next drum's, the interval written beside. */
export function IntervalLine({ from, to, label, caution = false }: Props) {
  return (
    <>
      <path
        d={`M${from.x} ${from.y}V${to.turnY}H${to.x}V${to.y}`}
        fill="none"
        stroke={caution ? 'var(--caution)' : 'var(--soft)'}
        strokeWidth={caution ? 2.5 : 1}
      />
      <HaloText
        x={Math.max(from.x, to.x) + 9}
        y={to.turnY + 5}
        fontSize={caution ? 20 : 14}
        fontWeight={caution ? 800 : 400}
        fill={caution ? 'var(--caution)' : 'var(--ink)'}
      >
        {label}
      </HaloText>
    </>
  )
}
