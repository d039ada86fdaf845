'use client'

import { useRouter } from 'next/navigation'
import { chooseHead } from '@/session/actions/kits'
import { readAgain } from '@/session/actions/readings'
import { otherSide, type BenchView } from '@/session/benchView'
import { useSession } from '@/session/react'
import { adviceText } from '@/text/advice'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/CommandProvider'
import { clsx } from 'clsx'
import { ACTION_BAR, Big } from './Big'
import { WorkingPicks } from './TurnPanel'

const WORDS: Record<string, string> = {
  'within-tolerance': 'Even',
  'no-turn-helps': 'Leave it',
  ceiling: 'Ceiling',
  'back-to-slack': 'Start over',
}

/** Nothing more to turn, and why. */
export function DonePanel({ view }: { view: BenchView }) {
  const session = useSession()
  const router = useRouter()
  const { run } = useCommander()
  if (!view.advice || !session) return null
  const { plan } = view.advice
  const other = otherSide(view.side)
  return (
    <>
      <p className="text-soft">done</p>
      <div aria-live="polite">
        <Big>{WORDS[plan.reason ?? ''] ?? 'Done'}</Big>
        <p className="mt-3 text-lg leading-snug">{adviceText(plan)}</p>
      </div>
      <div className={clsx(ACTION_BAR, 'flex flex-wrap gap-3 md:mt-5')}>
        <Button tone="act" big onClick={() => run('bench.keep')}>
          Keep it on a sheet
        </Button>
        <Button
          big
          className="px-4 text-base font-normal whitespace-nowrap"
          onClick={() => readAgain(session, 1)}
        >
          Check a lug
        </Button>
      </div>
      <p className="mt-4 text-soft">Next:</p>
      <div className="-ml-2 flex flex-wrap">
        <Button tone="quiet" className="underline" onClick={() => chooseHead(session, view.drum.id, other)}>
          the {other} head
        </Button>
        <Button tone="quiet" className="underline" onClick={() => run('bench.nextDrum')}>
          the next drum
        </Button>
        <Button tone="quiet" className="underline" onClick={() => router.push('/')}>
          the whole kit
        </Button>
      </div>
      <WorkingPicks />
    </>
  )
}
