'use client'

import type { FastStep } from '@/core/fitting/fast'
import { slackened } from '@/session/actions/fitting'
import { chooseHead, goToStop } from '@/session/actions/kits'
import { otherSide, type BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { fastAskText } from '@/text/fitting'
import { Button } from '@/ui/Button'
import { Panel, Phrase } from '../../Frame'

interface Props {
  view: BenchView
  at: FastStep['what']
  onAsk: (what: 'other' | 'play') => void
}

/** Where the routine is, and the one press that goes on: to the rods, the pass, the other head, the next drum. */
export function FastPanel({ view, at, onAsk }: Props) {
  const session = useSession()
  if (!session) return null
  const { drum, side, kit } = view
  const next = kit.drums[kit.drums.findIndex(({ id }) => id === drum.id) + 1]
  const big = (label: string, act: () => void, tone: 'act' | 'line' = 'act') => (
    <Button
      tone={tone}
      big
      className={tone === 'act' ? 'max-md:grow' : 'px-4 text-base font-normal'}
      onClick={act}
    >
      {label}
    </Button>
  )
  const begin = () => {
    session.setSettings({ readOrder: 'fewest' })
    slackened(session, 'fingers')
    goToStop(session, { step: 'even', side })
  }
  const acts = () => {
    switch (at) {
      case 'other':
        return drum.oneHeaded ? (
          big('On', () => onAsk('play'))
        ) : (
          <>
            {big('The other head is well', () => onAsk('play'))}
            {big(`Tap the ${otherSide(side)}`, () => chooseHead(session, drum.id, otherSide(side)), 'line')}
          </>
        )
      case 'play':
        return next
          ? big(`Next drum: ${next.name}`, () => chooseHead(session, next.id, 'batter', 'fast'))
          : big('The kit is round', () => goToStop(session, { step: 'even', side }))
      case 'pass':
        return big('Go on with it', () => goToStop(session, { step: 'even', side }))
      default:
        return (
          <>
            {big('The rods are finger-tight', begin)}
            {next
              ? big(`Leave it: ${next.name}`, () => chooseHead(session, next.id, 'batter', 'fast'), 'line')
              : null}
          </>
        )
    }
  }
  const { over, ask, says } = fastAskText(at, drum.name)
  return (
    <Panel over={over} big={<Phrase>{ask}</Phrase>} next={null} acts={acts()}>
      <p className="leading-snug">{says}</p>
    </Panel>
  )
}
