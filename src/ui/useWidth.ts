'use client'

import { useCallback, useEffect, useState } from 'react'

/** Width and height of an element in px, followed as they change and from the moment it is there; `start` until then. */
export function useBox<E extends HTMLElement>(start: { width: number; height: number }) {
  const [element, setElement] = useState<E | null>(null)
  const [box, setBox] = useState(start)
  const measure = useCallback(
    (of: E) =>
      setBox((before) => {
        const now = inner(of)
        return now.width === before.width && now.height === before.height ? before : now
      }),
    [],
  )
  // Measured as it is put into the page, before anything is painted: nothing is ever drawn too wide.
  const ref = useCallback(
    (next: E | null) => {
      setElement(next)
      if (next?.clientWidth) measure(next)
    },
    [measure],
  )
  useEffect(() => {
    if (!element) return
    const observer = new ResizeObserver(() => measure(element))
    observer.observe(element)
    return () => observer.disconnect()
  }, [element, measure])
  return [ref, box] as const
}

/** Without its padding, in whole px. */
function inner(element: HTMLElement): { width: number; height: number } {
  const style = getComputedStyle(element)
  const of = (...names: string[]) =>
    names.reduce((sum, name) => sum + (parseFloat(style.getPropertyValue(name)) || 0), 0)
  return {
    width: Math.floor(element.clientWidth - of('padding-left', 'padding-right')),
    height: Math.floor(element.clientHeight - of('padding-top', 'padding-bottom')),
  }
}

/** Its width alone. */
export function useWidth<E extends HTMLElement>(start: number) {
  const [ref, { width }] = useBox<E>({ width: start, height: 0 })
  return [ref, width] as const
}
