import { useId } from 'react'
import { clsx } from 'clsx'

export interface PickItem {
  value: string
  label: string
}

interface Props {
  label: string
  value: string
  items: readonly PickItem[]
  onChange: (value: string) => void
  className?: string
}

/** A small label and a choice beside it; the browser's own list, which every hand and reader knows. */
export function Pick({ label, value, items, onChange, className }: Props) {
  const id = useId()
  return (
    <span className={clsx('inline-flex min-h-11 max-w-full min-w-0 items-center gap-1.5', className)}>
      <label htmlFor={id} className="text-sm whitespace-nowrap text-soft">
        {label}
      </label>
      <select
        id={id}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="min-h-11 min-w-0 cursor-pointer truncate bg-transparent text-base font-bold text-ink [&>option]:bg-tape [&>option]:text-ink"
      >
        {items.map((item) => (
          <option key={item.value} value={item.value}>
            {item.label}
          </option>
        ))}
      </select>
    </span>
  )
}
