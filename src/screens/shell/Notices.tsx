'use client'

import { useEffect } from 'react'
import { toast, Toaster } from 'sonner'
import { useSessionState } from '@/session/react'
import { useCommander } from './CommandProvider'

/** What the session has to say, shown for a few seconds at the lower edge, with Undo where that helps. */
export function Notices() {
  const { notice } = useSessionState()
  const { run } = useCommander()
  const id = notice?.id
  useEffect(() => {
    if (!notice) return
    toast(notice.text, {
      id: notice.id,
      duration: notice.tone === 'caution' ? 12_000 : 6_000,
      ...(notice.undo ? { action: { label: 'Undo', onClick: () => run('undo') } } : {}),
    })
    // One toast a notice: its text never changes under the same id.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id])
  return (
    <Toaster
      position="bottom-center"
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'flex w-[min(92vw,560px)] items-center justify-between gap-4 bg-ink px-5 py-3 text-base text-case shadow-xl',
          actionButton: 'min-h-11 px-3 font-bold underline',
        },
      }}
    />
  )
}
