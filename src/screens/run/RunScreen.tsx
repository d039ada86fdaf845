'use client'

import { format } from 'date-fns'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { clsx } from 'clsx'
import { headKey, type KitState } from '@/core/log/fold'
import { wantsWork, type WorkItem } from '@/core/runs/worklist'
import { chooseHead } from '@/session/actions/kits'
import {
  endRun,
  leaveHead,
  RESERVE_MINUTES,
  runView,
  startRun,
  workTo,
  type RunView,
} from '@/session/actions/run'
import { useKit, useSelect, useSession } from '@/session/react'
import { hzText } from '@/text/heads'
import { minutesText } from '@/text/minutes'
import { doorsText, standsText, todoText } from '@/text/run'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Pick } from '@/ui/Pick'
import { Report } from './Report'
import { useNow } from './useNow'

/** A walk through the kit to a sheet, with the doors in sight. */
export function RunScreen() {
  const session = useSession()
  const state = useSelect(({ clockMs, phase, settings }) => ({ clockMs, phase, settings }))
  const kit = useKit()
  const now = useNow(session)
  if (!session || (state.phase === 'starting' && !kit))
    return <p className="p-8 text-soft">Opening the log…</p>
  const view = runView(state, kit, Math.max(now, state.clockMs))
  const last = kit?.runs.findLast((run) => run.endedAt !== null) ?? null
  return (
    <div className="px-4 pb-10 md:px-7">
      <h1 className="pt-3 text-3xl font-bold md:pt-5 md:text-4xl">Retune run</h1>
      {!kit || kit.sheets.length === 0 ? (
        <p className="mt-4 max-w-xl text-lg">
          A run brings the whole kit to a sheet, and there is none yet. Keep one from the bench or from
          Spacing.
        </p>
      ) : view ? (
        <Going view={view} />
      ) : (
        <>
          {last ? <Report kit={kit} run={last} /> : null}
          <Begin kit={kit} />
        </>
      )}
    </div>
  )
}

/** Pick a sheet, say when doors are, go. */
function Begin({ kit }: { kit: KitState }) {
  const session = useSession()
  const state = useSelect(({ clockMs, settings }) => ({ clockMs, settings }))
  const router = useRouter()
  const sheets = kit.sheets.filter(({ archived }) => !archived)
  const [picked, setPicked] = useState<string | null>(null)
  const [doors, setDoors] = useState('')
  if (!session) return null
  const sheet = sheets.find(({ id }) => id === (picked ?? kit.sheet)) ?? sheets[0]
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!sheet) return
    startRun(session, sheet, doorsOn(doors, session.deps.nowMs()))
    router.push('/bench')
  }
  if (!sheet) return <p className="mt-4 text-lg">All sheets are archived. Bring one back under Sheets.</p>
  const items = workTo(state, kit, sheet, state.clockMs)
  const todo = items.filter(wantsWork)
  const minutes = todo.reduce((sum, item) => sum + item.minutes, 0)
  return (
    <>
      <form onSubmit={submit} className="mt-4 flex max-w-2xl flex-wrap items-end gap-5">
        <Pick
          label="to the sheet"
          value={sheet.id}
          items={sheets.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setPicked}
        />
        <Field label="doors at, if there are any">
          <input
            type="time"
            value={doors}
            onChange={(event) => setDoors(event.target.value)}
            className={`${INPUT_CLASS} max-w-40`}
          />
        </Field>
        <Button tone="act" big type="submit">
          Start the run
        </Button>
      </form>
      <p className="mt-5 text-lg">
        {todo.length === 0
          ? 'As far as anyone can say, every head is where this sheet wants it.'
          : `${todo.length} of ${items.length} heads want a look or a turn: ${minutesText(minutes)}.`}
      </p>
      <ol className="mt-2 max-w-4xl">
        {items.map((item) => (
          <WorkRow
            key={headKey(item.drum.id, item.side)}
            item={item}
            word={todoText(item)}
            open={todo.includes(item)}
          />
        ))}
      </ol>
    </>
  )
}

/** The next time that the clock shows this. */
function doorsOn(time: string, nowMs: number): string | null {
  const match = /^(\d\d):(\d\d)/.exec(time)
  if (!match) return null
  const doors = new Date(nowMs)
  doors.setHours(Number(match[1]), Number(match[2]), 0, 0)
  if (doors.getTime() <= nowMs) doors.setDate(doors.getDate() + 1)
  return doors.toISOString()
}

function Going({ view }: { view: RunView }) {
  const session = useSession()
  const router = useRouter()
  if (!session) return null
  const { run, sheet, items, todo, noTime, minutesLeft, minutesNeeded } = view
  const inTime = todo.filter((item) => !noTime.has(item))
  const next = inTime[0]
  const toBench = (item: WorkItem) => {
    chooseHead(session, item.drum.id, item.side)
    router.push('/bench')
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
          Not everything fits: leave {[...noTime].map(nameOf).join(', ')}.
        </p>
      ) : null}
      <div className="mt-4 flex flex-wrap items-center gap-4">
        {next ? (
          <Button tone="act" big onClick={() => toBench(next)}>
            Next: {nameOf(next)}, {todoText(next)}
          </Button>
        ) : null}
        <Button tone={next ? 'line' : 'act'} big={!next} onClick={() => endRun(session)}>
          End the run
        </Button>
      </div>
      <ol className="mt-5 max-w-4xl">
        {items.map((item) => {
          const left = run.left.has(headKey(item.drum.id, item.side))
          return (
            <WorkRow
              key={headKey(item.drum.id, item.side)}
              item={item}
              word={left ? 'left as it is' : todoText(item)}
              open={todo.includes(item)}
              noTime={noTime.has(item)}
              onOpen={() => toBench(item)}
              onLeave={(why) => leaveHead(session, item.drum.id, item.side, why)}
            />
          )
        })}
      </ol>
    </>
  )
}

/** One head of the list: where it stands, what to do, how long. Before the run is begun nothing can be done with it. */
function WorkRow({
  item,
  word,
  open,
  noTime = false,
  onOpen,
  onLeave,
}: {
  item: WorkItem
  word: string
  open: boolean
  noTime?: boolean
  onOpen?: () => void
  onLeave?: (why: 'good-enough' | 'cannot') => void
}) {
  const name = clsx('min-h-11 w-52 text-left text-lg max-md:w-full', open && 'font-bold')
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-b border-line py-1.5">
      {onOpen ? (
        <button type="button" onClick={onOpen} className={name}>
          {nameOf(item)}
        </button>
      ) : (
        <span className={clsx(name, 'flex items-center')}>{nameOf(item)}</span>
      )}
      <span className="min-w-0 flex-1 leading-snug max-md:basis-full">
        {word}
        <span className="block text-sm text-soft">
          {standsText(item)}; wanted {hzText(item.target.meanHz)} Hz
          {item.relationHz
            ? `; a new head: first to ${hzText(item.relationHz)} Hz, the sheet’s relation to the other head, then to pitch`
            : ''}
        </span>
      </span>
      <span className={clsx('w-32 text-sm', noTime ? 'text-caution' : 'text-soft')}>
        {open ? (noTime ? 'no time for it' : minutesText(item.minutes)) : ''}
      </span>
      {open && onLeave
        ? (
            [
              ['good-enough', 'good enough'],
              ['cannot', 'cannot be had'],
            ] as const
          ).map(([why, label]) => (
            <Button
              key={why}
              tone="quiet"
              className="text-sm underline"
              aria-label={`${nameOf(item)}: ${label}`}
              onClick={() => onLeave(why)}
            >
              {label}
            </Button>
          ))
        : null}
    </li>
  )
}

const nameOf = ({ drum, side }: WorkItem) => `${drum.name}, ${side}`
const sentence = (text: string) => text[0].toUpperCase() + text.slice(1)
