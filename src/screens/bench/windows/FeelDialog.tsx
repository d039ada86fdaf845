'use client'

import { useState } from 'react'
import type { Feel } from '@/core/head/types'
import { practiceFeel, sayFeel } from '@/session/actions/gauge'
import { useBenchView } from '@/session/benchReact'
import { useSession } from '@/session/react'
import { listText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { Modal } from '@/ui/Modal'

const WORDS: ReadonlyArray<{ value: Feel | 'none'; label: string }> = [
  { value: 'loose', label: 'loose' },
  { value: 'alike', label: 'alike' },
  { value: 'tight', label: 'tight' },
  { value: 'none', label: 'not felt' },
]

/** What the hand feels of the rods: pitch names the pair, only the hand tells which of the two. */
export function FeelDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const view = useBenchView()
  const lugs = view?.drum.lugs ?? 0
  const [feel, setFeel] = useState<Array<Feel | null>>(
    () => view?.sitting?.passes.at(-1)?.feel ?? new Array<Feel | null>(lugs).fill(null),
  )
  if (!session || !view) return null
  const asked = view.advice?.plan.ask ?? []
  const say = () => {
    sayFeel(session, feel)
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title="How do the rods feel?"
      description={`Turn each a hair with finger and thumb, back and forth, against its neighbours.${asked.length ? ` Rods ${listText(asked)} would tell most.` : ''}`}
    >
      <ol>
        {feel.map((word, rod) => (
          <li key={rod} className="flex items-center gap-3 border-b border-line">
            <span className={asked.includes(rod + 1) ? 'w-9 text-xl font-bold' : 'w-9 text-xl text-soft'}>
              {rod + 1}
            </span>
            <Choice<Feel | 'none'>
              label={`Rod ${rod + 1}`}
              value={word ?? 'none'}
              items={WORDS}
              onChange={(next) =>
                setFeel((now) => now.map((each, i) => (i === rod ? (next === 'none' ? null : next) : each)))
              }
            />
          </li>
        ))}
      </ol>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button tone="act" onClick={say}>
          That is how they feel
        </Button>
        {view.practice ? (
          <Button onClick={() => void practiceFeel(session, view).then(setFeel)}>
            Feel the practice drum’s
          </Button>
        ) : null}
      </div>
    </Modal>
  )
}
