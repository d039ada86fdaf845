'use client'

import { useState, type FormEvent, type ReactNode } from 'react'
import { useKit } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

interface Props {
  title: string
  description?: string
  firstNotes?: string
  onKeep: (name: string, notes: string) => void
  onClose: () => void
  children?: ReactNode
}

/** Names what is to be kept as a sheet, with notes; a known name makes its next version. */
export function KeepForm({ title, description, firstNotes = '', onKeep, onClose, children }: Props) {
  const kit = useKit()
  const [name, setName] = useState('')
  const [notes, setNotes] = useState(firstNotes)
  const known = kit?.sheets.some((sheet) => sheet.name === name.trim())
  const submit = (event: FormEvent) => {
    event.preventDefault()
    onKeep(name.trim().slice(0, 60), notes.slice(0, 2000))
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={title} {...(description ? { description } : {})}>
      <form onSubmit={submit} className="space-y-5">
        <Field
          label="Name: a room, a song, a show"
          {...(known
            ? { hint: 'A sheet of this name is here: this becomes its newest version, the old ones stay.' }
            : {})}
        >
          <input
            autoFocus
            list="known-sheets"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
        <datalist id="known-sheets">
          {kit?.sheets.map((sheet) => (
            <option key={sheet.id} value={sheet.name} />
          ))}
        </datalist>
        <Field label="Notes">
          <textarea
            rows={3}
            value={notes}
            maxLength={2000}
            onChange={(event) => setNotes(event.target.value)}
            className={`${INPUT_CLASS} py-2`}
          />
        </Field>
        {children}
        <Button tone="act" type="submit" disabled={!name.trim()}>
          Keep it
        </Button>
      </form>
    </Modal>
  )
}
