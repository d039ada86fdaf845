'use client'

import Link from 'next/link'
import { leaveHead, RESERVE_MINUTES, runView } from '@/session/actions/run'
import { setAim } from '@/session/actions/sheets'
import type { BenchView } from '@/session/benchView'
import { useBenchView } from '@/session/benchReact'
import { useKit, useSelect, useSession } from '@/session/react'
import { doorsText } from '@/text/run'
import { hzText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { useCommander } from '../shell/commander'
import { useNow } from '../run/useNow'

/** The run that is going on, over the head at hand: how far, how long, what next. */
export function RunBar() {
  const session = useSession()
  const state = useSelect(({ clockMs, settings }) => ({ clockMs, settings }))
  const kit = useKit()
  const view = useBenchView()
  const now = useNow(session)
  const { run } = useCommander()
  const going = session ? runView(state, kit, Math.max(now, state.clockMs)) : null
  if (!session || !view || !going) return null
  const { sheet, items, todo, minutesLeft } = going
  const here = todo.find((item) => item.drum.id === view.drum.id && item.side === view.side)
  const next = todo.find((item) => item !== here && !going.noTime.has(item))
  return (
    <section
      aria-label="Retune run"
      className="flex flex-wrap items-center gap-x-5 border-b border-line bg-tape px-4 max-md:pr-14 md:px-7"
    >
      <Link href="/run" className="flex min-h-11 items-center font-bold underline-offset-4 hover:underline">
        To {sheet.name}: {items.length - todo.length} of {items.length}
      </Link>
      {minutesLeft === null ? null : (
        <span className={minutesLeft < 5 ? 'font-bold text-caution' : 'text-soft'}>
          {doorsText(minutesLeft + RESERVE_MINUTES)}
        </span>
      )}
      {here?.relationHz ? <RelationFirst view={view} hz={here.relationHz} /> : null}
      <span className="flex flex-wrap max-md:-ml-2 md:ml-auto">
        {here ? (
          <Button
            tone="quiet"
            className="underline max-md:hidden"
            onClick={() => leaveHead(session, view.drum.id, view.side, 'good-enough')}
          >
            good enough
          </Button>
        ) : null}
        {next ? (
          <Button tone="quiet" className="underline" onClick={() => run('run.next')}>
            next: {next.drum.name}, {next.side}
          </Button>
        ) : (
          <Link href="/run" className="flex min-h-11 items-center px-2 underline">
            {here ? 'the last one' : 'all done: end the run'}
          </Link>
        )}
      </span>
    </section>
  )
}

/** A head younger than its sheet: first to the sheet's relation with the other head, then to its own pitch. */
function RelationFirst({ view, hz }: { view: BenchView; hz: number }) {
  const session = useSession()
  if (!session) return null
  const { drum, side, aim } = view
  const first = aim.kind !== 'hz'
  return (
    <span className="flex flex-wrap items-center">
      <span className="text-soft">new head: relation first</span>
      <Button
        tone="quiet"
        className="underline"
        onClick={() =>
          setAim(
            session,
            drum,
            side,
            first ? { kind: 'hz', hz: Math.round(10 * hz) / 10 } : { kind: 'sheet' },
          )
        }
      >
        {first ? `aim at ${hzText(hz)} Hz` : 'now the sheet’s pitch'}
      </Button>
    </span>
  )
}
