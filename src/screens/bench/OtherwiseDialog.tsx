'use client'

import { useState, type FormEvent } from 'react'
import { turnedOtherwise } from '@/session/actions/turning'
import { benchView } from '@/session/benchView'
import { useKit, useSession, useSessionState } from '@/session/react'
import { turnText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'

const STEP = 1 / 32

/** What was really turned, rod by rod, in thirty-seconds of a turn. */
export function OtherwiseDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSessionState()
  const view = benchView(state, useKit())
  const lugs = view?.drum.lugs ?? 0
  const [turns, setTurns] = useState<number[]>(() => {
    const start = new Array<number>(lugs).fill(0)
    const step = view?.phase === 'turn' ? view.steps[0] : undefined
    step?.rods.forEach((rod, i) => (start[rod - 1] = step.turns[i]))
    return start
  })
  if (!session || !view) return null
  const change = (rod: number, by: number) =>
    setTurns((now) => now.map((turn, i) => (i === rod ? turn + by : turn)))
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void turnedOtherwise(session, turns)
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="What was turned?"
      description="The move shown counts as made, with these turns in its place."
    >
      <form onSubmit={submit}>
        <ol className="grid gap-x-6 sm:grid-cols-2">
          {turns.map((turn, rod) => (
            <li key={rod} className="flex items-center gap-2 border-b border-line">
              <span className="w-9 text-xl font-bold">{rod + 1}</span>
              <Button
                tone="quiet"
                aria-label={`Rod ${rod + 1}: loosen by 1/32`}
                onClick={() => change(rod, -STEP)}
              >
                −
              </Button>
              <output aria-label={`Rod ${rod + 1}`} className="flex-1 text-center font-bold">
                {turn === 0 ? (
                  <span className="font-normal text-soft">left alone</span>
                ) : (
                  `${turn < 0 ? 'down' : 'up'} ${turnText(turn)}`
                )}
              </output>
              <Button
                tone="quiet"
                aria-label={`Rod ${rod + 1}: tighten by 1/32`}
                onClick={() => change(rod, STEP)}
              >
                +
              </Button>
            </li>
          ))}
        </ol>
        <Button tone="act" type="submit" className="mt-5">
          That was turned
        </Button>
      </form>
    </Modal>
  )
}
