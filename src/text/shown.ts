import type { Settings } from '@/core/records/settings'
import { nearestNote } from '@/core/units/pitch'

/** How numbers, notes and lengths are written for whoever looks (docs/decisions/shown.md). */
export type Shown = Pick<Settings, 'decimal' | 'noteNames' | 'lengths'>

const PLAIN: Shown = { decimal: 'point', noteNames: 'sharps', lengths: 'inch' }
let now = PLAIN

/** As the settings have it: said once where they change, so that no sentence has to be told. */
export function setShown({ decimal, noteNames, lengths }: Shown): void {
  now = { decimal, noteNames, lengths }
}

export const shown = (): Shown => now

/** A number to so many places, with the decimal sign of whoever looks. */
export function fixed(value: number, places: number): string {
  const text = value.toFixed(places)
  return now.decimal === 'comma' ? text.replace('.', ',') : text
}

/** The nearest note by its name: "A♯3", "B♭3", "La♯3"; and the cents from it. */
export function noteOf(hz: number, a4Hz: number): { name: string; cents: number } {
  const { name, cents } = nearestNote(hz, a4Hz, now.noteNames)
  return { name: name.replace('#', '♯').replace(/(?<=^[A-G])b/, '♭'), cents }
}
