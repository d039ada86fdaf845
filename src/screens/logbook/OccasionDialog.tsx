'use client'

import { format } from 'date-fns'
import { useState, type FormEvent } from 'react'
import type { Occasion } from '@/core/log/diary'
import type { KitState } from '@/core/log/fold'
import { callOff, noteOccasion } from '@/session/actions/diary'
import { useKit, useSession } from '@/session/react'
import { numberWithin } from '@/core/units/number'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { FormWrong, TextField } from '@/ui/TextField'

export const GigDialog = ({ onClose }: { onClose: () => void }) => (
  <OccasionDialog what="gig" onClose={onClose} />
)
export const RehearsalDialog = ({ onClose }: { onClose: () => void }) => (
  <OccasionDialog what="rehearsal" onClose={onClose} />
)

const readMinutes = numberWithin(1, 1440)
const clockOf = (at: string | null | undefined) => (at ? format(new Date(at), 'HH:mm') : '')

/** As it is typed. */
interface Typed {
  day: string
  at: string
  minutes: string
  room: string
  loadIn: string
  doors: string
  sheet: string
  words: string
}

function typedOf(known: Occasion | undefined, nowMs: number): Typed {
  return {
    day: format(new Date(known?.on ?? nowMs), 'yyyy-MM-dd'),
    at: clockOf(known?.on) || '20:00',
    minutes: known?.minutes ? String(known.minutes) : '',
    ...{ room: known?.room ?? '', sheet: known?.sheet ?? '', words: known?.words ?? '' },
    ...{ loadIn: clockOf(known?.loadInAt), doors: clockOf(known?.doorsAt) },
  }
}

/** What was typed as it is kept, or what is wrong with it. */
function said({ day, at, minutes, room, loadIn, doors, sheet, words }: Typed, what: Occasion['what']) {
  const on = new Date(`${day}T${at || '20:00'}`)
  if (Number.isNaN(on.getTime()) || on.getFullYear() < 1970 || on.getFullYear() >= 2200)
    return 'A day, such as 14 March 2026.'
  const played = minutes.trim() ? readMinutes(minutes) : null
  if (minutes.trim() && played === null) return 'Minutes played: a number from 1 to 1440, or nothing.'
  const moment = (time: string) => (time ? new Date(`${day}T${time}`).toISOString() : null)
  return {
    ...{ on: on.toISOString(), what, minutes: played, room: room.trim() || null, sheet: sheet || null },
    ...{ loadInAt: moment(loadIn), doorsAt: moment(doors), words: words.trim() },
  }
}

interface OccasionDialogProps {
  what: Occasion['what']
  /** One that was written before, to be corrected. */
  known?: Occasion
  onClose: () => void
}

/** A gig or a rehearsal, past or to come: only its day must be said. */
export function OccasionDialog({ what, known, onClose }: OccasionDialogProps) {
  const session = useSession()
  const kit = useKit()
  const [typed, setTyped] = useState(() => typedOf(known, session?.deps.nowMs() ?? 0))
  const [wrong, setWrong] = useState<string | null>(null)
  if (!session || !kit) return null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const occasion = said(typed, what)
    if (typeof occasion === 'string') return setWrong(occasion)
    noteOccasion(session, occasion, known?.id)
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={known ? `The ${what}` : `A ${what}, played or to come`}>
      <form onSubmit={submit} className="space-y-4">
        <OccasionFields kit={kit} typed={typed} onChange={(change) => setTyped({ ...typed, ...change })} />
        <FormWrong says={wrong} />
        <div className="flex flex-wrap gap-3">
          <Button tone="act" type="submit">
            Note it
          </Button>
          {known && !known.cancelled ? (
            <Button
              onClick={() => {
                callOff(session, known)
                onClose()
              }}
            >
              Call it off
            </Button>
          ) : null}
        </div>
      </form>
    </Modal>
  )
}

interface OccasionFieldsProps {
  kit: KitState
  typed: Typed
  onChange: (change: Partial<Typed>) => void
}

function OccasionFields({ kit, typed, onChange }: OccasionFieldsProps) {
  const rooms = [...new Set(kit.diary.occasions.flatMap((each) => each.room ?? []))]
  const field = (key: keyof Typed) => ({
    value: typed[key],
    onText: (text: string) => onChange({ [key]: text }),
  })
  return (
    <>
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label="Day" type="date" required autoFocus {...field('day')} />
        <TextField label="Begins at" type="time" {...field('at')} />
        <TextField label="Minutes played" inputMode="numeric" {...field('minutes')} />
        <TextField label="Room" list="rooms" maxLength={60} {...field('room')} />
        <TextField label="Load-in" type="time" {...field('loadIn')} />
        <TextField label="Doors" type="time" {...field('doors')} />
      </div>
      <datalist id="rooms">
        {rooms.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Field label="Played from the sheet">
        <select
          value={typed.sheet}
          onChange={(event) => onChange({ sheet: event.target.value })}
          className={INPUT_CLASS}
        >
          <option value="">none named</option>
          {kit.sheets.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Field>
      <TextField label="What it was for" maxLength={500} {...field('words')} />
    </>
  )
}
