'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm, useWatch, type FieldErrors, type UseFormRegister } from 'react-hook-form'
import { drumSchema, type Drum, type DrumKindRecord } from '@/core/records/kit'
import { KIND_NAMES, USUAL_DIAMETER, usualDrum } from '@/core/records/usualDrum'
import { addDrum, changeDrum } from '@/session/actions/kits'
import { useSession } from '@/session/react'
import { Button } from '@/ui/Button'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { Modal } from '@/ui/Modal'
import { HeadFields } from './HeadFields'
import { THREADS } from './options'

const NUMBER = { valueAsNumber: true }

const formSchema = drumSchema.refine(({ portInches = 0, diameterInches }) => portInches <= diameterInches, {
  path: ['portInches'],
  message: 'wider than the drum',
})

export const AddDrumDialog = ({ onClose }: { onClose: () => void }) => (
  <DrumDialog drum={null} onClose={onClose} />
)

/** Adds a drum, or changes one. Everything follows from kind and diameter until it is changed by hand. */
export function DrumDialog({ drum, onClose }: { drum: Drum | null; onClose: () => void }) {
  const session = useSession()
  const start = drum ?? usualDrum('tom', USUAL_DIAMETER.tom, session?.deps.newId() ?? 'new')
  const { register, handleSubmit, reset, getValues, setValue, control, formState } = useForm<Drum>({
    defaultValues: start,
    resolver: zodResolver(formSchema),
  })
  const { errors } = formState
  const oneHeaded = useWatch({ control, name: 'oneHeaded' })
  const refill = (kind: DrumKindRecord, diameterInches: number) => {
    if (!drum && diameterInches > 0) reset(usualDrum(kind, diameterInches, getValues('id')))
  }
  const submit = handleSubmit((values) => {
    if (!session) return
    if (drum) changeDrum(session, drum, values)
    else addDrum(session, values)
    onClose()
  })
  return (
    <Modal
      open
      onClose={onClose}
      title={drum ? `Edit ${drum.name}` : 'Add a drum'}
      description={drum ? undefined : 'Kind and diameter fill in the rest; change what is different.'}
    >
      <form onSubmit={submit} className="space-y-5" noValidate>
        <div className="grid gap-4 sm:grid-cols-3">
          <Field label="Kind">
            <select
              {...register('kind', {
                onChange: (event) =>
                  refill(
                    event.target.value as DrumKindRecord,
                    USUAL_DIAMETER[event.target.value as DrumKindRecord],
                  ),
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
          <Field label="Diameter, inches" error={wrong(errors, 'diameterInches', 'Between 5 and 40 inches.')}>
            <input
              type="number"
              step="0.5"
              inputMode="decimal"
              {...register('diameterInches', {
                ...NUMBER,
                onChange: (event) => refill(getValues('kind'), Number(event.target.value)),
              })}
              className={INPUT_CLASS}
            />
          </Field>
          <Field label="Depth, inches" error={wrong(errors, 'depthInches', 'Between 1 and 60 inches.')}>
            <input
              type="number"
              step="0.5"
              inputMode="decimal"
              {...register('depthInches', NUMBER)}
              className={INPUT_CLASS}
            />
          </Field>
          <ShellFields register={register} errors={errors} />
        </div>
        <HeadFields side="batter" control={control} register={register} errors={errors} />
        <label className="flex min-h-11 cursor-pointer items-center gap-3">
          <input
            type="checkbox"
            className="size-5 accent-(--act)"
            checked={oneHeaded === true}
            onChange={(event) => setValue('oneHeaded', event.target.checked ? true : undefined)}
          />
          One head only: the shell is open where the resonant would be
        </label>
        {oneHeaded ? null : (
          <HeadFields side="resonant" control={control} register={register} errors={errors} />
        )}
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

/** Its name, lugs, rods and port. */
function ShellFields({ register, errors }: { register: UseFormRegister<Drum>; errors: FieldErrors<Drum> }) {
  return (
    <>
      <Field label="Name" error={wrong(errors, 'name', 'One to forty letters.')}>
        <input {...register('name')} maxLength={40} className={INPUT_CLASS} />
      </Field>
      <Field label="Lugs on each head" error={wrong(errors, 'lugs', 'A whole number from 3 to 24.')}>
        <input
          type="number"
          step="1"
          inputMode="numeric"
          {...register('lugs', NUMBER)}
          className={INPUT_CLASS}
        />
      </Field>
      <Field label="Thread of the rods">
        <select {...register('threadPitchMm', NUMBER)} className={INPUT_CLASS}>
          {THREADS.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </Field>
      <Field
        label="Port in the resonant head, inches"
        hint="empty for none"
        error={wrong(errors, 'portInches', 'Half an inch up to the drum’s own diameter, or empty for none.')}
      >
        <input
          type="number"
          step="0.5"
          inputMode="decimal"
          {...register('portInches', {
            setValueAs: (value: unknown) => (value === '' || value === undefined ? undefined : Number(value)),
          })}
          className={INPUT_CLASS}
        />
      </Field>
    </>
  )
}

function wrong(errors: FieldErrors<Drum>, field: keyof Drum, sentence: string): string | undefined {
  return errors[field] ? sentence : undefined
}
