'use client'

import { useState, type FormEvent } from 'react'
import { Button } from './Button'

/** One number after the other, taken with Enter; what is none is said and stays where it was typed. */
export function NumberEntry({
  label,
  wrongText,
  read,
  onTake,
}: {
  label: string
  wrongText: string
  /** The number that a text is; null where it is none, or not a good one. */
  read: (text: string) => number | null
  /** The number, and as it was typed: its digits say how good it is. */
  onTake: (value: number, text: string) => void
}) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState(false)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const value = read(text)
    if (value === null) return setWrong(true)
    onTake(value, text)
    setText('')
    setWrong(false)
  }
  return (
    <form onSubmit={submit}>
      <div className="flex items-end gap-3">
        <label className="block">
          <span className="mb-1 block text-sm text-soft">{label}</span>
          <input
            autoFocus
            inputMode="decimal"
            value={text}
            aria-invalid={wrong}
            onChange={(event) => setText(event.target.value)}
            className="min-h-14 w-36 border-b-2 border-soft bg-tape px-3 text-2xl font-bold"
          />
        </label>
        <Button tone="act" big type="submit">
          Take it
        </Button>
      </div>
      {wrong ? (
        <p role="alert" className="mt-2 font-bold text-caution">
          {wrongText}
        </p>
      ) : null}
    </form>
  )
}
