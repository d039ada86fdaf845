'use client'

import { format } from 'date-fns'
import { useGo } from '@/ui/useGo'
import { useState, type FormEvent } from 'react'
import type { Occasion } from '@/core/log/diary'
import { headKey, type KitState } from '@/core/log/fold'
import { wantsWork } from '@/core/status/worklist'
import { startRun, tooMuch, workTo } from '@/session/actions/run'
import { useSelect, useSession } from '@/session/react'
import { minutesText } from '@/text/minutes'
import { tonightText } from '@/text/logbook'
import { heldBeforeText, leaveText, todoText } from '@/text/run'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Pick } from '@/ui/Pick'
import { WorkRow } from './WorkRow'

/** Pick a sheet, say when doors are, see what will not fit, go. */
export function BeginRun({ kit, nowMs, onCheck }: { kit: KitState; nowMs: number; onCheck: () => void }) {
  const session = useSession()
  const settings = useSelect((state) => state.settings)
  const go = useGo()
  const sheets = kit.sheets.filter(({ archived }) => !archived)
  const [picked, setPicked] = useState<string | null>(null)
  const tonight = nextGig(kit, nowMs)
  const [typed, setDoors] = useState<string | null>(null)
  const doors = typed ?? (tonight?.doorsAt ? format(new Date(tonight.doorsAt), 'HH:mm') : '')
  if (!session) return null
  const sheet = sheets.find(({ id }) => id === (picked ?? tonight?.sheet ?? kit.sheet)) ?? sheets[0]
  if (!sheet) return <p className="mt-4 text-lg">All sheets are archived. Bring one back under Sheets.</p>
  const doorsAt = doorsOn(doors, nowMs)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    startRun(session, sheet, doorsOn(doors, session.deps.nowMs()))
    go('/bench')
  }
  const items = workTo({ settings }, kit, sheet, nowMs)
  const todo = items.filter(wantsWork)
  const minutes = todo.reduce((sum, item) => sum + item.minutes, 0)
  const noTime = tooMuch(items, doorsAt, nowMs)
  const held = kit.sheets.find(({ id }) => id === kit.sheet)
  return (
    <>
      {tonight ? <p className="mt-2 text-lg">{tonightText(tonight)}</p> : null}
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
        <Button onClick={onCheck}>Quick check: one stroke a drum</Button>
      </form>
      {held && held.id !== sheet.id ? (
        <p className="mt-2 text-soft">{heldBeforeText(held.name, sheet.name)}</p>
      ) : null}
      <p className="mt-4 text-lg">
        {todo.length === 0
          ? 'As far as anyone can say, every head is where this sheet wants it.'
          : `${todo.length} of ${items.length} heads want a look or a turn: ${minutesText(minutes)}.`}
      </p>
      {noTime.length ? (
        <p role="status" className="mt-1 text-lg font-bold text-caution">
          {leaveText(noTime)}
        </p>
      ) : null}
      <ol aria-label="Heads of the run" className="mt-2 max-w-4xl">
        {items.map((item) => (
          <WorkRow
            key={headKey(item.drum.id, item.side)}
            item={item}
            word={todoText(item)}
            open={todo.includes(item)}
            noTime={noTime.includes(item)}
          />
        ))}
      </ol>
    </>
  )
}

/** A gig that begins within so long is what the run is for. */
const SOON_MS = 18 * 3600 * 1000

function nextGig({ diary }: KitState, nowMs: number): Occasion | null {
  return (
    diary.occasions.find(({ on, doorsAt, cancelled }) => {
      const ms = Date.parse(doorsAt ?? on)
      return !cancelled && ms > nowMs && ms < nowMs + SOON_MS
    }) ?? null
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
