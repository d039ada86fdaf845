import { tornEdge } from './torn'

const DEPTH = 5
const TEETH = 9

/** Where one piece of tape was torn from the next: a thin ragged line, as high as what it stands in. */
export function TornLine({ seed }: { seed: number }) {
  const path = tornEdge(seed, TEETH + 1, DEPTH)
    .map((x, i) => `${i === 0 ? 'M' : 'L'}${(x + 0.5).toFixed(1)} ${((100 * i) / TEETH).toFixed(1)}`)
    .join('')
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${DEPTH + 1} 100`}
      preserveAspectRatio="none"
      className="h-0 min-h-full w-1.5 shrink-0"
    >
      <path d={path} fill="none" stroke="var(--line)" strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
    </svg>
  )
}
