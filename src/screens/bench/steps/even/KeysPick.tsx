'use client'

import { useSelect, useSession } from '@/session/react'
import { Pick } from '@/ui/Pick'

/** One key or two: with two both rods of a pair turn together. */
export function KeysPick() {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  return (
    <Pick
      label="keys"
      value={String(settings.keys)}
      items={[
        { value: '1', label: 'one' },
        { value: '2', label: 'two' },
      ]}
      onChange={(value) => session?.setSettings({ keys: value === '1' ? 1 : 2 })}
    />
  )
}
