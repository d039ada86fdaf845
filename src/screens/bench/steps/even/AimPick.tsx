'use client'

import { useState } from 'react'
import { setAim } from '@/session/actions/sheets'
import type { BenchView } from '@/session/benchView'
import { useSession, useTuning } from '@/session/react'
import { HzField } from '@/ui/fields'
import { hzText } from '@/text/heads'
import { Pick as PickField } from '@/ui/Pick'
import { useCommander } from '../../../shell/commander'

/** What the head is brought to: the sheet's target, a pitch, or even where it stands. */
export function AimPick({ drum, side, aim, kept }: Pick<BenchView, 'drum' | 'side' | 'aim' | 'kept'>) {
  const session = useSession()
  const { run } = useCommander()
  const tuning = useTuning()
  const [typing, setTyping] = useState<string | null>(null)
  if (!session) return null
  const items = [
    ...(kept
      ? [
          {
            value: 'sheet',
            label: `${hzText(kept.meanHz)} Hz${kept.offsetTurns ? ' uneven' : ''}, the sheet’s`,
          },
        ]
      : []),
    { value: 'hz', label: aim.kind === 'hz' ? `${hzText(aim.hz)} Hz` : 'a pitch…' },
    ...(aim.kind === 'hz' ? [{ value: 'another', label: 'another pitch…' }] : []),
    ...(aim.kind === 'bed'
      ? [{ value: 'bed', label: `${hzText(aim.hz)} Hz, bed −${Math.round(aim.bedCents)} c` }]
      : []),
    { value: 'level', label: 'even where it is' },
    {
      value: 'offsets',
      label: aim.kind === 'offsets' ? `uneven at ${hzText(aim.hz)} Hz` : 'uneven on purpose…',
    },
    ...(aim.kind === 'offsets' ? [{ value: 'change', label: 'other turns…' }] : []),
  ]
  const change = (value: string) => {
    if (value === 'offsets' || value === 'change') run('bench.uneven')
    else if (value === 'hz' || value === 'another') setTyping(aim.kind === 'hz' ? hzText(aim.hz) : '')
    else if (value !== 'bed') setAim(session, drum, side, { kind: value as 'sheet' | 'level' })
  }
  if (typing !== null) {
    return (
      <HzField
        label="target, Hz"
        text={typing}
        {...tuning}
        autoFocus
        onTake={(hz) => {
          setAim(session, drum, side, { kind: 'hz', hz })
          setTyping(null)
        }}
        onLeave={() => setTyping(null)}
      />
    )
  }
  return <PickField label="cents from" value={aim.kind} items={items} onChange={change} />
}
