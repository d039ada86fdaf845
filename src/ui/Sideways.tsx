import type { ReactNode } from 'react'
import { clsx } from 'clsx'

/** Something wide that scrolls by itself, also by keys: the page never does. */
export function Sideways({
  label,
  className,
  children,
}: {
  label: string
  className?: string | undefined
  children: ReactNode
}) {
  return (
    <div role="group" aria-label={label} tabIndex={0} className={clsx('overflow-x-auto', className)}>
      {children}
    </div>
  )
}
