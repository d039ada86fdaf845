'use client'

import { ToggleGroup } from 'radix-ui'
import { clsx } from 'clsx'

interface Props {
  lugs: number
  chosen: readonly number[]
  onChange: (rods: number[]) => void
  label: string
}

/** Some of the rods, by number. */
export function LugPicks({ lugs, chosen, onChange, label }: Props) {
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={label}
      value={chosen.map(String)}
      onValueChange={(next) => onChange(next.map(Number))}
      className="flex flex-wrap gap-1"
    >
      {Array.from({ length: lugs }, (_, i) => i + 1).map((rod) => (
        <ToggleGroup.Item
          key={rod}
          value={String(rod)}
          aria-label={`${label} ${rod}`}
          className={clsx(
            'size-12 border-b-[3px] text-xl',
            chosen.includes(rod) ? 'border-ink font-bold text-ink' : 'border-line text-soft hover:text-ink',
          )}
        >
          {rod}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
