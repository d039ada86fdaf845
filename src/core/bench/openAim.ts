import type { KitState } from '../log/fold'
import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import type { Drum, Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { benchHead, lastKnown } from './standing'
import { aimOf, isOffPitch, toleranceOf } from './targets'

/** The other head of two that were both aimed at a pitch, while it is not there: the thread that is kept until both are. */
export interface OpenAim {
  side: Side
  aimHz: number
  /** Null while it was never read. */
  standsHz: number | null
  /** Turns of every rod from where it stands; null where that is not known. */
  turns: number | null
}

export function openAim(
  kit: KitState,
  drum: Drum,
  side: Side,
  practice: boolean,
  nowMs: number,
): OpenAim | null {
  const other: Side = side === 'batter' ? 'resonant' : 'batter'
  const [own, its] = [aimOf(kit, drum.id, side), aimOf(kit, drum.id, other)]
  if (own.kind !== 'hz' || its.kind !== 'hz' || drum.oneHeaded) return null
  const head = benchHead(kit, drum, other, practice, nowMs)
  const standsHz = lastKnown(head)?.meanHz ?? null
  if (standsHz !== null) {
    const off = centsBetween(its.hz, standsHz)
    if (!isOffPitch(off, toleranceOf(drum, other, its.hz))) return null
  }
  const law = turnLawOf(drum, other, head.learned?.hz2PerTurn)
  const turns = standsHz === null ? null : turnsBetween(standsHz, its.hz, law)
  return { side: other, aimHz: its.hz, standsHz, turns }
}
