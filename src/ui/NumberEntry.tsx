'use client'

import { useEffect, useRef, useState, type FormEvent } from 'react'
import { Button } from './Button'

interface Props {
  label: string
  wrongText: string
  /** The number that a text is; null where it is none, or not a good one. */
  read: (text: string) => number | null
  /** The number, and as it was typed: its digits say how good it is. */
  onTake: (value: number, text: string) => void
  /** Takes more than one number that was pasted or typed at once; what is wrong with them comes back in a sentence. */
  several?: (text: string) => string | null
}

/** One number after the other, taken with Enter; what is none is said and stays where it was typed. */
export function NumberEntry({ label, wrongText, read, onTake, several }: Props) {
  const field = useRef<HTMLInputElement>(null)
  // In its place: a field below what is said first does not scroll it away.
  useEffect(() => field.current?.focus({ preventScroll: true }), [])
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const value = read(text)
    if (value !== null) onTake(value, text)
    const why = value !== null ? null : several && isSeveral(text) ? several(text) : wrongText
    if (why === null) setText('')
    setWrong(why)
  }
  return (
    <form onSubmit={submit}>
      <div className="flex items-end gap-3">
        <label className="block">
          <span className="mb-1 block text-sm text-soft">{label}</span>
          <input
            ref={field}
            inputMode={several ? 'text' : 'decimal'}
            value={text}
            aria-invalid={wrong !== null}
            onChange={(event) => setText(event.target.value)}
            onPaste={(event) => {
              // A column of a table: the field has one line, and would lose what parts the numbers.
              const pasted = event.clipboardData.getData('text')
              if (!several || !isSeveral(pasted)) return
              event.preventDefault()
              const why = several(pasted)
              setText(why === null ? '' : pasted.trim().replace(/\s+/g, ' '))
              setWrong(why)
            }}
            className="min-h-14 w-36 border-b-2 border-soft bg-tape px-3 text-2xl font-bold"
          />
        </label>
        <Button tone="act" big type="submit">
          Take it
        </Button>
      </div>
      {wrong !== null ? (
        <p role="alert" className="mt-2 font-bold text-caution">
          {wrong}
        </p>
      ) : null}
    </form>
  )
}

/** More than one part: numbers beside each other, or in a column. */
const isSeveral = (text: string) => /\S[\s;,]+\S.*[\s;,]+\S|\d[\s;]+\d/s.test(text.trim())
