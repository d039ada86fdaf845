'use client'

import { Controller, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form'
import type { Drum, Side } from '@/core/records/kit'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { FilmSelect } from './FilmSelect'
import { typedOrNone } from './drumForm'
import { HOOPS } from './options'

/** One head of a drum: what of it matters to the numbers. */
export function HeadFields({
  side,
  control,
  register,
  errors,
}: {
  side: Side
  control: Control<Drum>
  register: UseFormRegister<Drum>
  errors: FieldErrors<Drum>
}) {
  const wrong = errors[side]
  return (
    <fieldset className="border-t border-line pt-3">
      <legend className="pr-3 text-lg font-bold">
        {side === 'batter' ? 'Batter head' : 'Resonant head'}
      </legend>
      <div className="grid gap-4 sm:grid-cols-3">
        <Field label="Film">
          <Controller
            control={control}
            name={`${side}.pliesMils`}
            render={({ field }) => (
              <FilmSelect pliesMils={field.value} onChange={field.onChange} onBlur={field.onBlur} />
            )}
          />
        </Field>
        <Field label="Surface">
          <select {...register(`${side}.coating`)} className={INPUT_CLASS}>
            <option value="clear">clear</option>
            <option value="coated">coated</option>
          </select>
        </Field>
        <Field
          label="Made with"
          hint="A ring or a dot dries the ring; what it does to the pitch is not modelled."
        >
          <select
            {...register(`${side}.build`, { setValueAs: (value: string) => value || undefined })}
            className={INPUT_CLASS}
          >
            <option value="">nothing more</option>
            <option value="ring">a ring along the edge</option>
            <option value="dot">a dot in the middle</option>
          </select>
        </Field>
        <Field label="Hoop">
          <select {...register(`${side}.hoop`)} className={INPUT_CLASS}>
            {HOOPS.map((hoop) => (
              <option key={hoop.value} value={hoop.value}>
                {hoop.label}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Fitted on" error={wrong?.fittedOn ? 'A day, or nothing.' : undefined}>
          <input
            type="date"
            {...register(`${side}.fittedOn`, { setValueAs: (value: string | null) => value || null })}
            className={INPUT_CLASS}
          />
        </Field>
        <Field
          label="Highest lug pitch, Hz"
          hint="By the head or drum maker’s limit; empty for none."
          error={wrong?.ceilingHz ? 'Between 15 and 2,000 Hz, or nothing.' : undefined}
        >
          <input
            inputMode="decimal"
            {...register(`${side}.ceilingHz`, { setValueAs: (value: unknown) => typedOrNone(value) ?? null })}
            className={INPUT_CLASS}
          />
        </Field>
      </div>
    </fieldset>
  )
}
