'use client'

import { useState, type FormEvent } from 'react'
import { setAim } from '@/session/actions/sheets'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { parseNumber } from '@/core/units/number'
import { hzText } from '@/text/heads'
import { Pick as PickField } from '@/ui/Pick'
import { useCommander } from '../shell/commander'

/** What the head is brought to: the sheet's target, a pitch, or even where it stands. */
export function AimPick({ drum, side, aim, kept }: Pick<BenchView, 'drum' | 'side' | 'aim' | 'kept'>) {
  const session = useSession()
  const { run } = useCommander()
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
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const hz = parseNumber(typing ?? '')
    if (hz !== null && hz >= 15 && hz <= 2000) setAim(session, drum, side, { kind: 'hz', hz })
    setTyping(null)
  }
  if (typing !== null) {
    return (
      <form onSubmit={submit} className="flex min-h-11 items-center gap-2">
        <label className="text-sm text-soft" htmlFor="aim-hz">
          target, Hz
        </label>
        <input
          id="aim-hz"
          autoFocus
          inputMode="decimal"
          value={typing}
          onChange={(event) => setTyping(event.target.value)}
          onBlur={submit}
          onKeyDown={(event) => event.key === 'Escape' && setTyping(null)}
          className="min-h-11 w-24 border-b-2 border-soft bg-tape px-2 font-bold"
        />
      </form>
    )
  }
  return <PickField label="target" value={aim.kind} items={items} onChange={change} />
}
