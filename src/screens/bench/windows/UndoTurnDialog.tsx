'use client'

import { undoable } from '@/session/undo'
import { turnedBack, turnNotMade } from '@/session/actions/turning'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { turnsText } from '../steps/even/passText'

/** A rod does not undo: was the turn never made, or turned back? */
export function UndoTurnDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const act = useSelect(({ acts, clockMs }) => undoable(acts, clockMs))
  const event = session && act?.turns ? session.event(act.events[0].id) : null
  if (!session || event?.kind !== 'rodsTurned') return null
  const choose = (how: typeof turnNotMade) => {
    void how(session, event)
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="Undo the turn" description={turnsText(event.turns)}>
      <div className="flex flex-wrap gap-3">
        <Button tone="act" onClick={() => choose(turnNotMade)}>
          It was not made
        </Button>
        <Button onClick={() => choose(turnedBack)}>I turned it back</Button>
      </div>
    </Modal>
  )
}
