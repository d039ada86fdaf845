import { drasticOf } from '../bench/drastic'
import { pairModel } from '../bench/pairing'
import type { KitState } from '../log/fold'
import { kitsFromLog } from '../log/kitLog'
import type { HumbraEvent } from '../records/event'
import { DEFAULT_SETTINGS, sidesOf } from '../records/plain'
import { differences, standingNow } from '../sheets/compare'
import { knownKit, planDrumOf, planRequestOf, stepsNow } from '../sheets/planning'
import { judgeKit } from '../spacing/verdict'
import { drumStatus } from '../status/drum'
import { NO_DIAL, type Here } from '../status/inputs'
import { drumJob } from '../status/line'
import { headReports } from './reports'
import { runHeads, worklist } from '../status/worklist'

/**
 * Everything that the app works out of a kit, once: before a file is taken in, so that nothing that would stop a place comes in
 * with it. @throws whatever any of it throws; @returns how many heads were looked at
 */
export function deriveAll(events: readonly HumbraEvent[], nowMs: number): number {
  return kitsFromLog(events).reduce((heads, kit) => heads + deriveKit(kit, nowMs), 0)
}

function deriveKit(kit: KitState, nowMs: number): number {
  const played = [...kit.heads.values()].some(({ practice }) => practice.count > 0)
  for (const practice of kit.simulated || !played ? [kit.simulated] : [false, true])
    derivePlaces({ kit, practice, nowMs, gauge: NO_DIAL })
  // As it was while its newest sitting was going on: that is where the Bench does its work.
  const newest = Math.max(
    0,
    ...[...kit.heads.values()].flatMap(({ real, practice }) =>
      [real, practice]
        .flatMap(({ sittings }) => sittings.at(-1)?.events.at(-1)?.at ?? [])
        .map((at) => Date.parse(at)),
    ),
  )
  for (const then of new Set([nowMs, newest])) headReports(kit, then)
  return kit.drums.reduce((heads, drum) => heads + sidesOf(drum).length, 0)
}

function derivePlaces(here: Here): void {
  const { kit, practice } = here
  for (const drum of kit.drums) {
    drumJob(here, drum, 'batter')
    drasticOf(kit, drum, practice)
    const { pair, heads } = drumStatus(here, drum)
    const { batter, resonant } = heads
    if (batter.pitch.hz === null || (resonant.pitch.hz === null && !drum.oneHeaded)) continue
    const model = pairModel(pair)
    model.sound({ batterHz: batter.pitch.hz, resonantHz: drum.oneHeaded ? null : resonant.pitch.hz })
  }
  const standing = standingNow(here)
  for (const sheet of kit.sheets) {
    runHeads(worklist({ ...here, sheet, keys: 2 }))
    for (const { drums } of sheet.versions.slice(-3)) differences(here, standing, drums)
  }
  const known = knownKit(here)
  planRequestOf(kit, known, DEFAULT_SETTINGS)
  judgeKit(known.drums.map(planDrumOf))
  stepsNow(known)
}
