'use client'

import { useSelect } from '@/session/react'

/** Says that something is on its way to the database; nothing where all that is shown is kept. */
export function Keeping() {
  const { onTheWay, stopped } = useSelect((state) => ({
    onTheWay: state.onTheWay.size,
    stopped: state.trouble !== null || state.phase === 'no-storage',
  }))
  return (
    <span
      data-on-the-way={onTheWay}
      className="text-xs whitespace-nowrap text-soft max-md:absolute max-md:top-10 max-md:right-0 md:block md:min-h-5 md:px-5"
    >
      {onTheWay === 0 ? null : stopped ? 'not kept' : 'keeping…'}
    </span>
  )
}
