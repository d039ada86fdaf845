'use client'

import { useState, type FormEvent } from 'react'
import { fileKit } from '@/session/actions/kits'
import { useKit, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { TextField } from '@/ui/TextField'

const LONGEST = 60

/** Names this kit anew, and says whose it is and what for: where many kits are kept they are found by that. */
export function RenameKitDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const kit = useKit()
  const [name, setName] = useState(kit?.name ?? '')
  const [owner, setOwner] = useState(kit?.owner ?? '')
  const [job, setJob] = useState(kit?.job ?? '')
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!session || !name.trim()) return
    fileKit(session, { name: name.trim(), owner: owner.trim(), job: job.trim() })
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="This kit’s name, owner and job">
      <form onSubmit={submit} className="space-y-5">
        <TextField label="Name of the kit" autoFocus value={name} maxLength={LONGEST} onText={setName} />
        <TextField
          label="Whose it is"
          hint="A pupil, a band, a customer; may stay empty."
          value={owner}
          maxLength={LONGEST}
          onText={setOwner}
        />
        <TextField
          label="What for"
          hint="A tour, a room, a job; may stay empty."
          value={job}
          maxLength={LONGEST}
          onText={setJob}
        />
        <Button tone="act" type="submit" disabled={!name.trim()}>
          Keep
        </Button>
      </form>
    </Modal>
  )
}
