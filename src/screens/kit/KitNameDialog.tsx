'use client'

import { useState, type FormEvent } from 'react'
import { makeKit, renameKit } from '@/session/actions/kits'
import { useKit, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

export const NewKitDialog = ({ onClose }: { onClose: () => void }) => (
  <KitNameDialog mode="new" onClose={onClose} />
)
export const RenameKitDialog = ({ onClose }: { onClose: () => void }) => (
  <KitNameDialog mode="rename" onClose={onClose} />
)

/** Names a new kit, or this one anew. */
function KitNameDialog({ mode, onClose }: { mode: 'new' | 'rename'; onClose: () => void }) {
  const session = useSession()
  const kit = useKit()
  const [name, setName] = useState(mode === 'rename' ? (kit?.name ?? '') : '')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const clean = name.trim().slice(0, 60)
    if (!session || !clean) return
    if (mode === 'new') makeKit(session, clean)
    else renameKit(session, clean)
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={mode === 'new' ? 'Start a new kit' : 'Rename this kit'}>
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
          {mode === 'new' ? 'Start the kit' : 'Rename'}
        </Button>
      </form>
    </Modal>
  )
}
