import type { SVGProps } from 'react'

/** Words on a chart that lie over lines: a rim of the ground's colour keeps them apart. */
export function HaloText({
  ground = 'var(--case)',
  ...rest
}: SVGProps<SVGTextElement> & { ground?: string }) {
  return <text fill="var(--soft)" stroke={ground} strokeWidth={4} paintOrder="stroke" {...rest} />
}
