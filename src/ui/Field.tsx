import type { ReactNode } from 'react'

interface Props {
  label: string
  hint?: string
  error?: string
  children: ReactNode
}

/** A label over its control, with the sentence about what is wrong under it. */
export function Field({ label, hint, error, children }: Props) {
  return (
    <label className="block">
      <span className="mb-1 block text-sm text-soft">{label}</span>
      {children}
      {hint && !error ? <span className="mt-1 block text-sm text-soft">{hint}</span> : null}
      {error ? (
        <span role="alert" className="mt-1 block text-sm font-bold text-caution">
          {error}
        </span>
      ) : null}
    </label>
  )
}

export const INPUT_CLASS = 'min-h-11 w-full border-b-2 border-soft bg-tape px-3 text-lg text-ink'
