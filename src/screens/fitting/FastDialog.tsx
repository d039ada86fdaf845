'use client'

import { fastRoutine } from '@/core/fitting/fast'
import { climbFromSlack } from '@/session/fitView'
import { slackened } from '@/session/actions/fitting'
import { useBenchView, useSelect, useSession } from '@/session/react'
import { FAST_LEAVES_OUT, fastStepText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'

/** The fast routine: a usable sound in about five minutes a drum, with what it leaves out said first. */
export function FastDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ settings }) => ({ settings }))
  const view = useBenchView()
  if (!session || !view) return null
  const { drum, side } = view
  const climb = climbFromSlack(view, state.settings.largestStepTurns)
  const { steps, minutes } = fastRoutine({
    lugs: drum.lugs,
    keys: state.settings.keys,
    rounds: climb?.rounds ?? [0.5],
  })
  const begin = () => {
    session.setSettings({ readOrder: 'fewest' })
    slackened(session, 'fingers')
    onClose()
  }
  return (
    <Modal
      open
      onClose={onClose}
      title={`Fast: ${drum.name}, ${side}`}
      description={`About ${Math.max(1, Math.round(minutes))} minutes for this head with ${state.settings.keys === 2 ? 'two keys' : 'one key'}.`}
    >
      <ol>
        {steps.map((step, i) => (
          <li key={i} className="flex gap-4 border-b border-line py-2">
            <span className="w-6 text-soft">{i + 1}</span>
            <span className="flex-1 leading-snug">{fastStepText(step)}</span>
            <span className="whitespace-nowrap text-soft">{minutesText(step.minutes)}</span>
          </li>
        ))}
      </ol>
      <p className="mt-4 font-bold">Left out</p>
      <ul className="mt-1 list-disc pl-5 leading-snug text-soft">
        {FAST_LEAVES_OUT.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button tone="act" onClick={begin}>
          The rods are finger-tight
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </Modal>
  )
}

function minutesText(minutes: number): string {
  const seconds = Math.max(5, Math.round((minutes * 60) / 5) * 5)
  return seconds < 60
    ? `${seconds} s`
    : `${Math.floor(seconds / 60)} min ${seconds % 60 ? `${seconds % 60} s` : ''}`
}
