'use client'

import { useState } from 'react'
import { turnedOtherwise } from '@/session/actions/turning'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { LugPicks } from '@/ui/LugPicks'

const STEP_TURNS = 1 / 8

/** Wrinkles on one side: smooth them and tighten only the rods there until they go. */
export function WrinklesDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const [rods, setRods] = useState<number[]>([])
  if (!session || !view) return null
  const done = () => {
    const turns = Array.from({ length: view.drum.lugs }, (_, i) => (rods.includes(i + 1) ? STEP_TURNS : 0))
    turnedOtherwise(session, turns)
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="Where does it wrinkle?"
      description="Press the middle lightly and look across the film. Smooth the wrinkles out with the hand and tighten only the rods beside them, an eighth at a time, until they go."
    >
      <LugPicks lugs={view.drum.lugs} chosen={rods} onChange={setRods} label="Wrinkles at rod" />
      <div className="mt-5 flex flex-wrap gap-3">
        <Button tone="act" disabled={rods.length === 0} onClick={done}>
          These are up 1/8
        </Button>
        <Button onClick={onClose}>No wrinkles</Button>
      </div>
    </Modal>
  )
}
