import type { Page } from '@playwright/test'

/** What is wrong with how a page lies: what runs off sideways, which texts lie over each other, which targets are too small. */
export interface Faults {
  sideways: string[]
  overlapping: string[]
  small: string[]
}

/** Looks at everything that is seen now. Runs in the page: it knows nothing of this file. */
export function faultsOf(page: Page): Promise<Faults> {
  return page.evaluate(() => {
    const TOUCH_PX = 44
    const name = (element: Element) =>
      `${element.tagName.toLowerCase()} "${(element.textContent ?? '').trim().slice(0, 40)}"`
    const clipped = (element: Element, rect: DOMRect) => {
      let [left, top, right, bottom] = [rect.left, rect.top, rect.right, rect.bottom]
      for (let at: Element | null = element; at; at = at.parentElement) {
        const { overflowX, overflowY, position } = getComputedStyle(at)
        const box = at.getBoundingClientRect()
        if (overflowX !== 'visible') [left, right] = [Math.max(left, box.left), Math.min(right, box.right)]
        if (overflowY !== 'visible') [top, bottom] = [Math.max(top, box.top), Math.min(bottom, box.bottom)]
        if (position === 'fixed') break
      }
      return { left, top, right, bottom }
    }
    const layered = (element: Element) => {
      for (let at: Element | null = element; at; at = at.parentElement) {
        const { position } = getComputedStyle(at)
        if (position === 'fixed' || position === 'sticky') return true
      }
      return false
    }
    const seen = (element: Element) =>
      (element as HTMLElement).checkVisibility({ opacityProperty: true, visibilityProperty: true })
    const sideways: string[] = []
    const wide = document.documentElement.scrollWidth - window.innerWidth
    if (wide > 0) {
      for (const element of document.querySelectorAll('main *, header *')) {
        const rect = element.getBoundingClientRect()
        const shown = clipped(element, rect)
        if (rect.width > 0 && shown.right > window.innerWidth + 1 && shown.bottom > shown.top)
          sideways.push(`${wide}px: ${name(element)}`)
      }
      if (sideways.length === 0) sideways.push(`${wide}px`)
    }
    const texts: Array<{ element: Element; left: number; top: number; right: number; bottom: number }> = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement
      if (!element || !node.textContent?.trim() || !seen(element)) continue
      // A list box draws its own words; layers lie over the page on purpose.
      if (element.closest('select, option, datalist, script, style') || layered(element)) continue
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const rect of range.getClientRects()) {
        // The box of a line reaches beyond its letters, of large ones far.
        const beyond = Math.max(0, rect.height - 0.8 * parseFloat(getComputedStyle(element).fontSize)) / 2
        const letters = new DOMRect(rect.left, rect.top + beyond, rect.width, rect.height - 2 * beyond)
        const shown = clipped(element, letters)
        if (shown.right - shown.left > 2 && shown.bottom - shown.top > 4) texts.push({ element, ...shown })
      }
    }
    const overlapping: string[] = []
    texts.forEach((a, i) => {
      for (const b of texts.slice(i + 1)) {
        if (a.element === b.element || a.element.contains(b.element) || b.element.contains(a.element))
          continue
        // A chart places its own labels; what stands beside it is not for them to lie on.
        const chart = a.element.closest('svg')
        if (chart !== null && chart === b.element.closest('svg')) continue
        // A fraction is set by hand from figures that lean into each other.
        const set = a.element.closest('[aria-hidden=true]')
        if (set !== null && set === b.element.closest('[aria-hidden=true]')) continue
        const across = Math.min(a.right, b.right) - Math.max(a.left, b.left)
        const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
        // Lines that are set tight touch by a hair.
        if (across > 3 && down > 0.35 * Math.min(a.bottom - a.top, b.bottom - b.top))
          overlapping.push(`${name(a.element)} and ${name(b.element)}`)
      }
    })
    const small: string[] = []
    for (const element of document.querySelectorAll(
      'button, a[href], select, input, [role=slider], [role=radio]',
    )) {
      if (!seen(element) || element.closest('[data-sonner-toaster]')) continue
      const own = element.getBoundingClientRect()
      const label = element.closest('label')?.getBoundingClientRect()
      const [width, height] = [
        Math.max(own.width, label?.width ?? 0),
        Math.max(own.height, label?.height ?? 0),
      ]
      // Off the page until it has the focus, or one word in a sentence.
      if (own.width < 2 || own.height < 2) continue
      if (width < TOUCH_PX - 0.5 || height < TOUCH_PX - 0.5)
        small.push(
          `${name(element)} ${Math.round(width)}x${Math.round(height)} ${element.getAttribute('aria-label') ?? ''}`,
        )
    }
    return {
      sideways: sideways.slice(0, 6),
      overlapping: [...new Set(overlapping)].slice(0, 6),
      small: [...new Set(small)].slice(0, 10),
    }
  })
}
