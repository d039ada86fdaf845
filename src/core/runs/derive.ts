import { openAim } from '../bench/openAim'
import { climbOf, settlingNow } from '../bench/climbing'
import { drasticOf, drasticRoom } from '../bench/drastic'
import { drumPair, pairModel, pairStands } from '../bench/pairing'
import { evenRequestFor } from '../bench/request'
import { benchHead, lastKnown, stateOf } from '../bench/standing'
import { strokesOf, wiresOf } from '../bench/strokes'
import { aimOf, targetLugHz } from '../bench/targets'
import { forecastOf } from '../drift/headForecast'
import { even } from '../evening/even'
import { targetMeanHz } from '../evening/types'
import type { KitState } from '../log/fold'
import { lookedAt, openFindings, openSearch } from '../log/findings'
import { kitsFromLog } from '../log/kitLog'
import type { HumbraEvent } from '../records/event'
import { sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { DEFAULT_SETTINGS } from '../records/plain'
import { differences, standingNow } from '../sheets/compare'
import { knownKit, planDrumOf, planRequestOf, rangeOf, stepsNow } from '../sheets/planning'
import { judgeKit } from '../spacing/verdict'
import { headReports } from './reports'
import { runHeads, worklist } from './worklist'

/**
 * Everything that the app works out of a kit, once: before a file is taken in, so that nothing that would stop a place comes in
 * with it. @throws whatever any of it throws; @returns how many heads were looked at
 */
export function deriveAll(events: readonly HumbraEvent[], nowMs: number): number {
  return kitsFromLog(events).reduce((heads, kit) => heads + deriveKit(kit, nowMs), 0)
}

function deriveKit(kit: KitState, nowMs: number): number {
  let heads = 0
  const played = [...kit.heads.values()].some(({ practice }) => practice.count > 0)
  for (const practice of kit.simulated || !played ? [kit.simulated] : [false, true]) {
    for (const drum of kit.drums) {
      deriveDrum(kit, drum, practice, nowMs)
      for (const side of sidesOf(drum)) {
        deriveHead(kit, drum, side, practice, nowMs)
        heads++
      }
    }
    const standing = standingNow(kit, practice, nowMs)
    for (const sheet of kit.sheets) {
      runHeads(worklist({ kit, sheet, practice, keys: 2, nowMs }))
      for (const { drums } of sheet.versions.slice(-3)) differences(kit, standing, drums, practice, nowMs)
      for (const { target } of sheet.targets.values())
        targetLugHz(target, target.offsetTurns?.length ?? kit.drums[0]?.lugs ?? 6)
    }
    const known = knownKit(kit, practice, nowMs)
    planRequestOf(kit, known, DEFAULT_SETTINGS)
    judgeKit(known.drums.map(planDrumOf))
    stepsNow(known)
  }
  headReports(kit, nowMs)
  return heads
}

function deriveDrum(kit: KitState, drum: Drum, practice: boolean, nowMs: number): void {
  openFindings(kit, drum.id, practice)
  strokesOf(kit, drum, practice)
  wiresOf(kit, drum, practice)
  drasticOf(kit, drum, practice)
  rangeOf(kit, drum, practice)
  const pair = drumPair(kit, drum, practice, nowMs)
  const stands = pairStands(pair)
  if (stands && stands.batterHz !== null) {
    const model = pairModel(pair)
    const at = { batterHz: stands.batterHz, resonantHz: stands.resonantHz }
    model.centre(at)
    model.ring(at)
    model.sound(at)
  }
}

function deriveHead(kit: KitState, drum: Drum, side: Side, practice: boolean, nowMs: number): void {
  lookedAt(kit, drum.id, side, practice)
  openSearch(kit, drum.id, side, practice)
  aimOf(kit, drum.id, side)
  openAim(kit, drum, side, practice, nowMs)
  forecastOf(kit, drum, side, practice, nowMs)
  const now = benchHead(kit, drum, side, practice, nowMs)
  const newest = now.log.sittings.at(-1)
  // As it was while its newest sitting was going on: that is where the Bench does its work.
  const then = newest ? Date.parse(newest.events.at(-1)!.at) : nowMs
  const going = benchHead(kit, drum, side, practice, then)
  for (const head of now.sitting || !newest ? [now] : [now, going]) {
    const known = lastKnown(head)
    // A head of which nothing was said is the same in every kit.
    if (head.log.count === 0) continue
    if (known) drasticRoom(drum, side, known.meanHz, head.learned?.hz2PerTurn)
    for (const open of head.sitting?.passes.at(-1)?.turns ? [false, true] : [false]) {
      const request = evenRequestFor(kit, head, known?.meanHz ?? null, DEFAULT_SETTINGS, open)
      even(request)
      climbOf(head, targetMeanHz(request.target), DEFAULT_SETTINGS.largestStepTurns)
    }
    for (const sitting of [head.sitting, head.before]) {
      if (!sitting) continue
      settlingNow(sitting)
      stateOf(head, sitting, true)
    }
  }
}
