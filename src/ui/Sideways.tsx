import type { ReactNode } from 'react'
import { clsx } from 'clsx'

interface Props {
  label: string
  className?: string | undefined
  children: ReactNode
}

/** Something wide that scrolls by itself, also by keys: the page never does. */
export function Sideways({ label, className, children }: Props) {
  return (
    <div role="group" aria-label={label} tabIndex={0} className={clsx('overflow-x-auto', className)}>
      {children}
    </div>
  )
}
