import { headKey, type KitState } from '@/core/log/fold'
import { knownKit, planDrumOf } from '@/core/sheets/planning'
import type { Sheet } from '@/core/log/sheets'
import type { PlanDrum } from '@/core/spacing/types'

/** Every drum as it was last read, for the kit to judge itself. */
export function kitAsRead(kit: KitState, nowMs: number): PlanDrum[] {
  return knownKit(kit, kit.simulated, nowMs).drums.map(planDrumOf)
}

/** The kit as a sheet would have it: drums that it says nothing of are left out. */
export function kitAsKept(kit: KitState, sheet: Pick<Sheet, 'targets'>, nowMs: number): PlanDrum[] {
  return kitAsRead(kit, nowMs).flatMap((drum) => {
    const hz = (side: 'batter' | 'resonant') => sheet.targets.get(headKey(drum.id, side))?.target.meanHz
    const batterHz = hz('batter')
    const resonantHz = drum.oneHeaded ? batterHz : hz('resonant')
    return batterHz === undefined || resonantHz === undefined
      ? []
      : [{ ...drum, now: { batterHz, resonantHz } }]
  })
}
