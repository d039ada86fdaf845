'use client'

import { parseInterval } from '@/core/units/intervals'
import { numberWithin } from '@/core/units/number'
import { parsePitch, type NoteNames } from '@/core/units/pitch'
import { ValueField, type ValueFieldProps } from './ValueField'

/** What a note that is typed means: from the settings. */
export interface Tuning {
  a4Hz: number
  noteNames: NoteNames
}

export const PITCH_WRONG =
  'A pitch from 15 to 2,000 Hz such as 182 or 182,5, or a note such as F#3 or F#3+12.'

type Own = Omit<ValueFieldProps<number>, 'read' | 'wrong'>

/** A pitch: Hz with point or comma, or a note with cents. */
export function HzField({ a4Hz, noteNames, ...rest }: Own & Tuning) {
  return <ValueField read={(text) => parsePitch(text, a4Hz, noteNames)} wrong={PITCH_WRONG} {...rest} />
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
