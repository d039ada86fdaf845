'use client'

import { lazy, Suspense, useState, type ReactNode } from 'react'
import type { MenuParts } from './MenuBody'

const load = () => import('./MenuBody')
const MenuBody = lazy(load)

/** How an item of a menu looks. */
export const MENU_ITEM =
  'flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-case data-[highlighted]:font-bold'

interface Props {
  /** What the button is called where its content does not say it. */
  label?: string
  button: ReactNode
  className: string
  contentClass?: string
  align?: 'start' | 'end'
  modal?: boolean
  children: (parts: MenuParts) => ReactNode
}

/** A button with a menu behind it. What draws menus is loaded when the first one is asked for. */
export function Menu({
  label,
  button,
  className,
  contentClass,
  align = 'start',
  modal = false,
  children,
}: Props) {
  const [asked, setAsked] = useState(false)
  const look = { type: 'button' as const, 'aria-label': label, className }
  const waiting = (
    <button
      {...look}
      aria-haspopup="menu"
      aria-expanded={false}
      onPointerEnter={() => void load()}
      onFocus={() => void load()}
      onClick={() => setAsked(true)}
      onKeyDown={(event) => {
        if (event.key !== 'ArrowDown') return
        event.preventDefault()
        setAsked(true)
      }}
    >
      {button}
    </button>
  )
  if (!asked) return waiting
  return (
    <Suspense fallback={waiting}>
      <MenuBody
        trigger={<button {...look}>{button}</button>}
        align={align}
        modal={modal}
        className={contentClass}
      >
        {children}
      </MenuBody>
    </Suspense>
  )
}
