'use client'

import { useEffect, useRef, useState } from 'react'

/** Width of an element in px, followed as it changes; `start` until it is known. */
export function useWidth<E extends HTMLElement>(start: number) {
  const ref = useRef<E>(null)
  const [width, setWidth] = useState(start)
  useEffect(() => {
    const element = ref.current
    if (!element) return
    const observer = new ResizeObserver(([entry]) => setWidth(Math.round(entry.contentRect.width)))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return [ref, width] as const
}
