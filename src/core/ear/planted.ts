import type { CauseId } from '../fitting/causes'
import type { PracticeDrum } from '../practice/drum'
import { plant } from '../practice/plant'
import type { TableHead } from './table'

/** A fault hidden in a head for the table: its drum and rods. Deterministic. */
export function plantOn(
  drum: PracticeDrum,
  evenHz: number,
  snare: boolean,
  cause: CauseId,
  seed: number,
): Pick<TableHead, 'drum' | 'rods'> {
  const { drum: hidden, rods } = plant({ ...drum, faults: {} }, evenHz, snare, cause, seed)
  return { drum: hidden, rods: { ...rods, seats: rods.rods, presses: Math.max(0, rods.presses ?? 0) } }
}
