import { pairModel } from '../bench/pairing'
import { kitsFromLog } from '../log/kitLog'
import type { HumbraEvent } from '../records/event'
import { DEFAULT_SETTINGS, sidesOf } from '../records/plain'
import { differences, standingNow } from '../sheets/compare'
import { knownKit, planRequestOf } from '../sheets/planning'
import { NO_DIAL, type Here } from '../status/inputs'
import { drumJob } from '../status/line'
import { runHeads, worklist } from '../status/worklist'
import { drumReports, headReports, kitReport } from './reports'

/**
 * Everything that the app would say of a log, worked out once: what a log brings down is found before it is taken in.
 * @returns how many heads there are
 */
export function deriveAll(events: readonly HumbraEvent[], nowMs: number): number {
  return kitsFromLog(events).reduce((heads, kit) => {
    const newest = Math.max(
      0,
      ...events.filter((event) => event.kit === kit.id).map(({ at }) => Date.parse(at)),
    )
    const played = [...kit.heads.values()].some(({ practice }) => practice.count > 0)
    for (const practice of kit.simulated || !played ? [kit.simulated] : [false, true])
      // Also as it was while its newest sitting was going on: that is where the Bench does its work.
      for (const then of new Set([nowMs, newest]))
        everyPlace({ ...{ kit, practice, nowMs: then }, gauge: NO_DIAL })
    return heads + kit.drums.reduce((sum, drum) => sum + sidesOf(drum).length, 0)
  }, 0)
}

/** Of thousands the newest: they differ by numbers that were checked one by one. */
const SHEETS_TRIED = 24

function everyPlace(here: Here): void {
  const { kit } = here
  headReports(here)
  drumReports(here)
  kitReport(here)
  const known = knownKit(here)
  for (const { drum, pair } of known.drums) {
    drumJob(here, drum, 'batter')
    const { batterHz, resonantHz } = pair.stands
    if (batterHz !== null && (resonantHz !== null || drum.oneHeaded))
      pairModel(pair).sound({ batterHz, resonantHz })
  }
  const standing = standingNow(here)
  for (const sheet of kit.sheets.slice(-SHEETS_TRIED)) {
    runHeads(worklist({ ...here, sheet, keys: 2 }))
    for (const { drums } of sheet.versions.slice(-3)) differences(here, standing, drums)
  }
  planRequestOf(kit, known, DEFAULT_SETTINGS)
}
