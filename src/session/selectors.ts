import { createSelector } from 'reselect'
import { drumPair, type DrumPair } from '@/core/bench/pairing'
import type { Sheet } from '@/core/log/sheets'
import { knownKit, planRequestOf, type ChoiceTrouble, type KnownKit } from '@/core/sheets/planning'
import { judgeKit } from '@/core/spacing/verdict'
import type { PlanRequest } from '@/core/spacing/types'
import { benchView } from './benchView'
import { sameTime } from './sameTime'
import { kitOf, type SessionState } from './state'
import { kitAsKept, kitAsRead } from './verdictView'

/** Both heads of the drum on the bench, as the log knows them; null without a drum. */
export const pairView: (state: SessionState) => DrumPair | null = createSelector(
  [
    (state: SessionState) => benchView(state)?.kit ?? null,
    (state: SessionState) => benchView(state)?.drum ?? null,
    (state: SessionState) => benchView(state)?.practice ?? false,
    sameTime,
  ],
  (kit, drum, practice, nowMs) => (kit && drum ? drumPair(kit, drum, practice, nowMs) : null),
)

export interface Planning {
  known: KnownKit
  request: PlanRequest
  trouble: ChoiceTrouble[]
}

const knownOf = createSelector([kitOf, sameTime], (kit, nowMs) => kit && knownKit(kit, kit.simulated, nowMs))

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
export const judgedAsRead = createSelector([kitOf, sameTime], (kit, nowMs) =>
  judgeKit(kit ? kitAsRead(kit, nowMs) : []),
)

/** The same of the kit as a sheet would have it. */
export const judgedAsKept = createSelector(
  [kitOf, (_state: SessionState, sheet: Sheet) => sheet, sameTime],
  (kit, sheet, nowMs) => judgeKit(kit ? kitAsKept(kit, sheet, nowMs) : []),
)
