'use client'

import { decideImport } from '@/session/actions/files'
import { useSession } from '@/session/react'
import type { WaitingImport } from '@/session/state'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'

const CHOICES = [
  {
    how: 'merge',
    label: 'Merge',
    text: 'Adds the events of the file that are not here yet. For two devices that worked on one kit.',
  },
  { how: 'both', label: 'Keep both', text: 'The file’s kit stands beside this one under a name of its own.' },
  {
    how: 'replace',
    label: 'Replace',
    text: 'The file’s kit takes the place of this one. This one can be brought back from the kits menu.',
  },
] as const

/** The file holds a kit that is already here: the user says what is to happen. */
export function ImportDialog({ waiting }: { waiting: WaitingImport }) {
  const session = useSession()
  if (!session) return null
  return (
    <Modal
      open
      onClose={() => void decideImport(session, 'leave')}
      title={`${waiting.name} is already here`}
      description="Nothing has been changed yet."
    >
      <ul className="space-y-4">
        {CHOICES.map(({ how, label, text }) => (
          <li key={how} className="flex items-center gap-4">
            <Button className="w-32 shrink-0" onClick={() => void decideImport(session, how)}>
              {label}
            </Button>
            <span>{text}</span>
          </li>
        ))}
      </ul>
    </Modal>
  )
}
