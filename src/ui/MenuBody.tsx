'use client'

import { DropdownMenu } from 'radix-ui'
import { clsx } from 'clsx'
import type { ReactElement, ReactNode } from 'react'

export interface MenuBodyProps {
  /** The button that opened it, and opens it again. */
  trigger: ReactElement
  align: 'start' | 'end'
  modal: boolean
  className?: string | undefined
  children: (parts: MenuParts) => ReactNode
}

/** What a menu is made of, handed to who fills it: loaded with the menu itself. */
export interface MenuParts {
  Item: typeof DropdownMenu.Item
  Separator: typeof DropdownMenu.Separator
}

const PARTS: MenuParts = { Item: DropdownMenu.Item, Separator: DropdownMenu.Separator }

/** A menu that was asked for: open at once. */
export default function MenuBody({ trigger, align, modal, className, children }: MenuBodyProps) {
  return (
    <DropdownMenu.Root modal={modal} defaultOpen>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          collisionPadding={8}
          className={clsx('z-50 bg-tape py-2 text-ink shadow-xl', className)}
        >
          {children(PARTS)}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
