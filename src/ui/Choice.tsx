'use client'

import { ToggleGroup } from 'radix-ui'
import { clsx } from 'clsx'

export interface ChoiceItem<V extends string> {
  value: V
  label: string
}

/** One of a few, in a row: the chosen one is underlined and heavy, not coloured. */
export function Choice<V extends string>({
  label,
  value,
  items,
  onChange,
  className,
}: {
  label: string
  /** Null while none of them is chosen. */
  value: V | null
  items: ReadonlyArray<ChoiceItem<V>>
  onChange: (value: V) => void
  className?: string
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ''}
      onValueChange={(next) => next && onChange(next as V)}
      className={clsx('flex flex-wrap gap-x-1', className)}
    >
      {items.map((item) => (
        <ToggleGroup.Item
          key={item.value}
          value={item.value}
          className={clsx(
            'min-h-11 min-w-11 border-b-[3px] px-1.5 text-base md:px-2.5',
            item.value === value
              ? 'border-ink font-bold text-ink forced-colors:border-[Highlight]'
              : 'border-transparent text-soft hover:text-ink forced-colors:border-[Canvas]',
          )}
        >
          {item.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
