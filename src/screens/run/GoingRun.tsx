'use client'

import { useGo } from '@/ui/useGo'
import { format } from 'date-fns'
import { headKey } from '@/core/log/fold'
import type { WorkItem } from '@/core/status/worklist'
import { chooseHead } from '@/session/actions/kits'
import { endRun, leaveHead, RESERVE_MINUTES, takeUpAgain, type RunView } from '@/session/actions/run'
import { useSession } from '@/session/react'
import { minutesText } from '@/text/minutes'
import { doorsText, leaveText, nameText, todoText } from '@/text/run'
import { Button } from '@/ui/Button'
import { WorkRow } from './WorkRow'

/** The run that is going on: what is next, what is left to do, what there is no time for. */
export function GoingRun({ view }: { view: RunView }) {
  const session = useSession()
  const go = useGo()
  if (!session) return null
  const { run, sheet, items, todo, noTime, minutesLeft, minutesNeeded } = view
  const next = todo.find((item) => !noTime.has(item))
  const toBench = ({ drum, side }: WorkItem) => {
    chooseHead(session, drum.id, side)
    go('/bench')
  }
  return (
    <>
      <p className="mt-1 text-lg">
        To <b>{sheet.name}</b>, since {format(new Date(run.startedAt), 'HH:mm')}.{' '}
        {minutesLeft === null ? '' : `${sentence(doorsText(minutesLeft + RESERVE_MINUTES))}. `}
        {todo.length === 0
          ? 'Nothing is left to do.'
          : `${sentence(minutesText(minutesNeeded))} of work left.`}
      </p>
      {noTime.size ? (
        <p role="status" className="mt-1 text-lg font-bold text-caution">
          {leaveText([...noTime])}
        </p>
      ) : null}
      <div className="mt-4 flex flex-wrap items-center gap-4">
        {next ? (
          <Button tone="act" big onClick={() => toBench(next)}>
            Next: {nameText(next)}, {todoText(next)}
          </Button>
        ) : null}
        <Button tone={next ? 'line' : 'act'} big={!next} onClick={() => endRun(session)}>
          End the run
        </Button>
      </div>
      <ol aria-label="Heads of the run" className="mt-5 max-w-4xl">
        {items.map((item) => {
          const { drum, side } = item
          const left = run.left.has(headKey(drum.id, side))
          return (
            <WorkRow
              key={headKey(drum.id, side)}
              item={item}
              word={left ? 'left as it is' : todoText(item)}
              open={todo.includes(item)}
              noTime={noTime.has(item)}
              onOpen={() => toBench(item)}
              acts={
                left
                  ? [{ label: 'take it up again', run: () => takeUpAgain(session, drum.id, side) }]
                  : todo.includes(item)
                    ? [
                        { label: 'good enough', run: () => leaveHead(session, drum.id, side, 'good-enough') },
                        { label: 'cannot be had', run: () => leaveHead(session, drum.id, side, 'cannot') },
                      ]
                    : []
              }
            />
          )
        })}
      </ol>
    </>
  )
}

const sentence = (text: string) => text[0].toUpperCase() + text.slice(1)
