'use client'

import { Dialog } from 'radix-ui'
import { clsx } from 'clsx'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'

/** A dialog on the case: no card, a plain sheet with a rule under its title. */
export function Modal({
  open,
  onClose,
  title,
  description,
  wide = false,
  children,
}: {
  open: boolean
  onClose: () => void
  title: string
  description?: string
  wide?: boolean
  children: ReactNode
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content
          aria-describedby={description ? undefined : ''}
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
