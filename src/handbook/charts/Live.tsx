'use client'

import { useId, type ReactNode } from 'react'

interface Props {
  title: string
  /** What is dragged. */
  label: string
  value: number
  min: number
  max: number
  step: number
  /** The result in a sentence. */
  said: string
  onChange: (value: number) => void
  children: ReactNode
}

/** A small chart with one thing to drag, and what it says in words for whoever does not see it. */
export function Live({ title, label, value, min, max, step, said, onChange, children }: Props) {
  const id = useId()
  return (
    <figure className="my-5 max-w-[340px]">
      <figcaption className="font-bold">{title}</figcaption>
      <div className="mt-2 overflow-hidden">{children}</div>
      <label htmlFor={id} className="mt-1 block text-sm text-soft">
        {label}
      </label>
      <input
        id={id}
        type="range"
        {...{ value, min, max, step }}
        aria-valuetext={said}
        onChange={(event) => onChange(Number(event.target.value))}
        className="h-11 w-full accent-[var(--act)]"
      />
      <p aria-live="polite">{said}</p>
    </figure>
  )
}

export const WIDTH = 340
