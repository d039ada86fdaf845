'use client'

import { chooseSource } from '@/session/actions/said'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { SOURCES } from '../../../sources'

/** Before the first reading of a drum of one's own: where readings come from. Asked once. */
export function SourceAsk() {
  const session = useSession()
  if (!session) return null
  return (
    <fieldset>
      <legend className="text-2xl leading-tight font-bold">Where do readings come from?</legend>
      <ul className="mt-3">
        {SOURCES.map(({ value, label, says }) => (
          <li key={value} className="border-b border-line">
            <Button
              tone="quiet"
              className="-ml-2 w-full justify-start gap-3 text-left"
              onClick={() => chooseSource(session, value)}
            >
              <span className="text-lg font-bold">{label}</span>
              <span className="text-[15px] font-normal text-soft">{says}</span>
            </Button>
          </li>
        ))}
      </ul>
    </fieldset>
  )
}
