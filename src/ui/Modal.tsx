'use client'

import { Dialog } from 'radix-ui'
import { clsx } from 'clsx'
import { X } from 'lucide-react'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { enterWindow } from './windowHistory'

interface Props {
  open: boolean
  onClose: () => void
  title: string
  description?: string
  wide?: boolean
  children: ReactNode
}

/** A window over the case: no card, a plain sheet with a rule under its title. Back closes it, as Escape does. */
export function Modal({ open, onClose, title, description, wide = false, children }: Props) {
  // What had the focus when it opened has it again when it closes.
  const [from] = useState(() => (typeof document === 'undefined' ? null : document.activeElement))
  const close = useRef(onClose)
  useEffect(() => {
    close.current = onClose
  })
  useEffect(() => (open ? enterWindow(() => close.current()) : undefined), [open])
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content
          aria-describedby={description ? undefined : ''}
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            if (from instanceof HTMLElement && from.isConnected) from.focus()
          }}
          className={clsx(
            'fixed top-1/2 left-1/2 z-50 max-h-[92dvh] -translate-x-1/2 -translate-y-1/2 overflow-y-auto bg-case p-5 text-ink shadow-xl md:p-6',
            wide ? 'w-[min(96vw,820px)]' : 'w-[min(94vw,640px)]',
          )}
        >
          <div className="mb-4 flex items-start justify-between gap-4 border-b border-line pb-3">
            <div>
              <Dialog.Title className="text-2xl font-bold">{title}</Dialog.Title>
              {description ? (
                <Dialog.Description className="mt-1 text-soft">{description}</Dialog.Description>
              ) : null}
            </div>
            <Dialog.Close
              aria-label="Close"
              className="-mt-2 -mr-2 flex size-11 shrink-0 items-center justify-center"
            >
              <X aria-hidden size={22} />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
