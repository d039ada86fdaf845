import type { ReactNode } from 'react'
import { turnFraction } from '@/core/units/turns'

/** The largest words on the screen: readable from a metre and a half. */
export function Big({ children }: { children: ReactNode }) {
  return (
    <p className="text-[112px] leading-[0.95] font-extrabold tracking-tight md:text-[80px] min-[1800px]:text-[124px]">
      {children}
    </p>
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
