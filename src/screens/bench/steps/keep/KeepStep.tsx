'use client'

import { useState } from 'react'
import { drumStatus } from '@/core/status/drum'
import { SITTING_GAP_MS } from '@/core/log/sittings'
import { sidesOf } from '@/core/records/plain'
import type { Side } from '@/core/records/kit'
import { drumStanding } from '@/core/sheets/compare'
import { useBenchView } from '@/session/benchReact'
import { useSelect } from '@/session/react'
import { Frame } from '../../Frame'
import { KeepPanel } from './KeepPanel'
import { KeepStrip } from './KeepStrip'

/** One head that can be kept. */
export interface Keepable {
  side: Side
  /** When it was read; null where it never was. */
  at: string | null
  /** Read in a sitting before this one: it may have moved since. */
  old: boolean
  spreadCents: number
  /** Its readings cannot stand together. */
  disagree: boolean
  /** Uneven beyond its tolerance, and not by turns that were meant. */
  rough: boolean
}

/** Everything that is known of the drum against what the sheet says of it, and one button that keeps it. */
export function KeepStep() {
  const view = useBenchView()
  const clockMs = useSelect((state) => state.clockMs)
  const sheets = view?.kit.sheets.filter(({ archived }) => !archived) ?? []
  const held = sheets.find(({ id }) => id === view?.kit.sheet) ?? null
  const [name, setName] = useState(held?.name ?? '')
  if (!view) return null
  const { here, drum } = view
  const says = drumStanding(here, drum)
  const sheet = sheets.find((each) => each.name === name.trim()) ?? null
  const status = drumStatus(here, drum)
  const heads = sidesOf(drum).map((side): Keepable => {
    const { at, verdict, disagree, evenness } = status.heads[side]
    const known = says[side] !== null || says.hand?.[side] !== undefined
    return {
      disagree,
      spreadCents: evenness.spreadCents ?? 0,
      ...{
        side,
        at: known ? at : null,
        rough: verdict === 'uneven' && says[side]?.offsetTurns === undefined,
      },
      old: known && at !== null && clockMs - Date.parse(at) > SITTING_GAP_MS,
    }
  })
  const kept = sheet?.versions.at(-1)?.drums.get(drum.id) ?? null
  return (
    <Frame
      strip={<KeepStrip drum={drum} says={says} kept={kept} heads={heads} sheet={sheet?.name ?? null} />}
      panel={
        <KeepPanel
          view={view}
          says={says}
          kept={kept}
          heads={heads}
          name={name}
          sheets={sheets.map((each) => each.name)}
          held={held?.name ?? null}
          onName={setName}
        />
      }
    />
  )
}
