import type { ReactNode } from 'react'
import { turnFraction } from '@/core/units/turns'

/** Buttons for the one thing to do: under the thumb on a phone, in their place elsewhere. */
export const ACTION_BAR =
  'max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-20 max-md:bg-case max-md:px-5 max-md:pt-2 max-md:pb-4'

/** The largest words on the screen: readable from a metre and a half. */
export function Big({ children }: { children: ReactNode }) {
  return (
    <p className="text-[112px] leading-[0.95] font-extrabold tracking-tight md:text-[80px]">{children}</p>
  )
}

/** A small word between the big ones. */
export function Light({ children }: { children: ReactNode }) {
  return <span className="px-[0.24em] text-[0.58em] font-light text-soft">{children}</span>
}

/** A fraction of a turn, set by hand: not every font has sixteenths. */
export function Fraction({ turns }: { turns: number }) {
  const { whole, numerator, denominator } = turnFraction(turns)
  if (numerator === 0) return <>{whole}</>
  return (
    <>
      {whole > 0 ? whole : null}
      <span className="whitespace-nowrap">
        <span className="sr-only">{`${numerator}/${denominator}`}</span>
        <span aria-hidden>
          <span className="align-[0.42em] text-[0.56em]">{numerator}</span>
          <span className="-mx-[0.08em] font-light">⁄</span>
          <span className="text-[0.56em]">{denominator}</span>
        </span>
      </span>
    </>
  )
}
