'use client'

import { useState, type FormEvent } from 'react'
import type { KitState } from '@/core/log/fold'
import { SIDES } from '@/core/records/plain'
import type { Side } from '@/core/records/kit'
import { numberWithin } from '@/core/units/number'
import { noteFilm } from '@/session/actions/diary'
import type { Session } from '@/session/session'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { FormWrong, TextField } from '@/ui/TextField'
import { FilmSelect } from '../kit/FilmSelect'

const readInches = numberWithin(5, 40)

interface FilmDialogProps {
  session: Session
  kit: KitState
  onClose: () => void
}

/** A spare head goes into the box: its size, its film, what it is called. */
export function FilmDialog({ session, kit, onClose }: FilmDialogProps) {
  const [name, setName] = useState('')
  const [size, setSize] = useState(String(kit.drums[0]?.diameterInches ?? 14))
  const [side, setSide] = useState<Side | ''>('')
  const [pliesMils, setPlies] = useState<number[]>([10])
  const [coating, setCoating] = useState<'clear' | 'coated'>('clear')
  const [newOn, setNewOn] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const diameterInches = readInches(size)
    if (diameterInches === null) return setWrong('A size from 5 to 40 inches.')
    if (!name.trim()) return setWrong('A name by which it is found again.')
    const like = kit.drums.find((drum) => drum.diameterInches === diameterInches) ?? kit.drums[0]
    noteFilm(session, {
      ...{ name: name.trim(), diameterInches, side: side || null },
      head: {
        ...{ hoop: like?.[side || 'batter'].hoop ?? 'triple-flanged', pliesMils, coating },
        ...{ fittedOn: newOn || null, ceilingHz: null },
      },
    })
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="A head for the box">
      <form onSubmit={submit} className="space-y-4">
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField label="Name" autoFocus maxLength={60} value={name} onText={setName} />
          <TextField label="Size, inches" inputMode="decimal" value={size} onText={setSize} />
          <Field label="Film">
            <FilmSelect pliesMils={pliesMils} onChange={setPlies} />
          </Field>
          <Field label="Surface">
            <select
              value={coating}
              onChange={(event) => setCoating(event.target.value as 'clear' | 'coated')}
              className={INPUT_CLASS}
            >
              <option value="clear">clear</option>
              <option value="coated">coated</option>
            </select>
          </Field>
          <Field label="Meant for">
            <select
              value={side}
              onChange={(event) => setSide(event.target.value as Side | '')}
              className={INPUT_CLASS}
            >
              <option value="">either side</option>
              {SIDES.map((each) => (
                <option key={each} value={each}>
                  {each}
                </option>
              ))}
            </select>
          </Field>
          <TextField
            label="First fitted on"
            hint="Empty for a head that was never on a drum."
            type="date"
            value={newOn}
            onText={setNewOn}
          />
        </div>
        <FormWrong says={wrong} />
        <Button tone="act" type="submit">
          Put it in the box
        </Button>
      </form>
    </Modal>
  )
}

interface NameDialogProps {
  name: string
  place: string
  onName: (name: string) => void
  onClose: () => void
}

/** What the head that is on is called: with a name its history goes with it. */
export function NameDialog({ name: start, place, onName, onClose }: NameDialogProps) {
  const [name, setName] = useState(start)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!name.trim()) return
    onName(name.trim())
    onClose()
  }
  return (
    <Modal open onClose={onClose} title={`The head on ${place}`}>
      <form onSubmit={submit} className="space-y-4">
        <TextField
          label="Name"
          hint="With a name its history goes with it, to another drum and back."
          autoFocus
          maxLength={60}
          value={name}
          onText={setName}
        />
        <Button tone="act" type="submit" disabled={!name.trim()}>
          Name it
        </Button>
      </form>
    </Modal>
  )
}
