'use client'

import type { KitState } from '@/core/log/fold'
import { chooseSheet } from '@/session/actions/edits'
import type { Session } from '@/session/session'
import { Pick } from '@/ui/Pick'

/** The sheet that the kit is held against, on the places that show it so. */
export function HeldAgainst({ session, kit }: { session: Session; kit: KitState }) {
  if (kit.sheets.length === 0) return null
  return (
    <Pick
      label="held against"
      value={kit.sheet ?? ''}
      items={[
        ...kit.sheets.map(({ id, name }) => ({ value: id, label: name })),
        { value: '', label: 'no sheet' },
      ]}
      onChange={(value) => chooseSheet(session, value || null)}
    />
  )
}
