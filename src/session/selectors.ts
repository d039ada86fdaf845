import { createSelector } from 'reselect'
import { drumStatus, type DrumStatus } from '@/core/status/drum'
import type { Sheet } from '@/core/log/sheets'
import {
  knownKit,
  planRequestOf,
  type ChoiceTrouble,
  type KnownKit,
  planDrumOf,
} from '@/core/sheets/planning'
import { judgeKit } from '@/core/spacing/verdict'
import type { PlanDrum, PlanRequest } from '@/core/spacing/types'
import { benchView } from './benchView'
import { sameTime } from './sameTime'
import { dialOf } from './here'
import { kitOf, type SessionState } from './state'
import { headKey } from '@/core/log/headKey'

/** Both heads of the drum on the bench, as the log knows them; null without a drum. */
const drumView: (state: SessionState) => DrumStatus | null = createSelector(
  [
    (state: SessionState) => benchView(state)?.kit ?? null,
    (state: SessionState) => benchView(state)?.drum ?? null,
    (state: SessionState) => benchView(state)?.practice ?? false,
    dialOf,
    sameTime,
  ],
  (kit, drum, practice, gauge, nowMs) =>
    kit && drum ? drumStatus({ kit, practice, nowMs, gauge }, drum) : null,
)

export const pairView = (state: SessionState) => drumView(state)?.pair ?? null

export interface Planning {
  known: KnownKit
  request: PlanRequest
  /** Kicks and snares that nobody read or set: none of the plan. */
  unread: PlanDrum[]
  trouble: ChoiceTrouble[]
}

const knownOf = createSelector(
  [kitOf, dialOf, sameTime],
  (kit, gauge, nowMs) => kit && knownKit({ ...{ kit, nowMs, gauge }, practice: kit.simulated }),
)

/** The kit and what was chosen for it as a request; null without a kit. */
export const planningOf: (state: SessionState) => Planning | null = createSelector(
  [
    kitOf,
    knownOf,
    (state: SessionState) => state.settings.spacing,
    (state: SessionState) => state.settings.a4Hz,
    (state: SessionState) => state.settings.noteNames,
    (state: SessionState) => state.settings.keys,
  ],
  (kit, known, spacing, a4Hz, noteNames, keys) =>
    kit && known ? { known, ...planRequestOf(kit, known, { spacing, a4Hz, noteNames, keys }) } : null,
)

/** What does not fit together in the kit as it was read. */
export const judgedAsRead = createSelector([knownOf], (known) => judgeKit(known ? asItStands(known) : []))

/** The same of the kit as a sheet would have it. */
export const judgedAsKept = createSelector(
  [knownOf, (_state: SessionState, sheet: Sheet) => sheet],
  (known, sheet) => judgeKit(known ? asKeptOn(known, sheet) : []),
)

/** Every drum as it stands, for the kit to judge itself. */
const asItStands = ({ drums }: KnownKit): PlanDrum[] => drums.map(planDrumOf)

/** The kit as a sheet would have it: drums that it says nothing of are left out. */
function asKeptOn(known: KnownKit, sheet: Pick<Sheet, 'targets'>): PlanDrum[] {
  return asItStands(known).flatMap((drum) => {
    const hz = (side: 'batter' | 'resonant') => sheet.targets.get(headKey(drum.id, side))?.target.meanHz
    const batterHz = hz('batter')
    const resonantHz = drum.oneHeaded ? batterHz : hz('resonant')
    return batterHz === undefined || resonantHz === undefined
      ? []
      : [{ ...drum, now: { batterHz, resonantHz } }]
  })
}
