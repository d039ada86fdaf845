'use client'

import type { BenchView } from '@/session/benchView'
import { readAgain } from '@/session/actions/readings'
import { useSession } from '@/session/react'
import { settlingText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { useCommander } from '../../../shell/commander'
import { clsx } from 'clsx'
import { Acts } from '../../Frame'
import { Big } from '../../Big'

/** All rods of the pass are turned: the film has to slide over the edge before it can be read. */
export function PressPanel({ view }: { view: BenchView }) {
  const session = useSession()
  const { run } = useCommander()
  // Nothing was turned: a fresh head is pressed to let it sink.
  const settling = view.turnedNow ? null : view.settling
  const snareSide = view.drum.kind === 'snare' && view.side === 'resonant'
  return (
    <>
      <p className="text-soft">{settling ? 'even, not settled yet' : 'all moves made'}</p>
      <Big>Press</Big>
      {settling ? <p className="mt-3 text-lg leading-snug">{settlingText(settling)}</p> : null}
      <p className={clsx('mt-3 leading-snug', settling ? 'text-soft' : 'text-lg')}>
        {snareSide
          ? 'A light push on the middle with the flat of the fingers, never with force on this thin head. Then read it again.'
          : settling
            ? 'Once, firmly, with the flat hand on the middle.'
            : 'The middle of the head with the flat hand, a few times, firmly. Film and edge stick; pressing lets the turn show.'}
      </p>
      <Acts>
        <Button tone="act" big className="flex-1 md:flex-none" onClick={() => run('bench.pressed')}>
          Pressed
        </Button>
        <Button
          big
          className="px-3.5 text-base font-normal whitespace-nowrap"
          onClick={() => session && readAgain(session, 1)}
        >
          {settling ? 'Check a lug' : 'Read without'}
        </Button>
      </Acts>
    </>
  )
}
