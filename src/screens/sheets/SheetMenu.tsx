'use client'

import { useGo } from '@/ui/useGo'
import type { Sheet } from '@/core/log/sheets'
import { Ellipsis } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useState, type FormEvent } from 'react'
import type { KitState } from '@/core/log/fold'
import { fileName, saveBlob } from '@/files/save'
import { copyText } from '@/files/share'
import { sheetText } from '@/text/sheetText'
import { archiveSheet, copySheet, noteOnSheet, removeSheet, renameSheet } from '@/session/actions/sheets'
import { useSelect, useSession } from '@/session/react'
import { targetsCsv } from '@/text/csv'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Menu, MENU_ITEM } from '@/ui/Menu'

// Windows are loaded when one is asked for.
const Modal = dynamic(() => import('@/ui/Modal').then((module) => module.Modal))
const VersionsDialog = dynamic(() => import('./VersionsDialog').then((module) => module.VersionsDialog))

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
      label: 'Print, share, save as a picture',
      run: () => go(`/print?sheet=${encodeURIComponent(sheet.id)}`),
    },
    { label: 'Notes', run: () => setAsking({ what: 'notes', text: notes }) },
    { label: 'Rename', run: () => setAsking({ what: 'rename', text: sheet.name }) },
    { label: 'Copy', run: () => setAsking({ what: 'copy', text: `${sheet.name}, copy`.slice(0, 60) }) },
    {
      label: 'Copy as text',
      run: () =>
        void copyText(sheetText(kit, sheet, settings.a4Hz)).then((done) =>
          session.notify(
            done
              ? `${sheet.name} is copied as text.`
              : 'The browser does not let it be copied. Print it, or save it as a picture.',
            done ? {} : { tone: 'caution' },
          ),
        ),
    },
    {
      label: 'Targets as CSV',
      run: () =>
        saveBlob(
          new Blob([targetsCsv(kit, [sheet], settings.a4Hz)], { type: 'text/csv' }),
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
      <Menu
        label={`More for ${sheet.name}`}
        button={<Ellipsis aria-hidden size={20} />}
        className="flex size-11 shrink-0 items-center justify-center text-soft"
        contentClass="min-w-60"
        align="end"
      >
        {({ Item }) =>
          items.map(({ label, run }) => (
            <Item key={label} onSelect={run} className={MENU_ITEM}>
              {label}
            </Item>
          ))
        }
      </Menu>
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
