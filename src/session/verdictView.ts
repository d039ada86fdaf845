import { headKey } from '@/core/log/headKey'
import { planDrumOf, type KnownKit } from '@/core/sheets/planning'
import type { Sheet } from '@/core/log/sheets'
import type { PlanDrum } from '@/core/spacing/types'

/** Every drum as it stands, for the kit to judge itself. */
export const asItStands = ({ drums }: KnownKit): PlanDrum[] => drums.map(planDrumOf)

/** The kit as a sheet would have it: drums that it says nothing of are left out. */
export function asKeptOn(known: KnownKit, sheet: Pick<Sheet, 'targets'>): PlanDrum[] {
  return asItStands(known).flatMap((drum) => {
    const hz = (side: 'batter' | 'resonant') => sheet.targets.get(headKey(drum.id, side))?.target.meanHz
    const batterHz = hz('batter')
    const resonantHz = drum.oneHeaded ? batterHz : hz('resonant')
    return batterHz === undefined || resonantHz === undefined
      ? []
      : [{ ...drum, now: { batterHz, resonantHz } }]
  })
}
