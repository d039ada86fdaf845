'use client'

import type { ReactNode } from 'react'
import type { OtherHead } from '@/core/records/event'
import { answerTone } from '@/session/actions/headTone'
import { moveOneOn, notMissed, slippedFrom, tapMissed } from '@/session/actions/missed'
import { setOtherHead, stayNear } from '@/session/actions/readings'
import type { BenchView } from '@/session/benchView'
import { useSelect, useSession } from '@/session/react'
import { hzText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Choice } from '@/ui/Choice'
import { useCommander, useEnabled } from '../../../shell/commander'
import { fixed } from '@/text/shown'

/** What the other head may be doing, as the header and the panel ask it. */
export const OTHER_HEAD = [
  { value: 'muted', label: 'muted' },
  { value: 'free', label: 'free' },
  { value: 'off', label: 'taken off' },
] as const

/** Asked once a pass, before its first tap: what the other head was doing goes with every reading. */
export function OtherHeadAsk({ view }: { view: BenchView }) {
  const session = useSession()
  if (!session) return null
  return (
    <div className="mt-2 flex items-center gap-2">
      <span className="text-soft">other head</span>
      <Choice<OtherHead>
        label="The other head is"
        value={view.otherHead}
        items={OTHER_HEAD}
        onChange={(value) => setOtherHead(session, value)}
      />
    </div>
  )
}

/** What the taps leave open: one that may have been missed, and which of two tones is the lugs'. */
export function HeardDoubts({ view }: { view: BenchView }) {
  const session = useSession()
  const bench = useSelect((state) => state.bench)
  const { missed, toneAsked } = bench
  const slipped = slippedFrom(view, bench)
  if (!session || (missed === null && slipped === null && toneAsked.length === 0)) return null
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      {toneAsked.length > 0 ? (
        <>
          <p className="w-full">
            These taps may read {toneAsked.map(hzText).join(' or ')} Hz, and do not tell which is the lugs’.
          </p>
          {toneAsked.map((hz) => (
            <Button key={hz} onClick={() => void answerTone(session, hz)}>
              Near {hzText(hz)} Hz
            </Button>
          ))}
        </>
      ) : null}
      {missed !== null && slipped === null ? (
        <>
          <p className="w-full">A tap on lug {missed} may have been missed.</p>
          <Button onClick={() => tapMissed(session)}>Tap lug {missed} again</Button>
          <Button tone="quiet" className="underline" onClick={() => notMissed(session)}>
            It was not
          </Button>
        </>
      ) : null}
      {slipped !== null ? (
        <>
          <p className="w-full">From lug {slipped} on the readings fit the head better one lug further.</p>
          <Button onClick={() => moveOneOn(session, slipped)}>Move them on, tap lug {slipped}</Button>
          <Button tone="quiet" className="underline" onClick={() => notMissed(session)}>
            Leave them
          </Button>
        </>
      ) : null}
    </div>
  )
}

/** The newest tap in words, used or refused, what it leaves open, and the way to look at it closely. */
export function HeardLines({ children }: { children?: ReactNode }) {
  const session = useSession()
  const { bench, source } = useSelect(({ bench, source }) => ({ bench, source }))
  const { run } = useCommander()
  const isEnabled = useEnabled(['bench.withdraw'] as const)
  const listens = !['typed', 'ear', 'gauge', 'ask'].includes(source)
  if (!session) return null
  const last = bench.lastTap
  return (
    <div className="mt-2">
      <p className="min-h-6">
        {last ? (
          last.used ? (
            <>
              lug {last.lug}: <b>{hzText(last.tap.hz!)} Hz</b> ±{' '}
              {fixed(Math.max(0.01, last.tap.standardErrorHz!), 2)}, used
            </>
          ) : (
            <span className={last.other ? 'text-soft' : 'font-bold text-caution'}>{last.why}</span>
          )
        ) : null}
      </p>
      {children}
      <div className="-ml-2 flex flex-wrap">
        {bench.heard.length > 0 ? (
          <Button tone="quiet" className="underline" onClick={() => run('bench.heard')}>
            What was heard
          </Button>
        ) : null}
        {listens ? (
          <Button tone="quiet" className="underline" onClick={() => run('bench.listening')}>
            How it listens
          </Button>
        ) : null}
        {isEnabled('bench.withdraw') ? (
          <Button tone="quiet" className="underline" onClick={() => run('bench.withdraw')}>
            Drop the last tap
          </Button>
        ) : null}
        {bench.stayNearHz ? (
          <Button tone="quiet" className="underline" onClick={() => stayNear(session, null)}>
            Near {hzText(bench.stayNearHz)} Hz only: stop
          </Button>
        ) : null}
      </div>
    </div>
  )
}
