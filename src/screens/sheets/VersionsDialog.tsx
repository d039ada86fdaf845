'use client'

import { hereOf } from '@/session/here'
import { allRodsText } from '@/text/relation'
import type { Sheet } from '@/core/log/sheets'
import { format } from 'date-fns'
import { useState } from 'react'
import { differences, standingNow, type KitSays } from '@/core/sheets/compare'
import type { KitState } from '@/core/log/fold'
import type { SheetVersion } from '@/core/log/sheets'
import { bringBack } from '@/session/actions/sheets'
import { useSelect, useSession } from '@/session/react'
import { centsText, hzText } from '@/text/heads'
import { layersText } from '@/text/strokes'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { Pick } from '@/ui/Pick'

const NOW = 'now'

interface Props {
  kit: KitState
  sheet: Sheet
  onClose: () => void
}

/** Versions of a sheet, and any two states of the kit head by head: cents, and the turns between them. */
export function VersionsDialog({ kit, sheet, onClose }: Props) {
  const session = useSession()
  const here = useSelect((state) => hereOf(state, kit))
  const versions = kit.sheets.flatMap((each) => each.versions.map((version) => ({ sheet: each, version })))
  const [from, setFrom] = useState<string>(NOW)
  const [to, setTo] = useState(sheet.versions.at(-1)?.id ?? NOW)
  if (!session) return null
  const says = (id: string): KitSays =>
    id === NOW
      ? standingNow(here)
      : (versions.find(({ version }) => version.id === id)?.version.drums ?? new Map())
  const items = [
    { value: NOW, label: 'the kit as it stands' },
    ...versions
      .map((each) => ({ value: each.version.id, label: labelOf(each.sheet, each.version) }))
      .reverse(),
  ]
  const [a, b] = [says(from), says(to)]
  const rows = differences(here, a, b)
  const beside = kit.drums.flatMap((drum) => besideText(drum.name, a.get(drum.id), b.get(drum.id)))
  const older = versions.find(({ version }) => version.id === to && version !== sheet.versions.at(-1))
  const own = older && older.sheet.id === sheet.id ? older.version : null
  return (
    <Modal
      open
      wide
      onClose={onClose}
      title={`Versions of ${sheet.name}`}
      description="Any two states of the kit, head by head: how far apart, and the turns of every rod from the first to the second."
    >
      <div className="flex flex-col">
        <Pick label="from" className="min-w-0" value={from} items={items} onChange={setFrom} />
        <Pick label="to" className="min-w-0" value={to} items={items} onChange={setTo} />
      </div>
      <div className="overflow-x-auto">
        <table className="mt-2 w-full text-left">
          <thead className="text-sm text-soft">
            <tr>
              {['head', 'from', 'to', 'cents', 'all rods'].map((head) => (
                <th key={head} scope="col" className="py-1 pr-3 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ drum, side, fromHz, toHz, cents, turns }) => (
              <tr key={`${drum.id}/${side}`} className="border-t border-line">
                <th scope="row" className="py-1 pr-3 font-bold whitespace-nowrap">
                  {drum.name}, {side}
                </th>
                <td>{fromHz === null ? '–' : hzText(fromHz)}</td>
                <td>{toHz === null ? '–' : hzText(toHz)}</td>
                <td>{cents === null ? '' : centsText(cents)}</td>
                <td>{turns === null ? '' : allRodsText(turns)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {beside.length ? (
        <ul className="mt-3 leading-snug">
          {beside.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      ) : null}
      {own ? (
        <Button
          tone="act"
          className="mt-4"
          onClick={() => {
            bringBack(session, sheet, own)
            onClose()
          }}
        >
          Make this version the newest
        </Button>
      ) : null}
    </Modal>
  )
}

const labelOf = (sheet: Sheet, { at, notes }: SheetVersion) =>
  `${sheet.name}, ${format(new Date(at), 'd MMM yyyy HH:mm')}${notes ? `: ${notes.slice(0, 40)}` : ''}`

type Says = ReturnType<KitSays['get']>

/** What differs beside the pitches. */
function besideText(name: string, a: Says, b: Says): string[] {
  if (!a || !b) return []
  const wires = (says: NonNullable<Says>) =>
    says.wires ? `${says.wires.knob} ${says.wires.unit}` : 'not noted'
  const film = (says: NonNullable<Says>, side: 'batter' | 'resonant') =>
    `${says.heads[side].pliesMils.join('+')} mil${says.heads[side].fittedOn ? ` of ${says.heads[side].fittedOn}` : ''}`
  return [
    ...(a.layers.join() === b.layers.join()
      ? []
      : [`${name}: muffling ${layersText(a.layers)}, then ${layersText(b.layers)}.`]),
    ...(wires(a) === wires(b) ? [] : [`${name}: wires ${wires(a)}, then ${wires(b)}.`]),
    ...(['batter', 'resonant'] as const).flatMap((side) =>
      film(a, side) === film(b, side)
        ? []
        : [`${name}: another ${side} head, ${film(a, side)}, then ${film(b, side)}.`],
    ),
  ]
}
