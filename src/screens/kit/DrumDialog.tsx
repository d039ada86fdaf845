'use client'

import { useState } from 'react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm, type FieldErrors, type Resolver } from 'react-hook-form'
import { drumSchema, type Drum, type DrumKindRecord } from '@/core/records/kit'
import { KIND_NAMES, USUAL_DIAMETER, usualDrum } from '@/core/records/usualDrum'
import { addDrum, changeDrum } from '@/session/actions/kits'
import { useSelect, useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { fromForm, toForm, typedInches, typedNumber } from './drumForm'
import { MoreFields } from './MoreFields'

const formSchema = drumSchema.refine(({ portInches = 0, diameterInches }) => portInches <= diameterInches, {
  path: ['portInches'],
  message: 'wider than the drum',
})

export const AddDrumDialog = ({ onClose }: { onClose: () => void }) => (
  <DrumDialog drum={null} onClose={onClose} />
)

/** What can be wrong among the fields that are behind "more". */
const MORE: ReadonlyArray<keyof Drum> = ['name', 'portInches', 'batter', 'resonant', 'snareBed', 'lockedRods']

/** Adds a drum, or changes one: four things that matter, the rest behind "more" follows from them until it is changed by hand. */
export function DrumDialog({ drum, onClose }: { drum: Drum | null; onClose: () => void }) {
  const session = useSession()
  const lengths = useSelect((state) => state.settings.lengths)
  const [more, setMore] = useState(false)
  const start = drum ?? usualDrum('tom', USUAL_DIAMETER.tom, session?.deps.newId() ?? 'new')
  // The form holds lengths as they are shown; what it means is judged in inches.
  const judge = zodResolver(formSchema)
  const resolver: Resolver<Drum> = (values, context, options) =>
    judge(fromForm(values, lengths), context, options)
  const form = useForm<Drum>({ defaultValues: toForm(start, lengths), resolver })
  const { register, handleSubmit, reset, getValues, formState } = form
  const { errors } = formState
  const refill = (kind: DrumKindRecord, diameterInches: number) => {
    if (!drum && diameterInches > 0) reset(toForm(usualDrum(kind, diameterInches, getValues('id')), lengths))
  }
  const submit = handleSubmit(
    (values) => {
      if (!session) return
      if (drum) changeDrum(session, drum, values)
      else addDrum(session, values)
      onClose()
    },
    // What is wrong is not left hidden.
    (wrongs) => MORE.some((field) => wrongs[field]) && setMore(true),
  )
  const unit = lengths === 'mm' ? 'mm' : 'inches'
  return (
    <Modal
      open
      onClose={onClose}
      title={drum ? `Edit ${drum.name}` : 'Add a drum'}
      description={drum ? undefined : 'These four fill in the rest.'}
    >
      <form onSubmit={submit} className="space-y-5" noValidate>
        <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
          <Field label="Kind">
            <select
              {...register('kind', {
                onChange: (event: { target: { value: DrumKindRecord } }) =>
                  refill(event.target.value, USUAL_DIAMETER[event.target.value]),
              })}
              className={INPUT_CLASS}
            >
              {Object.entries(KIND_NAMES).map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
          </Field>
          <Field
            label={`Diameter, ${unit}`}
            error={wrong(errors, 'diameterInches', lengths === 'mm' ? '127 to 1016 mm.' : '5 to 40 inches.')}
          >
            <input
              inputMode="decimal"
              {...register('diameterInches', {
                setValueAs: typedNumber,
                onChange: (event: { target: { value: string } }) =>
                  refill(getValues('kind'), typedInches(typedNumber(event.target.value), lengths)),
              })}
              className={INPUT_CLASS}
            />
          </Field>
          <Field
            label={`Depth, ${unit}`}
            error={wrong(errors, 'depthInches', lengths === 'mm' ? '26 to 1524 mm.' : '1 to 60 inches.')}
          >
            <input
              inputMode="decimal"
              {...register('depthInches', { setValueAs: typedNumber })}
              className={INPUT_CLASS}
            />
          </Field>
          <Field label="Lugs on each head" error={wrong(errors, 'lugs', 'A whole number from 3 to 24.')}>
            <input
              inputMode="numeric"
              {...register('lugs', { setValueAs: typedNumber })}
              className={INPUT_CLASS}
            />
          </Field>
        </div>
        <Button tone="quiet" className="-ml-4 underline" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'less' : 'more: name, heads, rods, port, badge'}
        </Button>
        {more ? <MoreFields form={form} unit={unit} /> : null}
        <div className="flex gap-3">
          <Button tone="act" type="submit">
            {drum ? 'Save' : 'Add the drum'}
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </div>
      </form>
    </Modal>
  )
}

function wrong(errors: FieldErrors<Drum>, field: keyof Drum, sentence: string): string | undefined {
  return errors[field] ? sentence : undefined
}
