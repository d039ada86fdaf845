import type { InputHTMLAttributes } from 'react'
import { Field, INPUT_CLASS } from './Field'

/** A labelled line of text, day or number of a form, as it is typed. */
export function TextField({
  label,
  hint,
  onText,
  ...input
}: {
  label: string
  hint?: string
  onText: (text: string) => void
} & Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'className'>) {
  return (
    <Field label={label} {...(hint ? { hint } : {})}>
      <input {...input} onChange={(event) => onText(event.target.value)} className={INPUT_CLASS} />
    </Field>
  )
}

/** What is wrong with a form as a whole; nothing while nothing is. */
export function FormWrong({ says }: { says: string | null }) {
  return says ? (
    <p role="alert" className="font-bold text-caution">
      {says}
    </p>
  ) : null
}
