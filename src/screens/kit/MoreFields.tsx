'use client'

import {
  useWatch,
  type UseFormReturn,
  Controller,
  type Control,
  type FieldErrors,
  type UseFormRegister,
} from 'react-hook-form'
import type { Drum, Side } from '@/core/records/kit'
import { USUAL_BED_CENTS } from '@/core/pair/snare'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { LugPicks } from '@/ui/LugPicks'
import { THREADS, HOOPS } from './options'
import { typedNumber, typedOrNone } from './drumForm'
import { FilmSelect } from './FilmSelect'

type Form = UseFormReturn<Drum>

/** What follows from a drum's size until somebody knows better: name, rods, heads, port, badge. */
export function MoreFields({ form, unit }: { form: Form; unit: string }) {
  const { control, register, formState } = form
  const { errors } = formState
  const oneHeaded = useWatch({ control, name: 'oneHeaded' })
  return (
    <div className="space-y-5">
      <div className="grid gap-4 sm:grid-cols-3">
        <Field label="Name" error={errors.name ? 'One to forty letters.' : undefined}>
          <input {...register('name')} maxLength={40} className={INPUT_CLASS} />
        </Field>
        <Field label="Thread of the rods">
          <select {...register('threadPitchMm', { setValueAs: typedNumber })} className={INPUT_CLASS}>
            {THREADS.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        </Field>
        <Field
          label={`Port, ${unit}`}
          hint="in the resonant head; empty for none"
          error={
            errors.portInches ? 'Half an inch up to the drum’s own diameter, or empty for none.' : undefined
          }
        >
          <input
            inputMode="decimal"
            {...register('portInches', { setValueAs: typedOrNone })}
            className={INPUT_CLASS}
          />
        </Field>
      </div>
      <HeadFields side="batter" control={control} register={register} errors={errors} />
      <Tick
        form={form}
        name="oneHeaded"
        label="One head only: the shell is open where the resonant would be"
      />
      {oneHeaded ? null : (
        <HeadFields side="resonant" control={control} register={register} errors={errors} />
      )}
      <fieldset className="border-t border-line pt-3">
        <legend className="pr-3 text-lg font-bold">Lugs and badge</legend>
        <RodFields form={form} />
        <Tick form={form} name="badgeAtLug" label="The badge stands at lug 1, not between two lugs" />
        {oneHeaded ? null : (
          <Tick
            form={form}
            name="seenThrough"
            label="I count the resonant lugs looking down through the drum, not from outside"
          />
        )}
      </fieldset>
    </div>
  )
}

/** Rods that carry a lock, and on a snare the lugs beside the bed. */
function RodFields({ form: { control, setValue } }: { form: Form }) {
  const [kind, lugs, locked, bed] = useWatch({ control, name: ['kind', 'lugs', 'lockedRods', 'snareBed'] })
  const count = typedNumber(lugs)
  if (!(count >= 3 && count <= 24)) return null
  return (
    <>
      <p className="text-sm text-soft">Rods with a lock against backing off</p>
      <LugPicks
        lugs={count}
        chosen={locked ?? []}
        onChange={(rods) => setValue('lockedRods', sorted(rods))}
        label="Lock on rod"
      />
      {kind === 'snare' ? (
        <>
          <p className="mt-3 text-sm text-soft">Lugs of the snare side beside the bed of the wires</p>
          <LugPicks
            lugs={count}
            chosen={bed?.lugs ?? []}
            onChange={(rods) =>
              setValue('snareBed', { cents: bed?.cents ?? USUAL_BED_CENTS, lugs: sorted(rods) })
            }
            label="Beside the bed: lug"
          />
        </>
      ) : null}
    </>
  )
}

const sorted = (rods: readonly number[]) => [...rods].sort((a, b) => a - b)

interface TickProps {
  form: Form
  name: 'oneHeaded' | 'badgeAtLug' | 'seenThrough'
  label: string
}

function Tick({ form: { control, setValue }, name, label }: TickProps) {
  const ticked = useWatch({ control, name })
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-3">
      <input
        type="checkbox"
        className="size-5 accent-(--act)"
        checked={ticked === true}
        onChange={(event) => setValue(name, event.target.checked ? true : undefined)}
      />
      {label}
    </label>
  )
}

interface HeadFieldsProps {
  side: Side
  control: Control<Drum>
  register: UseFormRegister<Drum>
  errors: FieldErrors<Drum>
}

/** One head of a drum: what of it matters to the numbers. */
function HeadFields({ side, control, register, errors }: HeadFieldsProps) {
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
