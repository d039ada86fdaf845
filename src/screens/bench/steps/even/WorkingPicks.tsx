'use client'

import { clsx } from 'clsx'
import { RotateCw } from 'lucide-react'
import { useSelect, useSession } from '@/session/react'
import { Pick } from '@/ui/Pick'
import { KeysPick } from './KeysPick'

const STEPS = [
  { value: '0.125', label: '1/8 turn' },
  { value: '0.25', label: '1/4 turn' },
  { value: '0.5', label: '1/2 turn' },
  { value: '1', label: 'a full turn' },
]

/** How this hand works: keys, and the largest step of a pass. */
export function WorkingPicks() {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  if (!session) return null
  return (
    <div className="hidden items-center gap-5 md:flex">
      <KeysPick />
      <Pick
        label="at most"
        value={String(settings.largestStepTurns)}
        items={STEPS}
        onChange={(value) => session.setSettings({ largestStepTurns: Number(value) })}
      />
      <button
        type="button"
        aria-pressed={settings.turnDrum}
        aria-label="The drum is turned so that the next rod faces me"
        title="The drum is turned so that the next rod faces me"
        onClick={() => session.setSettings({ turnDrum: !settings.turnDrum })}
        className={clsx(
          'flex size-11 items-center justify-center border-b-[3px]',
          settings.turnDrum ? 'border-ink text-ink' : 'border-transparent text-soft hover:text-ink',
        )}
      >
        <RotateCw aria-hidden size={20} />
      </button>
    </div>
  )
}
