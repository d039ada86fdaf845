import type { CSSProperties, ReactNode } from 'react'
import { clsx } from 'clsx'
import { tornPolygon } from './torn'

/** A strip of tape: torn left and right, straight above and below, a hair of shadow. */
export function Tape({
  seed,
  children,
  className,
  left = true,
  right = true,
  teeth = 14,
}: {
  seed: number
  children?: ReactNode
  className?: string
  left?: boolean
  right?: boolean
  teeth?: number
}) {
  const torn: CSSProperties = { clipPath: tornPolygon(seed, { left, right, teeth }) }
  return (
    <div className="tape-shadow min-w-0">
      <div style={torn} className={clsx('bg-tape', className)}>
        {children}
      </div>
    </div>
  )
}
