'use client'

import { useState } from 'react'
import { KIND_NAMES } from '@/core/records/usualDrum'
import { kitFromTable, sheetFromTable } from '@/session/actions/table'
import { useKit, useSession, useTuning } from '@/session/react'
import { hzText, noteText } from '@/text/heads'
import { readTable, type TableRow } from '@/text/table'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

/** What was understood of a table, before anything is made of it. */
export function TableDialog({ text }: { text: string }) {
  const session = useSession()
  const kit = useKit()
  const { a4Hz, noteNames } = useTuning()
  const [name, setName] = useState('From a table')
  if (!session) return null
  const table = readTable(text, kit?.drums ?? [], a4Hz, noteNames)
  const rows = table?.rows ?? []
  const here = rows.filter(({ drum }) => drum !== null)
  const sizes = rows.filter(({ said }) => said !== null)
  const leave = () => session.set({ waitingTable: null })
  const clean = name.trim().slice(0, 60)
  return (
    <Modal
      open
      wide
      onClose={leave}
      title="A table of drums and pitches"
      description="What was understood of it. Nothing is made yet."
    >
      <table className="w-full text-left">
        <thead className="text-sm text-soft">
          <tr>
            <th className="py-1 font-normal">as written</th>
            <th className="font-normal">{kit ? `in ${kit.name}` : 'understood as'}</th>
            <th className="font-normal">batter</th>
            <th className="font-normal">resonant</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i} className="border-t border-line align-top">
              <td className="py-2 pr-3 font-bold">{row.name}</td>
              <td className="py-2 pr-3">{meantText(row, kit?.drums ?? [])}</td>
              {[row.batterHz, row.resonantHz].map((hz, j) => (
                <td key={j} className="py-2 pr-3">
                  {hz === null ? '–' : `${hzText(hz)} Hz, ${noteText(hz, a4Hz)}`}
                  {j === 1 && row.odd.length ? (
                    <span className="block text-sm font-bold text-caution">
                      no pitch: {row.odd.join(', ')}
                    </span>
                  ) : null}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-5 max-w-sm">
        <Field label="Name">
          <input
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
      </div>
      <div className="mt-4 flex flex-wrap gap-3">
        {kit && here.length ? (
          <Button tone="act" disabled={!clean} onClick={() => sheetFromTable(session, clean, here)}>
            Make it a sheet of {kit.name}
          </Button>
        ) : null}
        {sizes.length ? (
          <Button
            tone={here.length ? 'line' : 'act'}
            disabled={!clean}
            onClick={() => kitFromTable(session, clean, sizes)}
          >
            Make it a kit of {sizes.length}
          </Button>
        ) : null}
        <Button onClick={leave}>Leave it</Button>
      </div>
      {here.length === 0 && sizes.length === 0 ? (
        <p className="mt-3 font-bold text-caution">
          No row names a drum of this kit or says a size. Write a size beside each, such as Tom 12.
        </p>
      ) : null}
    </Modal>
  )
}

function meantText({ drum, said }: TableRow, drums: ReadonlyArray<{ id: string; name: string }>): string {
  const own = drums.find(({ id }) => id === drum)
  if (own) return own.name
  return said
    ? `${KIND_NAMES[said.kind].toLowerCase()} of ${said.diameterInches} inches, not in this kit`
    : 'no drum of this kit'
}
