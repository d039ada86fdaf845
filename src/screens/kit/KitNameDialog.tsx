'use client'

import { useState, type FormEvent } from 'react'
import { renameKit } from '@/session/actions/kits'
import { useKit, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

/** Names this kit anew. */
export function RenameKitDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const kit = useKit()
  const [name, setName] = useState(kit?.name ?? '')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const clean = name.trim().slice(0, 60)
    if (!session || !clean) return
    renameKit(session, clean)
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="Rename this kit">
      <form onSubmit={submit} className="space-y-5">
        <Field label="Name of the kit">
          <input
            autoFocus
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
        <Button tone="act" type="submit" disabled={!name.trim()}>
          Rename
        </Button>
      </form>
    </Modal>
  )
}
