'use client'

import { useEffect, useState } from 'react'
import type { Session } from '@/session/session'
import { useGo } from '@/ui/useGo'

/** Takes what is dropped anywhere, and a table that is pasted where nothing is typed. */
export function Incoming({ session }: { session: Session }) {
  const go = useGo()
  const [over, setOver] = useState(false)
  useEffect(() => {
    const hasFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false
    const drag = (event: DragEvent) => {
      if (!hasFiles(event)) return
      event.preventDefault()
      setOver(true)
    }
    const leave = (event: DragEvent) => event.relatedTarget === null && setOver(false)
    const drop = (event: DragEvent) => {
      if (!hasFiles(event)) return
      event.preventDefault()
      setOver(false)
      const files = [...(event.dataTransfer?.files ?? [])]
      // What reads files is needed by nobody before a file comes.
      void import('@/session/actions/incoming')
        .then(({ takeIn }) => takeIn(session, files))
        .then(({ sounds }) => sounds && go('/bench'))
    }
    const paste = (event: ClipboardEvent) => {
      const target = event.target as HTMLElement | null
      const text = event.clipboardData?.getData('text') ?? ''
      if (target?.closest('input, textarea, select, [role="dialog"]') || !/[\n\t]/.test(text)) return
      void import('@/session/actions/incoming').then(({ takeTable }) => takeTable(session, text))
    }
    window.addEventListener('dragover', drag)
    window.addEventListener('dragleave', leave)
    window.addEventListener('drop', drop)
    window.addEventListener('paste', paste)
    return () => {
      window.removeEventListener('dragover', drag)
      window.removeEventListener('dragleave', leave)
      window.removeEventListener('drop', drop)
      window.removeEventListener('paste', paste)
    }
  }, [session, go])
  if (!over) return null
  return (
    <div className="pointer-events-none fixed inset-0 z-50 flex items-center justify-center bg-case/85">
      <p className="text-center text-4xl font-bold">
        Let go
        <span className="mt-2 block text-xl font-normal text-soft">
          a kit, a backup, recordings or a table
        </span>
      </p>
    </div>
  )
}
