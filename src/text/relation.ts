import { DEFAULT_SMALLEST_STEP } from '@/core/evening/types'
import { intervalText, nearestInterval } from '@/core/units/intervals'
import { directionWord, turnText } from './turns'

export const STEP_TURNS = DEFAULT_SMALLEST_STEP

/** A relation in few letters, and to be read as it is written: "maj. third −3 c", above where nothing else is said. */
export const shortRelationText = (cents: number): string =>
  Math.abs(cents) < 0.5 ? 'alike' : `${intervalText(cents)}${cents < 0 ? ' below' : ''}`

/** How the resonant head stands to the batter: "a fourth above", "alike", "a whole step below +20 c". */
export function relationText(aboveCents: number): string {
  const { octaves, interval, off } = nearestInterval(aboveCents)
  const rest = Math.round(off)
  const more = rest === 0 ? '' : ` ${rest > 0 ? '+' : '−'}${Math.abs(rest)} c`
  if (octaves === 0 && interval.cents === 0)
    return rest === 0 ? 'alike' : `alike within ${Math.abs(Math.round(aboveCents))} c`
  const octave = octaves === 1 ? 'an octave' : `${octaves} octaves`
  const own = `a ${interval.name}`
  const name = octaves === 0 ? own : interval.cents === 0 ? octave : `${octave} and ${own}`
  return `${name} ${aboveCents < 0 ? 'below' : 'above'}${more}`
}

/** A turn of every rod of a head, to the nearest sixteenth: "up 3/8", "leave". */
export function allRodsText(turns: number): string {
  const steps = Math.round(turns / STEP_TURNS) * STEP_TURNS
  return steps === 0 ? 'leave' : `${directionWord(steps)} ${turnText(steps)}`
}
