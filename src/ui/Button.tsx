import type { ButtonHTMLAttributes } from 'react'
import { clsx } from 'clsx'

export type ButtonTone = 'act' | 'line' | 'quiet'

/** A button: brass for the one thing to do here, a thin line for others, bare for the least. */
export function Button({
  tone = 'line',
  big = false,
  className,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { tone?: ButtonTone; big?: boolean }) {
  return (
    <button
      type="button"
      className={clsx(
        'inline-flex min-h-11 min-w-11 items-center justify-center gap-2 rounded-sm px-4 text-left disabled:opacity-45',
        big ? 'min-h-14 px-6 text-xl font-bold' : 'text-base',
        tone === 'act' && 'bg-act font-bold text-on-act forced-colors:border-4',
        tone === 'line' && 'border border-soft/60 text-ink',
        tone === 'quiet' && 'px-2 text-soft hover:text-ink',
        className,
      )}
      {...rest}
    />
  )
}
