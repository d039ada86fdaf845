'use client'

import { exportKit } from '@/session/actions/files'
import { useSession, useSessionState } from '@/session/react'
import { Button } from '@/ui/Button'

/** Says plainly when something is not kept, and what to do about it. */
export function StorageBanner() {
  const session = useSession()
  const { phase, saveFailed, unsaved, unreadable } = useSessionState()
  if (!session) return null
  const text =
    phase === 'no-storage'
      ? 'This browser keeps nothing for this page (a private window, or storage switched off). What you do here is lost when it closes: export the kit before.'
      : saveFailed
        ? `The last ${unsaved || ''} changes could not be saved: the disk may be full. They are still here. Free some space and try again, or export the kit now.`
        : unreadable > 0
          ? `${unreadable} entries of the log were written by another version and are left aside, unchanged. Update Humbra to see them.`
          : null
  if (!text) return null
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-6 py-3 text-caution"
    >
      <p className="min-w-0 flex-1">{text}</p>
      {saveFailed ? <Button onClick={() => void session.retrySave()}>Try again</Button> : null}
      {phase === 'no-storage' || saveFailed ? (
        <Button onClick={() => exportKit(session)}>Export the kit</Button>
      ) : null}
    </div>
  )
}
