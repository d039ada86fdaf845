import type { CSSProperties, ReactNode } from 'react'
import { clsx } from 'clsx'
import { tornPolygon } from './torn'

interface Props {
  seed: number
  children?: ReactNode
  className?: string
  outerClass?: string
  left?: boolean
  right?: boolean
  teeth?: number
}

/** A strip of tape: torn left and right, straight above and below, a hair of shadow. */
export function Tape({
  seed,
  children,
  className,
  outerClass,
  left = true,
  right = true,
  teeth = 14,
}: Props) {
  const torn: CSSProperties = { clipPath: tornPolygon(seed, { left, right, teeth }) }
  return (
    <div className={clsx('relative min-w-0', outerClass)}>
      {/* Not a CSS filter: that would draw the whole strip anew, blurred, with every mark that moves on it. */}
      <div aria-hidden style={torn} className="bg-shadow absolute inset-x-0 top-px -bottom-px" />
      <div style={torn} className={clsx('bg-tape relative', className)}>
        {children}
      </div>
    </div>
  )
}
