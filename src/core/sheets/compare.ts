import { benchHead, lastKnown } from '../bench/standing'
import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import { SIDES } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import type { SheetDrum } from '../records/sheet'
import { centsBetween } from '../units/pitch'
import type { KitState } from '../log/fold'
import { drumPair } from '../bench/pairing'
import { layersOn, wiresOf } from '../bench/strokes'
import { aimOf, sheetTarget, targetFromFit, toleranceOf } from '../bench/targets'

/** One head in two states of a kit. */
export interface HeadDifference {
  drum: Drum
  side: Side
  fromHz: number | null
  toHz: number | null
  /** From the first to the second; null where either is missing. */
  cents: number | null
  /** Turns of every rod that make it. */
  turns: number | null
}

/** What a state says: sheet drums by drum id. */
export type KitSays = ReadonlyMap<string, SheetDrum>

/** A drum as it was last read, in the form of a sheet. */
export function drumStanding(kit: KitState, drum: Drum, practice: boolean, nowMs: number): SheetDrum {
  const target = (side: Side) => {
    const fit = lastKnown(benchHead(kit, drum, side, practice, nowMs))
    if (!fit) return null
    const aim = aimOf(kit, drum.id, side)
    const offsets =
      aim.kind === 'offsets' ? aim.offsetTurns : (sheetTarget(kit, drum.id, side)?.offsetTurns ?? null)
    return targetFromFit(fit, toleranceOf(drum, side, fit.meanHz), false, offsets)
  }
  const wires = wiresOf(kit, drum, practice)
  const { centreHz, strokes } = drumPair(kit, drum, practice, nowMs)
  // The ring of another tuning is none of this one.
  const ring = centreHz === null ? null : (strokes.at(-1)?.decaySeconds ?? null)
  return {
    ...{ drum: drum.id, batter: target('batter'), resonant: drum.oneHeaded ? null : target('resonant') },
    centreHz,
    ...(ring === null ? {} : { ringSeconds: ring }),
    layers: layersOn(kit, drum, practice),
    wires: wires && { knob: wires.knob, unit: wires.unit },
    heads: { batter: drum.batter, resonant: drum.resonant },
  }
}

/** The kit as it was last read, in the form of a sheet. */
export function standingNow(kit: KitState, practice: boolean, nowMs: number): Map<string, SheetDrum> {
  return new Map(kit.drums.map((drum) => [drum.id, drumStanding(kit, drum, practice, nowMs)]))
}

/** Two states head by head, in the kit's order; heads that neither speaks of are left out. */
export function differences(
  kit: KitState,
  from: KitSays,
  to: KitSays,
  practice: boolean,
  nowMs: number,
): HeadDifference[] {
  return kit.drums.flatMap((drum) =>
    SIDES.flatMap((side): HeadDifference[] => {
      const fromHz = from.get(drum.id)?.[side]?.meanHz ?? null
      const toHz = to.get(drum.id)?.[side]?.meanHz ?? null
      if (fromHz === null && toHz === null) return []
      if (fromHz === null || toHz === null) return [{ drum, side, fromHz, toHz, cents: null, turns: null }]
      const k = turnLawOf(drum, side, benchHead(kit, drum, side, practice, nowMs).learned?.hz2PerTurn)
      const cents = centsBetween(fromHz, toHz)
      return [{ drum, side, fromHz, toHz, cents, turns: turnsBetween(fromHz, toHz, k) }]
    }),
  )
}
