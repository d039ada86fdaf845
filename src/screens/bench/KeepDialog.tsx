'use client'

import { fittedNow } from '@/core/bench/standing'
import { useState, type FormEvent } from 'react'
import { fittedSpreadCents, toleranceOf } from '@/core/bench/targets'
import { keepOnSheet } from '@/session/actions/sheets'
import { useBenchView, useKit, useSelect, useSession } from '@/session/react'
import { hzText, noteText } from '@/text/heads'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'

/** Keeps the fitted state of the head as a target on a named sheet. */
export function KeepDialog({ onClose }: { onClose: () => void }) {
  const session = useSession()
  const state = useSelect(({ settings }) => ({ settings }))
  const kit = useKit()
  const view = useBenchView()
  const fit = view && fittedNow(view.head)
  const current = kit?.sheets.find(({ id }) => id === kit.sheet)?.name
  const [name, setName] = useState(current ?? '')
  const [uneven, setUneven] = useState(false)
  if (!session || !view || !fit) return null
  const spread = fittedSpreadCents(fit, view.drum.lugs)
  const offsets = view.aim.kind === 'offsets' ? view.aim.offsetTurns : (view.kept?.offsetTurns ?? null)
  const rough = offsets === null && spread > toleranceOf(view.drum, view.side, fit.meanHz)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const clean = name.trim().slice(0, 60)
    if (clean && keepOnSheet(session, clean, rough && uneven, offsets)) onClose()
  }
  return (
    <Modal open onClose={onClose} title={`Keep ${view.drum.name}, ${view.side}`}>
      <form onSubmit={submit} className="space-y-5">
        <p className="text-lg">
          Target{' '}
          <b>
            {hzText(fit.meanHz)} Hz ± {Math.max(0.05, (fit.meanHz * fit.meanErrorCents) / 1731).toFixed(2)}
          </b>
          , {noteText(fit.meanHz, state.settings.a4Hz)}, even to {Math.round(spread)} c. What is kept is the
          fit through all readings, not the readings with their noise.
        </p>
        {offsets ? (
          <p className="text-lg">
            Uneven on purpose: the turns per rod are kept with it
            {view.advice?.plan.done ? '' : ', though the head is not there yet'}. To reach it again the head
            is evened, the turns are put on, then mean and pattern are checked.
          </p>
        ) : null}
        {rough ? (
          <label className="flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              className="size-5"
              checked={uneven}
              onChange={(event) => setUneven(event.target.checked)}
            />
            The unevenness is meant: keep it in the target
          </label>
        ) : null}
        <Field
          label="Sheet"
          hint="The name of a room, a song, a show. A known name keeps this head on that sheet."
        >
          <input
            autoFocus
            list="sheet-names"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
            className={INPUT_CLASS}
          />
        </Field>
        <datalist id="sheet-names">
          {kit?.sheets.map((sheet) => (
            <option key={sheet.id} value={sheet.name} />
          ))}
        </datalist>
        <Button tone="act" type="submit" disabled={!name.trim()}>
          Keep it
        </Button>
      </form>
    </Modal>
  )
}
