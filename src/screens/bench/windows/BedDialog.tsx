'use client'

import { useState, type FormEvent } from 'react'
import { USUAL_BED_CENTS } from '@/core/pair/snare'
import { setBed } from '@/session/actions/kits'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { CentsField } from '@/ui/fields'
import { LugPicks } from '@/ui/LugPicks'
import { Modal } from '@/ui/Modal'

const MOST_CENTS = 300

/** Which lugs stand beside the snare bed, and how much lower they may read. */
export function BedDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const kept = view?.drum.snareBed
  const shown = kept?.lugs.length ? kept : (view?.bedToAsk ?? null)
  const [cents, setCents] = useState(shown?.cents ?? USUAL_BED_CENTS)
  const [lugs, setLugs] = useState<number[]>(shown?.lugs ?? [])
  if (!session || !view) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    setBed(session, view.drum, { lugs, cents })
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="Which lugs stand beside the bed?"
      description="At both ends of the wires. They read lower and are never raised to match."
    >
      <form onSubmit={submit} className="space-y-4">
        <LugPicks lugs={view.drum.lugs} chosen={lugs} onChange={setLugs} label="Beside the bed: lug" />
        <CentsField
          label="they may read lower by, cents"
          shown
          hint="A few cents to a whole tone on a cranked head. It stays with the drum, under every target of this head."
          text={String(cents)}
          least={0}
          most={MOST_CENTS}
          onTake={setCents}
        />
        <Button tone="act" type="submit">
          Keep the bed
        </Button>
      </form>
    </Modal>
  )
}
