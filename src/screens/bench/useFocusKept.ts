'use client'

import { useEffect, useRef, type RefObject } from 'react'

const REACHED = 'button, a, input, select, textarea, [tabindex]'
/** The next thing to do: the first of the panel's buttons or fields, else the panel itself. */
const MAIN = '[data-acts] input:not(:disabled), [data-acts] button:not(:disabled)'

/**
 * Focus goes where the work goes: when what had it is gone (a move was made, a step was left), the next thing to do takes it. It never
 * falls to the page's body, from where a keyboard would have to begin anew.
 */
export function useFocusKept(): RefObject<HTMLDivElement | null> {
  const root = useRef<HTMLDivElement>(null)
  useEffect(() => {
    let within = false
    const entered = (event: FocusEvent) => {
      // In a window it is on its way back.
      if ((event.target as Element).closest('[role=dialog]')) return
      within = root.current?.contains(event.target as Node) ?? false
    }
    // A click beside everything lets the focus go, and means it.
    const pressed = (event: PointerEvent) => {
      if (!(event.target as Element).closest(REACHED)) within = false
    }
    const look = () => {
      if (!within || !root.current) return
      const panel = root.current.querySelector<HTMLElement>('[data-panel]')
      // The panel holds it while the next thing is worked out.
      const lost = document.activeElement === document.body
      if (!lost && document.activeElement !== panel) return
      const main = root.current.querySelector<HTMLElement>(MAIN)
      ;(main ?? (lost ? panel : null))?.focus({ preventScroll: true })
    }
    const observer = new MutationObserver(look)
    document.addEventListener('focusin', entered)
    document.addEventListener('pointerdown', pressed)
    observer.observe(document.body, { childList: true, subtree: true })
    return () => {
      document.removeEventListener('focusin', entered)
      document.removeEventListener('pointerdown', pressed)
      observer.disconnect()
    }
  }, [])
  return root
}
