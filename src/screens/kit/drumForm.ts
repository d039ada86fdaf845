import { parseNumber } from '@/core/units/number'
import type { Drum } from '@/core/records/kit'
import type { Settings } from '@/core/records/settings'

type Lengths = Settings['lengths']

const MM_PER_INCH = 25.4
/** Drums are made in quarters of an inch: what lies so near one is one, however it was rounded to millimetres. */
const QUARTER = 0.25
const NEAR_QUARTER_INCHES = 0.05

/** A length as the form shows it. */
const shownLength = (inches: number, lengths: Lengths) =>
  lengths === 'mm' ? Math.round(inches * MM_PER_INCH) : inches

/** What was typed, in inches. */
export function typedInches(value: number, lengths: Lengths): number {
  if (lengths === 'inch') return value
  const inches = value / MM_PER_INCH
  const quarter = Math.round(inches / QUARTER) * QUARTER
  return Math.abs(inches - quarter) < NEAR_QUARTER_INCHES ? quarter : Number(inches.toFixed(2))
}

/** A drum as the form holds it: its lengths as they are shown. */
export function toForm(drum: Drum, lengths: Lengths): Drum {
  return withLengths(drum, (inches) => shownLength(inches, lengths))
}

/** What the form holds as a drum: empty lists are left out. */
export function fromForm(values: Drum, lengths: Lengths): Drum {
  const drum = withLengths(values, (value) => typedInches(value, lengths))
  if (!drum.lockedRods?.length) delete drum.lockedRods
  for (const side of ['batter', 'resonant'] as const) {
    drum[side] = { ...drum[side] }
    if (!drum[side].build) delete drum[side].build
  }
  return drum
}

function withLengths(drum: Drum, as: (length: number) => number): Drum {
  return {
    ...drum,
    diameterInches: as(drum.diameterInches),
    depthInches: as(drum.depthInches),
    ...(drum.portInches === undefined ? {} : { portInches: as(drum.portInches) }),
  }
}

/** A number as people type it, with a point or a comma. */
export const typedNumber = (value: unknown) =>
  typeof value === 'number' ? value : (parseNumber(String(value ?? '')) ?? NaN)

/** The same, where nothing is an answer too. */
export const typedOrNone = (value: unknown) =>
  value === '' || value === undefined || value === null ? undefined : typedNumber(value)
