'use client'

import { RodPulls } from '@/charts/RodPulls'
import { keepGaugeLaw } from '@/session/actions/gauge'
import { useBenchView } from '@/session/benchReact'
import { useSelect, useSession } from '@/session/react'
import { whyText } from '@/text/advice'
import { turnText } from '@/text/turns'
import { whyOf } from '@/text/why'
import { Button } from '@/ui/Button'
import { Modal } from '@/ui/Modal'
import { useCommander, useEnabled } from '../../shell/commander'
import { EntryLink } from '../../handbook/EntryLink'
import { NUMBER_ENTRY } from '@/handbook/links'

/** Why these rods: what is seen, what is unseen, what this drum has taught, and the tension it means. */
export function WhyDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ settings }) => ({ settings }))
  const view = useBenchView()
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.feel'] as const)
  if (!session || !view?.advice) return null
  const { plan, fit } = view.advice
  const why = whyOf(plan, view.request.head)
  const law = plan.gaugeLaw
  const learnedLaw = law && state.settings.gaugeLaw === null
  return (
    <Modal
      open
      onClose={onClose}
      wide
      title="Why these rods"
      description={whyText(plan, fit.lugHz, 'offsetTurns' in view.request.target)}
    >
      <div className="grid gap-x-8 gap-y-5 md:grid-cols-2">
        <div className="space-y-5">
          <Part
            title="Seen"
            lines={why.seen}
            entries={['spread', 'odds', 'tolerance', 'hand']}
            onOpen={onClose}
          />
          <Part
            title="Learned of this head"
            lines={why.learned}
            entries={['turnLaw', 'learned']}
            onOpen={onClose}
          />
          <Part title="Tension" lines={why.tension} entries={['tension']} onOpen={onClose} />
          {learnedLaw ? (
            <Button onClick={() => keepGaugeLaw(session, law)}>Keep this gauge’s law for all drums</Button>
          ) : null}
        </div>
        <div className="space-y-3">
          <Part title="Not seen" lines={why.unseen} entries={['unseen', 'error']} onOpen={onClose} />
          <RodPulls
            rods={plan.rods}
            label={`Pull of the rods against their mean: ${plan.rods
              .map(
                ({ turns, error }, i) =>
                  `rod ${i + 1} ${pullText(turns)}, give or take ${turnText(round(error))}`,
              )
              .join('; ')}`}
          />
          {isEnabled('bench.feel') ? (
            <Button onClick={() => run('bench.feel')}>Say how the rods feel</Button>
          ) : null}
        </div>
      </div>
    </Modal>
  )
}

const round = (turns: number) => Math.max(1 / 64, Math.round(Math.abs(turns) * 64) / 64)

function pullText(turns: number): string {
  if (Math.abs(turns) < 1 / 128) return 'at the mean'
  return `${turnText(round(turns))} ${turns < 0 ? 'looser' : 'tighter'}`
}

interface Props {
  title: string
  lines: readonly string[]
  entries: ReadonlyArray<keyof typeof NUMBER_ENTRY>
  onOpen: () => void
}

function Part({ title, lines, entries, onOpen }: Props) {
  return (
    <section>
      <h3 className="font-bold">{title}</h3>
      {lines.map((line) => (
        <p key={line} className="mt-1 leading-snug">
          {line}
        </p>
      ))}
      <p className="flex flex-wrap gap-x-4">
        {entries.map((each) => (
          <EntryLink key={each} entry={NUMBER_ENTRY[each]} onOpen={onOpen} className="text-[15px]" />
        ))}
      </p>
    </section>
  )
}
