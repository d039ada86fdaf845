'use client'

import { useGo } from '@/ui/useGo'
import type { Sheet } from '@/core/log/sheets'
import { DropdownMenu } from 'radix-ui'
import { Ellipsis } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import type { KitState } from '@/core/log/fold'
import { fileName, saveBlob } from '@/files/save'
import { archiveSheet, copySheet, noteOnSheet, removeSheet, renameSheet } from '@/session/actions/sheets'
import { useSelect, useSession } from '@/session/react'
import { targetsCsv } from '@/text/csv'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { VersionsDialog } from './VersionsDialog'

type Asking = { what: 'rename' | 'copy' | 'notes'; text: string } | { what: 'versions' } | null

const TITLES = { rename: 'Rename', copy: 'Copy', notes: 'Notes on' }
const LABELS = {
  rename: 'Name of the sheet',
  copy: 'Name of the copy',
  notes: 'Room, song, weather, what it was for',
}

/** What can be done with a sheet beside holding the kit against it. */
export function SheetMenu({ kit, sheet }: { kit: KitState; sheet: Sheet }) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const go = useGo()
  const [asking, setAsking] = useState<Asking>(null)
  if (!session) return null
  const notes = sheet.versions.at(-1)?.notes ?? ''
  const asked = asking && asking.what !== 'versions' ? asking : null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!asked) return
    const text = asked.text.trim()
    if (asked.what === 'notes') noteOnSheet(session, sheet, text)
    else if (!text) return
    else if (asked.what === 'rename') renameSheet(session, sheet.id, text.slice(0, 60))
    else copySheet(session, sheet, text.slice(0, 60))
    setAsking(null)
  }
  const items = [
    { label: 'Versions and comparing', run: () => setAsking({ what: 'versions' }) },
    {
      label: 'Print, or save as a picture',
      run: () => go(`/print?sheet=${encodeURIComponent(sheet.id)}`),
    },
    { label: 'Notes', run: () => setAsking({ what: 'notes', text: notes }) },
    { label: 'Rename', run: () => setAsking({ what: 'rename', text: sheet.name }) },
    { label: 'Copy', run: () => setAsking({ what: 'copy', text: `${sheet.name}, copy`.slice(0, 60) }) },
    {
      label: 'Targets as CSV',
      run: () =>
        saveBlob(
          new Blob([targetsCsv(kit, sheet, settings.a4Hz)], { type: 'text/csv' }),
          fileName(sheet.name, 'csv'),
        ),
    },
    {
      label: sheet.archived ? 'Bring back from the archive' : 'Archive',
      run: () => archiveSheet(session, sheet, !sheet.archived),
    },
    { label: 'Remove', run: () => removeSheet(session, sheet.id, sheet.name) },
  ]
  return (
    <>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          aria-label={`More for ${sheet.name}`}
          className="flex size-11 shrink-0 items-center justify-center text-soft"
        >
          <Ellipsis aria-hidden size={20} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" className="z-50 min-w-60 bg-tape py-2 text-ink shadow-xl">
            {items.map(({ label, run }) => (
              <DropdownMenu.Item
                key={label}
                onSelect={run}
                className="flex min-h-11 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-case data-[highlighted]:font-bold"
              >
                {label}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {asking?.what === 'versions' ? (
        <VersionsDialog kit={kit} sheet={sheet} onClose={() => setAsking(null)} />
      ) : null}
      {asked ? (
        <Modal open onClose={() => setAsking(null)} title={`${TITLES[asked.what]} ${sheet.name}`}>
          <form onSubmit={submit} className="space-y-5">
            <Field label={LABELS[asked.what]}>
              {asked.what === 'notes' ? (
                <textarea
                  autoFocus
                  rows={5}
                  value={asked.text}
                  maxLength={2000}
                  onChange={(event) => setAsking({ ...asked, text: event.target.value })}
                  className={`${INPUT_CLASS} py-2`}
                />
              ) : (
                <input
                  autoFocus
                  value={asked.text}
                  maxLength={60}
                  onChange={(event) => setAsking({ ...asked, text: event.target.value })}
                  className={INPUT_CLASS}
                />
              )}
            </Field>
            <Button tone="act" type="submit" disabled={asked.what !== 'notes' && !asked.text.trim()}>
              {asked.what === 'notes' ? 'Keep the notes' : TITLES[asked.what]}
            </Button>
          </form>
        </Modal>
      ) : null}
    </>
  )
}
