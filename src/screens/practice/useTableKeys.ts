'use client'

import { useEffect, useRef } from 'react'
import type { TableNow } from './useTable'

/** Digits tap lugs, as on the Bench: 1 to 9, 0 for the tenth. */
export function useTableKeys(now: TableNow, lugs: number) {
  const latest = useRef(now)
  useEffect(() => {
    latest.current = now
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      if (event.ctrlKey || event.metaKey || event.altKey || !/^\d$/.test(event.key)) return
      if (target.closest('input, textarea, select, [role="dialog"], [role="menu"]')) return
      const lug = event.key === '0' ? 10 : Number(event.key)
      if (lug <= lugs) void latest.current.tap(lug)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [lugs])
}
