import type { Side } from '../records/kit'

/** Key of one head in the maps of a kit. */
export function headKey(drum: string, side: Side): string {
  return `${drum}/${side}`
}
