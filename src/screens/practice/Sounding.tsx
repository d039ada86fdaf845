import { HeadOutline } from '@/charts/HeadOutline'
import type { Drill } from './useDrill'

const SIZE = 300
const PLACES = ['first', 'second', 'third']

/** The drum of the drill, and which of its taps sounds: what one looks at while listening. */
export function Sounding({ drill }: { drill: Drill }) {
  const { trial, sounding, told, phase } = drill
  const radius = SIZE * 0.4
  const half = SIZE / 2
  const word =
    told !== null
      ? told.right
        ? 'right'
        : 'wrong'
      : sounding !== null && trial
        ? trial.taps.length > 1
          ? PLACES[sounding]
          : 'listen'
        : phase === 'ask'
          ? '?'
          : ''
  return (
    <svg width={SIZE} height={SIZE} aria-hidden className="mx-auto block">
      <HeadOutline size={SIZE} radius={radius} badge={{ x: half, y: half - radius - 9 }} />
      {sounding !== null ? (
        <circle cx={half} cy={half} r={radius} fill="none" stroke="var(--act)" strokeWidth={8} />
      ) : null}
      <text x={half} y={half + 16} textAnchor="middle" fontSize={48} fontWeight={800} fill="var(--ink)">
        {word}
      </text>
    </svg>
  )
}
