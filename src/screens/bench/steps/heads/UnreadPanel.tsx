'use client'

import { chooseHead } from '@/session/actions/kits'
import type { BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Panel, Phrase } from '../../Frame'
import { StrokePart } from '../../StrokePart'

/** Nothing was read of either head: where to begin. */
export function UnreadPanel({ view }: { view: BenchView }) {
  const session = useSession()
  if (!session) return null
  const { drum } = view
  return (
    <Panel
      over="nothing was read yet"
      big={<Phrase>Read one head</Phrase>}
      next={null}
      acts={
        <>
          <Button tone="act" big onClick={() => chooseHead(session, drum.id, 'batter')}>
            Read the batter
          </Button>
          {drum.oneHeaded ? null : (
            <Button
              big
              className="px-4 text-base font-normal"
              onClick={() => chooseHead(session, drum.id, 'resonant')}
            >
              Read the resonant
            </Button>
          )}
        </>
      }
    >
      <p className="leading-snug">
        One lug pitch, or one stroke on the centre with both heads free, is enough to begin.
      </p>
      <StrokePart view={view} />
    </Panel>
  )
}
