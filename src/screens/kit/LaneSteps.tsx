'use client'

import { hereOf } from '@/session/here'
import { DropdownMenu } from 'radix-ui'
import { drumJob } from '@/core/status/line'
import { besideOf, lineOf, stopLabel, type Stop } from '@/core/status/steps'
import type { Drum } from '@/core/records/kit'
import { useKit, useSession } from '@/session/react'
import { stepState } from '@/text/steps'
import { ITEM } from './menuItem'

/** There while the menu is open: only then the job is worked out. */
export function LaneSteps({ drum, onOpen }: { drum: Drum; onOpen: (stop: Stop) => void }) {
  const kit = useKit()
  const session = useSession()
  if (!kit || !session) return null
  const job = drumJob(hereOf(session.get(), kit), drum, 'batter')
  const beside = besideOf(drum).map((step): Stop => ({ step, side: 'batter' }))
  return (
    <div className="grid grid-cols-2">
      {[...lineOf(drum, 'batter'), ...beside].map((stop) => {
        const { says, open } = stepState(job, stop)
        return (
          <DropdownMenu.Item
            key={`${stop.step}/${stop.side}`}
            onSelect={() => onOpen(stop)}
            className={`${ITEM} px-4 py-1.5`}
          >
            <span className="block text-[17px] leading-tight font-bold">{stopLabel(stop)}</span>
            <span className="block truncate text-sm text-soft">
              {[says, open].filter(Boolean).join(', ')}
            </span>
          </DropdownMenu.Item>
        )
      })}
    </div>
  )
}
