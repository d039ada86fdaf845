'use client'

import { useEffect, useState } from 'react'

/** Width of an element in px, followed as it changes and from whenever it is there; `start` until it is known. */
export function useWidth<E extends HTMLElement>(start: number) {
  const [element, ref] = useState<E | null>(null)
  const [width, setWidth] = useState(start)
  useEffect(() => {
    if (!element) return
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry.contentRect.width)))
    observer.observe(element)
    return () => observer.disconnect()
  }, [element])
  return [ref, width] as const
}
