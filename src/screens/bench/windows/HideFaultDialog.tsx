'use client'

import { useState } from 'react'
import { causesOf } from '@/core/fitting/faults'
import { CAUSES, type CauseId } from '@/core/fitting/causes'
import { hideFault } from '@/session/actions/practice'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

/** For teachers and the curious: a fault in the practice drum, for someone to find. */
export function HideFaultDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const [choice, setChoice] = useState('any')
  if (!session || !view) return null
  const causes = causesOf(view.drum.kind)
  const hide = () => {
    hideFault(session, choice === 'sound' ? null : (choice as CauseId | 'any'))
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="Hide a fault"
      description="In the practice drum on the bench. Its rods, parts and pitch change; the log keeps what was read before."
    >
      <Field label="Which">
        <select value={choice} onChange={(event) => setChoice(event.target.value)} className={INPUT_CLASS}>
          <option value="any">any, without telling</option>
          {causes.map((cause) => (
            <option key={cause} value={cause}>
              {CAUSES[cause].label}
            </option>
          ))}
          <option value="sound">none: make it sound and even</option>
        </select>
      </Field>
      <div className="mt-5 flex gap-3">
        <Button tone="act" onClick={hide}>
          Do it
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Modal>
  )
}
