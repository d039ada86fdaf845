'use client'

import { useState, type FormEvent } from 'react'
import { farTight, nearSlack } from '@/core/kit/uneven'
import { setAim } from '@/session/actions/sheets'
import { useBenchView } from '@/session/benchReact'
import { useSession, useTuning } from '@/session/react'
import { hzText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { HzField } from '@/ui/fields'
import { Modal } from '@/ui/Modal'
import { RodSteps } from '../steps/even/RodSteps'

const STEP = 1 / 16
const WORDS = {
  none: 'even',
  less: 'slacker',
  more: 'tighter',
  lessBy: '1/16 slacker',
  moreBy: '1/16 tighter',
  sizeFirst: true,
}

/** A head that is uneven on purpose: a mean pitch, and turns per rod away from an even pull. */
export function UnevenDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const [offsets, setOffsets] = useState<number[]>(() => {
    if (!view) return []
    if (view.aim.kind === 'offsets') return view.aim.offsetTurns
    return view.kept?.offsetTurns ?? farTight(view.drum.lugs)
  })
  const [hz, setHz] = useState(() => {
    const known =
      view &&
      (view.aim.kind === 'offsets' || view.aim.kind === 'hz'
        ? view.aim.hz
        : (view.kept?.meanHz ?? view.head.pitch.hz ?? undefined))
    return known ?? null
  })
  const tuning = useTuning()
  if (!session || !view) return null
  const { drum, side } = view
  const change = (rod: number, by: number) =>
    setOffsets((now) => now.map((turn, i) => (i === rod ? Math.max(-6, Math.min(6, turn + by)) : turn)))
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (hz === null) return
    setAim(session, drum, side, { kind: 'offsets', hz, offsetTurns: offsets })
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="Uneven on purpose"
      description="Pitch alone cannot hold such a head: it is evened first, the turns are put on, then mean and pattern are checked. Rods count from the badge; the player sits opposite it."
    >
      <form onSubmit={submit} className="space-y-5">
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => setOffsets(farTight(drum.lugs))}>Far side tight, near side slack</Button>
          <Button onClick={() => setOffsets(nearSlack(drum.lugs))}>Only the near rods slack</Button>
        </div>
        <p className="text-[15px] text-soft">
          Tight side for pitch and rebound, slack side to kill the ring, say some; only one to three near rods
          down, for a low dry sound with the feel kept, say others. Stop where wrinkles just vanish; watch the
          maker’s limits on the tight side.
        </p>
        <HzField
          label="Mean pitch, Hz"
          shown
          text={hz === null ? '' : hzText(hz)}
          {...tuning}
          onTake={setHz}
          className="max-w-60"
        />
        <RodSteps turns={offsets} step={STEP} words={WORDS} onChange={change} />
        <Button tone="act" type="submit" disabled={hz === null}>
          Bring it there
        </Button>
      </form>
    </Modal>
  )
}
