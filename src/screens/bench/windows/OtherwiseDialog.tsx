'use client'

import { useState, type FormEvent } from 'react'
import { turnedOtherwise } from '@/session/actions/turning'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { directionWord, turnText } from '@/text/turns'
import { Modal } from '@/ui/Modal'
import { RodSteps } from '../steps/even/RodSteps'

const STEP = 1 / 32
const WHOLE = [-1 / 4, -1 / 8, 1 / 8, 1 / 4]
const WORDS = {
  none: 'left alone',
  less: 'down',
  more: 'up',
  lessBy: 'loosen by 1/32',
  moreBy: 'tighten by 1/32',
}

/** What was really turned, rod by rod, in thirty-seconds of a turn. */
export function OtherwiseDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const lugs = view?.drum.lugs ?? 0
  const [turns, setTurns] = useState<number[]>(() => new Array<number>(lugs).fill(0))
  if (!session || !view) return null
  const change = (rod: number, by: number) =>
    setTurns((now) => now.map((turn, i) => (i === rod ? turn + by : turn)))
  const submit = (event: FormEvent) => {
    event.preventDefault()
    turnedOtherwise(session, turns)
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="What was turned?"
      description="Another rod, the wrong way, too far, or the whole head. It is believed as you say it."
    >
      <div role="group" aria-label="All rods at once" className="mb-4 flex flex-wrap items-center gap-2">
        <span className="text-soft">all rods</span>
        {WHOLE.map((turn) => (
          <Button key={turn} onClick={() => setTurns(new Array<number>(lugs).fill(turn))}>
            {directionWord(turn)} {turnText(turn)}
          </Button>
        ))}
      </div>
      <form onSubmit={submit}>
        <RodSteps turns={turns} step={STEP} words={WORDS} onChange={change} />
        <Button tone="act" type="submit" className="mt-5">
          That was turned
        </Button>
      </form>
    </Modal>
  )
}
