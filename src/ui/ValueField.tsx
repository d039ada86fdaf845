'use client'

import { useId, useState } from 'react'
import { clsx } from 'clsx'
import { INPUT_CLASS } from './Field'

export interface ValueFieldProps<V> {
  label: string
  /** The label stands over the field; else it is only told. */
  shown?: boolean
  /** What the field says before anything is typed; another one takes its place. */
  text: string
  /** The value that a text is; null where it is none. */
  read: (text: string) => V | null
  wrong: string
  onTake: (value: V) => void
  hint?: string
  autoFocus?: boolean
  onLeave?: () => void
  className?: string
}

/** A value that is typed, taken with Enter or when the field is left; what is none is said under it and stays as it was typed. */
export function ValueField<V>({
  label,
  shown = false,
  text: start,
  read,
  wrong: sentence,
  onTake,
  hint,
  autoFocus,
  onLeave,
  className,
}: ValueFieldProps<V>) {
  const id = useId()
  const [text, setText] = useState(start)
  const [wrong, setWrong] = useState(false)
  const [before, setBefore] = useState(start)
  // Another value came from elsewhere, or what was typed was taken: the field says it, and keeps the focus.
  if (before !== start) {
    setBefore(start)
    setText(start)
    setWrong(false)
  }
  const take = () => {
    if (text === start) return setWrong(false)
    const value = read(text)
    setWrong(value === null)
    if (value !== null) onTake(value)
  }
  return (
    <div className={clsx('min-w-0', className)}>
      <label htmlFor={id} className={shown ? 'mb-1 block text-sm text-soft' : 'sr-only'}>
        {label}
      </label>
      <input
        id={id}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        autoFocus={autoFocus}
        aria-invalid={wrong}
        value={text}
        maxLength={40}
        onChange={(event) => setText(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={() => {
          take()
          onLeave?.()
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault()
            take()
          }
        }}
        className={`${INPUT_CLASS} px-2 text-base`}
      />
      {hint && !wrong ? <span className="mt-1 block text-sm text-soft">{hint}</span> : null}
      {wrong ? (
        <span id={`${id}-wrong`} role="alert" className="mt-1 block text-sm font-bold text-caution">
          {sentence}
        </span>
      ) : null}
    </div>
  )
}
