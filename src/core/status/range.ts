import { drumRange, type DrumRange, type RangeMark } from '../kit/range'
import { headLog, type KitState } from '../log/fold'
import { headKey } from '../log/headKey'
import type { Drum } from '../records/kit'
import { SIDES } from '../records/plain'

export function marksOf(kit: KitState, drum: Drum, practice: boolean): readonly RangeMark[] {
  return SIDES.flatMap((side) => headLog(kit, drum.id, side, practice).marks)
}

/** Where a drum speaks, from its size, the user's marks, and every sheet it stands on. */
export function rangeOf(kit: KitState, drum: Drum, practice: boolean, hz2PerTurn?: number): DrumRange {
  const kept = kit.sheets.flatMap(({ targets }) => {
    const target = targets.get(headKey(drum.id, 'batter'))
    return target ? [target.target.meanHz] : []
  })
  const size = { ...drum, batterMils: drum.batter.pliesMils }
  return drumRange(size, marksOf(kit, drum, practice), kept, hz2PerTurn)
}
