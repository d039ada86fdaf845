'use client'

import { useWatch, type UseFormReturn } from 'react-hook-form'
import type { Drum } from '@/core/records/kit'
import { USUAL_BED_CENTS } from '@/core/pair/snare'
import { Field, INPUT_CLASS } from '@/ui/Field'
import { LugPicks } from '@/ui/LugPicks'
import { HeadFields } from './HeadFields'
import { THREADS } from './options'
import { typedNumber, typedOrNone } from './drumForm'

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

function Tick({
  form: { control, setValue },
  name,
  label,
}: {
  form: Form
  name: 'oneHeaded' | 'badgeAtLug' | 'seenThrough'
  label: string
}) {
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
