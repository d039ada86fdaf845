'use client'

import { useEffect, useEffectEvent } from 'react'
import { toast, Toaster } from 'sonner'
import { useSelect } from '@/session/react'
import { useCommander } from './commander'

/** What the session has to say, shown for a few seconds at the lower edge, with Undo where that helps. */
export function Notices() {
  const notice = useSelect((state) => state.notice)
  const { run } = useCommander()
  const undo = useEffectEvent(() => run('undo'))
  // One toast a notice: the notice is the same object for as long as it stands.
  useEffect(() => {
    if (!notice) return
    toast(notice.text, {
      id: notice.by ?? notice.id,
      duration: notice.details ? Infinity : notice.tone === 'caution' ? 12_000 : 6_000,
      ...(notice.details ? { description: <Details text={notice.details} />, closeButton: true } : {}),
      ...(notice.undo ? { action: { label: 'Undo', onClick: () => undo() } } : {}),
    })
  }, [notice])
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

/** Where in a file something was wrong, for those who look there. */
function Details({ text }: { text: string }) {
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 underline">details</summary>
      <code className="text-sm break-words">{text}</code>
    </details>
  )
}
