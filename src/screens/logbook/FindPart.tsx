'use client'

import { format } from 'date-fns'
import { useState } from 'react'
import type { Occasion } from '@/core/log/diary'
import type { KitState } from '@/core/log/fold'
import { DAY_MS } from '@/core/units/time'
import { dropNote } from '@/session/actions/diary'
import { entriesOf, found, likeNow, twoDays, type Wanted } from '@/session/findLog'
import type { LaneView } from '@/session/logbookView'
import type { Session } from '@/session/session'
import { centsText, hzText } from '@/text/heads'
import { dateText } from '@/text/logbook'
import { fixed } from '@/text/shown'
import { directionWord, turnText } from '@/text/turns'
import { Button } from '@/ui/Button'
import { Pick } from '@/ui/Pick'
import { Table } from '@/ui/Table'
import { TextField } from '@/ui/TextField'
import { OccasionDialog } from './OccasionDialog'

const NOTHING: Wanted = { words: '', drum: '', room: '', sheet: '', fromMs: null, toMs: null }
const SHOWN = 40

interface Props {
  session: Session
  kit: KitState
  lanes: readonly LaneView[]
  nowMs: number
}

/** Finding what stands in the log, and holding two days over each other. */
export function FindPart({ session, kit, lanes, nowMs }: Props) {
  const [wanted, setWanted] = useState(NOTHING)
  const [corrected, setCorrected] = useState<Occasion | null>(null)
  const set = (change: Partial<Wanted>) => setWanted({ ...wanted, ...change })
  const all = found(entriesOf(kit, lanes), kit, wanted)
  const rooms = [...new Set(kit.diary.occasions.flatMap(({ room }) => room ?? []))]
  const dayMs = (day: string, after: number) => (day ? new Date(`${day}T00:00`).getTime() + after : null)
  return (
    <>
      <Compare kit={kit} lanes={lanes} nowMs={nowMs} />
      <section aria-label="Find" className="mt-7">
        <h2 className="text-xl font-bold">Find</h2>
        <div className="mt-1 grid items-end gap-4 sm:grid-cols-2 lg:grid-cols-6">
          <TextField
            label="Words"
            type="search"
            value={wanted.words}
            onText={(text) => set({ words: text })}
          />
          <Pick
            label="drum"
            value={wanted.drum}
            items={[
              { value: '', label: 'all' },
              ...kit.drums.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(drum) => set({ drum })}
          />
          <Pick
            label="room"
            value={wanted.room}
            items={[{ value: '', label: 'all' }, ...rooms.map((room) => ({ value: room, label: room }))]}
            onChange={(room) => set({ room })}
          />
          <Pick
            label="sheet"
            value={wanted.sheet}
            items={[
              { value: '', label: 'all' },
              ...kit.sheets.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(sheet) => set({ sheet })}
          />
          <TextField label="From" type="date" onText={(text) => set({ fromMs: dayMs(text, 0) })} />
          <TextField label="To" type="date" onText={(text) => set({ toMs: dayMs(text, DAY_MS) })} />
        </div>
        <p role="status" className="mt-2 text-soft">
          {all.length === 0
            ? 'Nothing in the log is so.'
            : `${all.length} ${all.length === 1 ? 'entry' : 'entries'}${all.length > SHOWN ? `, the newest ${SHOWN} shown` : ''}`}
        </p>
        <ul aria-label="Entries">
          {all.slice(0, SHOWN).map((entry) => (
            <li key={entry.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1.5">
              <span className="w-28 shrink-0 font-bold">{format(new Date(entry.ms), 'd MMM yyyy')}</span>
              <span className="min-w-0 flex-1">
                <span className="text-soft">
                  {entry.what}
                  {entry.drum ? `, ${entry.drum.name}` : ''}
                </span>{' '}
                {entry.words}
              </span>
              {entry.occasion ? (
                <Button
                  tone="quiet"
                  className="underline"
                  onClick={() =>
                    setCorrected(kit.diary.occasions.find(({ id }) => id === entry.occasion) ?? null)
                  }
                >
                  correct it
                </Button>
              ) : entry.what === 'note' ? (
                <Button tone="quiet" className="underline" onClick={() => dropNote(session, entry.id)}>
                  drop it
                </Button>
              ) : null}
            </li>
          ))}
        </ul>
      </section>
      {corrected ? (
        <OccasionDialog what={corrected.what} known={corrected} onClose={() => setCorrected(null)} />
      ) : null}
    </>
  )
}

/** Two days of the kit over each other, and the days on which it sounded as it does now. */
function Compare({ kit, lanes, nowMs }: { kit: KitState; lanes: readonly LaneView[]; nowMs: number }) {
  const [one, setOne] = useState(() => format(nowMs - 28 * DAY_MS, 'yyyy-MM-dd'))
  const [other, setOther] = useState(() => format(nowMs, 'yyyy-MM-dd'))
  const endOf = (day: string) => (day ? new Date(`${day}T00:00`).getTime() + DAY_MS : NaN)
  const [oneMs, otherMs] = [endOf(one), endOf(other)]
  const rows = Number.isNaN(oneMs) || Number.isNaN(otherMs) ? [] : twoDays(kit, lanes, oneMs, otherMs)
  const ring = (seconds: number | null) => (seconds === null ? '' : `${fixed(seconds, 2)} s`)
  const like = likeNow(lanes, nowMs)
  return (
    <section aria-label="Two days">
      <h2 className="text-xl font-bold">Two days over each other</h2>
      <div className="mt-1 flex flex-wrap gap-4">
        <TextField label="One day" type="date" value={one} onText={setOne} />
        <TextField label="The other" type="date" value={other} onText={setOther} />
      </div>
      {rows.length === 0 ? (
        <p className="mt-2 text-soft">Nothing was read by then.</p>
      ) : (
        <Table
          label="Heads on two days"
          heads={['head', 'one day, Hz', 'the other, Hz', 'cents', 'turned between', 'ring']}
          rows={rows.map(({ drum, side, oneHz, otherHz, cents, turns, oneRing, otherRing }) => ({
            key: `${drum.id}/${side}`,
            cells: [
              `${drum.name} ${side}`,
              oneHz === null ? 'not read' : hzText(oneHz),
              otherHz === null ? 'not read' : hzText(otherHz),
              cents === null ? '' : centsText(cents),
              turns === null
                ? 'not'
                : Math.abs(turns) < 1 / 64
                  ? 'hardly'
                  : `${directionWord(turns)} ${turnText(Math.abs(turns))}`,
              [ring(oneRing), ring(otherRing)].filter(Boolean).join(' to '),
            ],
          }))}
        />
      )}
      <p className="mt-3 text-lg">
        <span className="font-bold">When did it last sound like this?</span>{' '}
        {like.length === 0
          ? 'The log does not go back far enough yet.'
          : like
              .map(
                ({ ms, cents, heads }) =>
                  `${dateText(ms)}: within ${Math.round(cents)} c over ${heads} heads`,
              )
              .join('; ')}
      </p>
    </section>
  )
}
