'use client'

import { keepHere, toAim } from '@/session/actions/turning'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { statusText } from '@/text/status'
import { aimedText } from '@/text/said'
import { turnsLabel } from '@/text/turns'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { Acts, Phrase } from '../../Frame'

/** Something was turned that the plan had not asked for: it is believed, and what comes next is the user's to say. */
export function SaidPanel({ view }: { view: BenchView }) {
  const session = useSession()
  const { run } = useCommander()
  const { head, lastTurn } = view
  if (!session || !lastTurn) return null
  const said = turnsLabel(lastTurn)
  return (
    <>
      <p className="text-soft">turned otherwise</p>
      <Phrase>{`${said[0].toUpperCase()}${said.slice(1)}`}</Phrase>
      <p className="mt-3 text-lg leading-snug">
        It is {statusText(head)}: read it to be sure. {aimedText(head)}
      </p>
      <Acts>
        <Button tone="act" big className="flex-1 md:flex-none" onClick={() => run('bench.pressed')}>
          Pressed
        </Button>
        <Button big className="px-3.5 text-base font-normal" onClick={() => keepHere(session)}>
          Keep it here
        </Button>
        <Button big className="px-3.5 text-base font-normal" onClick={() => toAim(session)}>
          {head.targetHz === null ? 'Even it out' : 'Back to the aim'}
        </Button>
      </Acts>
    </>
  )
}
