'use client'

import { format } from 'date-fns'
import { useState, type FormEvent } from 'react'
import { noteDay } from '@/session/actions/diary'
import { useKit, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { TextField } from '@/ui/TextField'

/** A note for a day, of the kit or of one drum. */
export function NoteDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const kit = useKit()
  const [day, setDay] = useState(() => format(new Date(session?.deps.nowMs() ?? 0), 'yyyy-MM-dd'))
  const [drum, setDrum] = useState('')
  const [words, setWords] = useState('')
  if (!session || !kit) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const on = new Date(`${day}T12:00`).getTime()
    if (!words.trim() || Number.isNaN(on)) return
    noteDay(session, words, on, drum || null)
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="A note for a day">
      <form onSubmit={submit} className="space-y-4">
        <Field label="Words">
          <textarea
            autoFocus
            required
            rows={3}
            maxLength={500}
            value={words}
            onChange={(event) => setWords(event.target.value)}
            className={`${INPUT_CLASS} py-2`}
          />
        </Field>
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField label="Day" type="date" required value={day} onText={setDay} />
          <Field label="Of">
            <select value={drum} onChange={(event) => setDrum(event.target.value)} className={INPUT_CLASS}>
              <option value="">the kit</option>
              {kit.drums.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </Field>
        </div>
        <Button tone="act" type="submit">
          Note it
        </Button>
      </form>
    </Modal>
  )
}
