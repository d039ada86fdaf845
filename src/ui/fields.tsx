'use client'

import { parseInterval } from '@/core/units/intervals'
import { numberWithin } from '@/core/units/number'
import { parsePitch } from '@/core/units/pitch'
import { ValueField, type ValueFieldProps } from './ValueField'

type Own = Omit<ValueFieldProps<number>, 'read' | 'wrong'>

/** A pitch: Hz with point or comma, or a note with cents. */
export function HzField({ a4Hz, ...rest }: Own & { a4Hz: number }) {
  return (
    <ValueField
      read={(text) => parsePitch(text, a4Hz)}
      wrong="A pitch such as 182, or a note such as F#3+12."
      {...rest}
    />
  )
}

/** A relation: an interval by its name, or cents. */
export function IntervalField(props: Own) {
  return (
    <ValueField
      read={parseInterval}
      wrong="An interval such as “fourth” or “minor third below”, or cents such as -300."
      {...props}
    />
  )
}

/** Cents within bounds. */
export function CentsField({ least, most, ...rest }: Own & { least: number; most: number }) {
  return (
    <ValueField
      read={numberWithin(least, most)}
      wrong={`A number of cents from ${least} to ${most}.`}
      {...rest}
    />
  )
}
