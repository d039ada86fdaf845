'use client'

import { useEffect, useState, type ReactNode } from 'react'

interface Props<Item> {
  items: readonly Item[]
  /** So many at first, and with each step down. */
  step: number
  children: (item: Item, i: number) => ReactNode
}

/** Items of a long list, drawn as far as it was scrolled to: thousands cost no more than those that were looked at. */
export function AsFarAsSeen<Item>({ items, step, children }: Props<Item>) {
  const [count, setCount] = useState(step)
  const [end, setEnd] = useState<HTMLElement | null>(null)
  useEffect(() => {
    if (!end) return
    const more = () => setCount((before) => before + step)
    const watch = new IntersectionObserver((seen) => seen.some((each) => each.isIntersecting) && more(), {
      rootMargin: '800px',
    })
    watch.observe(end)
    return () => watch.disconnect()
  }, [end, step, count])
  return (
    <>
      {items.slice(0, count).map(children)}
      {count < items.length ? (
        <li ref={setEnd} className="text-soft">
          {items.length - count} more
        </li>
      ) : null}
    </>
  )
}
