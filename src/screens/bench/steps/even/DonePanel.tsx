'use client'

import { aimAbove } from '@/session/actions/fitting'
import { readAgain } from '@/session/actions/readings'
import { readHeadAgain } from '@/session/actions/said'
import { type BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import type { EvenAnswer } from '@/core/evening/types'
import { sinceStart } from '@/core/status/next'
import { noteFinding } from '@/session/actions/findings'
import { adviceText } from '@/text/advice'
import { daysText } from '@/text/fitting'
import { hzText } from '@/text/heads'
import { sinceStartText } from '@/text/said'
import { Button } from '@/ui/Button'
import { useCommander, useEnabled } from '../../../shell/commander'
import { Acts } from '../../Frame'
import { Big } from '../../Big'
import { EntryLink } from '../../../handbook/EntryLink'
import { KNOWN_BY_ENTRY, REASON_ENTRY } from '@/handbook/links'

const WORDS: Record<string, string> = {
  'within-tolerance': 'Even',
  'no-turn-helps': 'Leave it',
  ceiling: 'Ceiling',
  'back-to-slack': 'Start over',
  'hoop-or-edge': 'Hoop',
}

/** Reasons behind which there is something to find; going back to slack begins at the slack start. */
const STUCK = new Set(['no-turn-helps', 'hoop-or-edge', 'suspect-rod', 'back-to-slack'])

function wordOf({ reason, done, suspects, knownBy, meanHz }: EvenAnswer, aimed: boolean): string {
  if (reason === 'within-tolerance' && knownBy === 'whole') return aimed ? 'On pitch' : `${hzText(meanHz)} Hz`
  if (reason === 'no-turn-helps' && !done) return 'No turn helps'
  if (reason === 'suspect-rod') return `Rod ${suspects.map(({ rod }) => rod).join(' or ')}`
  return WORDS[reason ?? ''] ?? 'Done'
}

/** One number says nothing of evenness: that is not done. */
const overOf = ({ done, knownBy }: EvenAnswer) =>
  !done ? 'not done' : knownBy === 'whole' ? 'evenness not read' : 'done'

/** Nothing more to turn, and why. */
export function DonePanel({ view }: { view: BenchView }) {
  const session = useSession()
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.next'])
  const hearing = useSelect((state) => state.hearing)
  if (!view.advice || !session) return null
  const { plan } = view.advice
  const since = plan.done ? sinceStart(view.head) : null
  return (
    <>
      <p className="text-soft">{overOf(plan)}</p>
      <div>
        <Big>{wordOf(plan, view.head.targetHz !== null)}</Big>
        <p className="mt-3 text-lg leading-snug">
          {adviceText(plan, view.head.targetHz === null)}{' '}
          <Button tone="quiet" className="-my-2 px-1 underline" onClick={() => run('bench.why')}>
            Why?
          </Button>
        </p>
        <p className="flex flex-wrap gap-x-4">
          <EntryLink entry={REASON_ENTRY[plan.reason ?? 'move']} />
          {plan.knownBy && plan.knownBy !== 'pitch' ? (
            <EntryLink entry={KNOWN_BY_ENTRY[plan.knownBy]} />
          ) : null}
        </p>
      </div>
      {since ? <p className="mt-2 text-lg leading-snug">{sinceStartText(since)}</p> : null}
      {view.settling?.settled ? <Days settling={view.settling} /> : null}
      {STUCK.has(plan.reason ?? '') ? (
        <Button tone="quiet" className="-ml-2 self-start underline" onClick={() => run('bench.fault')}>
          Find what is wrong
        </Button>
      ) : null}
      {plan.reason === 'suspect-rod' ? (
        <Button
          className="mt-3 self-start"
          onClick={() =>
            noteFinding(
              session,
              'stripped',
              plan.suspects.map(({ rod }) => rod),
            )
          }
        >
          The hand says so too: leave rod {plan.suspects.map(({ rod }) => rod).join(' and ')} alone
        </Button>
      ) : null}
      {plan.done ? null : (
        <Button className="mt-3 self-start" onClick={() => readHeadAgain(session)}>
          Read this head again
        </Button>
      )}
      {view.practice && !view.kit.simulated ? (
        <p className="mt-3 text-caution">Simulated: nothing of it is kept for this drum.</p>
      ) : null}
      <Acts next="first">
        <Button
          big
          className="px-3.5 text-base font-normal whitespace-nowrap"
          onClick={() => readAgain(session, plan.readNext[0] ?? 1)}
        >
          {plan.knownBy === 'whole' ? 'Read the lugs' : 'Check a lug'}
        </Button>
        {plan.done ? (
          <Button tone="quiet" className="underline" onClick={() => readHeadAgain(session)}>
            Read it again
          </Button>
        ) : null}
      </Acts>
      {isEnabled('bench.next') && hearing.state === 'on' ? (
        <p className="mt-3 text-soft">Two taps on the drum go on as well.</p>
      ) : null}
    </>
  )
}

/** A fresh head goes on sinking: how far above to go, and when to read again. */
function Days({ settling }: { settling: NonNullable<BenchView['settling']> }) {
  const session = useSession()
  const above = Math.round(settling.daysCents.mean)
  return (
    <p className="mt-2 leading-snug">
      {daysText(settling)}{' '}
      {above > 0 ? (
        <Button
          tone="quiet"
          className="-my-2 px-1 underline"
          onClick={() => session && aimAbove(session, above)}
        >
          Aim {above} c above
        </Button>
      ) : null}
    </p>
  )
}
