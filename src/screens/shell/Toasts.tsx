'use client'

import { useEffect, useEffectEvent } from 'react'
import { toast, Toaster } from 'sonner'
import { useSelect } from '@/session/react'
import { useCommander } from './commander'

/** What the session has to say, shown for a few seconds at the lower edge, with Undo where that helps. */
export default function Toasts() {
  const notice = useSelect((state) => state.notice)
  const { run } = useCommander()
  const undo = useEffectEvent(() => run('undo'))
  // One toast a notice: the notice is the same object for as long as it stands.
  useEffect(() => {
    if (notice?.by !== 'work') toast.dismiss('work')
    if (!notice) return
    const { id, by, text, tone, undo: canUndo, details, stop } = notice
    const told = { id: by ?? id, duration: details ? Infinity : tone === 'caution' ? 12_000 : 6_000 }
    if (stop) toast(text, { id: by ?? id, duration: Infinity, action: { label: 'Stop', onClick: stop } })
    else if (details)
      toast(text, {
        ...told,
        action: {
          label: 'Details',
          onClick: (event) => {
            // The same notice, with the place in the file; it stays until it is closed.
            event.preventDefault()
            toast(`${text} In the file: ${details}.`, {
              ...told,
              action: { label: 'Close', onClick: () => undefined },
            })
          },
        },
      })
    else toast(text, { ...told, ...(canUndo ? { action: { label: 'Undo', onClick: () => undo() } } : {}) })
  }, [notice])
  return (
    <Toaster
      position="bottom-center"
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'flex w-[min(92vw,560px)] items-center justify-between gap-4 bg-ink px-5 py-3 text-base text-case shadow-xl',
          actionButton: 'min-h-11 shrink-0 px-3 font-bold whitespace-nowrap underline',
        },
      }}
    />
  )
}
