'use client'

import type { KitState } from '@/core/log/fold'
import { notInFile } from '@/session/filed'
import { useSelect } from '@/session/react'
import type { Session } from '@/session/session'
import { notInFileText } from '@/text/logbook'
import { Button } from '@/ui/Button'

/** So many acts that only this device has are worth a word. */
const WORTH_SAYING = 25

interface Props {
  session: Session
  kit: KitState
  always?: boolean
}

/** Reminds of what is in no file yet; nothing is said of a demo, or of little. */
export function BackupLine({ session, kit, always = false }: Props) {
  const open = useSelect(({ logs, settings }) => {
    const log = logs.get(kit.id)
    return log && !kit.simulated ? JSON.stringify(notInFile(log, settings)) : null
  })
  if (open === null) return null
  const found = JSON.parse(open) as ReturnType<typeof notInFile>
  if (!always && found.count < WORTH_SAYING) return null
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 text-[15px]">
      <span>{notInFileText(found)}</span>
      {found.count ? (
        <Button
          tone="quiet"
          className="underline"
          onClick={() => void import('@/session/actions/files').then(({ exportKit }) => exportKit(session))}
        >
          save the kit file
        </Button>
      ) : null}
    </p>
  )
}
