import { FINDINGS, type AreaId } from '../fitting/lookOver'
import { SIDES } from '../records/plain'
import type { Side } from '../records/kit'
import { headLog, type KitState } from './fold'
import type { FaultSearch, NotedFinding } from './headLog'

/** What was found on looking over a drum, and the search for a fault, from the log. */
export type { NotedFinding } from './headLog'

/** Findings of a drum that stand: not cleared, and of this film where they are of a film. Oldest first. */
export function openFindings(kit: KitState, drum: string, practice: boolean): NotedFinding[] {
  return SIDES.flatMap((side) => headLog(kit, drum, side, practice).findings).sort((a, b) =>
    a.at.localeCompare(b.at),
  )
}

/** Those that bear on one head: its own, and those of the whole drum. */
export function findingsOfHead(findings: readonly NotedFinding[], side: Side): NotedFinding[] {
  return findings.filter((each) => each.side === side || !FINDINGS[each.finding].perHead)
}

/** When each part of a drum's head was last looked at. */
export function lookedAt(
  kit: KitState,
  drum: string,
  side: Side,
  practice: boolean,
): ReadonlyMap<AreaId, string> {
  return headLog(kit, drum, side, practice).looked
}

/** The search for a fault that is open on a head; null when none is. */
export function openSearch(kit: KitState, drum: string, side: Side, practice: boolean): FaultSearch | null {
  return headLog(kit, drum, side, practice).search
}
