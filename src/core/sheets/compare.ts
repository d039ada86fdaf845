import { turnLawOf, turnsBetween } from '../membrane/turnLaw'
import { SIDES, sidesOf } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import type { SheetDrum } from '../records/sheet'
import { centsBetween } from '../units/pitch'
import { drumStatus } from '../status/drum'
import { headAtHand, type Here } from '../status/inputs'
import { wiresOf, type Stroke } from '../status/strokes'
import { targetFromFit } from '../status/targets'

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

/** A drum as it stands, in the form of a sheet. */
export function drumStanding(here: Here, drum: Drum): SheetDrum {
  const { kit, practice } = here
  const { heads, pair } = drumStatus(here, drum)
  const target = (side: Side) => {
    const { asRead, pitch, aim, kept, evenness, toleranceCents } = heads[side]
    if (!asRead || pitch.hz === null || pitch.errorCents === null) return null
    const offsets = aim.kind === 'offsets' ? aim.offsetTurns : (kept?.offsetTurns ?? null)
    const even = evenness.known === 'unknown' ? { cosineCents: 0, sineCents: 0 } : {}
    const fit = { ...asRead, ...even, meanHz: pitch.hz, meanErrorCents: pitch.errorCents }
    return targetFromFit(fit, toleranceCents, false, offsets)
  }
  const hand = Object.fromEntries(
    sidesOf(drum).flatMap((side) => (heads[side].hand ? [[side, heads[side].hand]] : [])),
  )
  const wires = wiresOf(kit, drum, practice)
  // The ring of another tuning, or under other muffling, is none of this one.
  const alike = (stroke: Stroke) => stroke.layers.join() === pair.layers.join()
  const newest = pair.centreHz === null ? undefined : pair.strokes.at(-1)
  const ring = newest && alike(newest) ? newest.decaySeconds : null
  return {
    ...{ drum: drum.id, batter: target('batter'), resonant: drum.oneHeaded ? null : target('resonant') },
    centreHz: pair.centreHz,
    ...(ring === null ? {} : { ringSeconds: ring }),
    layers: pair.layers,
    wires: wires && { knob: wires.knob, unit: wires.unit },
    ...(Object.keys(hand).length ? { hand } : {}),
    heads: { batter: drum.batter, resonant: drum.resonant },
  }
}

/** The kit as it stands, in the form of a sheet. */
export function standingNow(here: Here): Map<string, SheetDrum> {
  return new Map(here.kit.drums.map((drum) => [drum.id, drumStanding(here, drum)]))
}

/** Two states head by head, in the kit's order; heads that neither speaks of are left out. */
export function differences(here: Here, from: KitSays, to: KitSays): HeadDifference[] {
  return here.kit.drums.flatMap((drum) =>
    SIDES.flatMap((side): HeadDifference[] => {
      const fromHz = from.get(drum.id)?.[side]?.meanHz ?? null
      const toHz = to.get(drum.id)?.[side]?.meanHz ?? null
      if (fromHz === null && toHz === null) return []
      if (fromHz === null || toHz === null) return [{ drum, side, fromHz, toHz, cents: null, turns: null }]
      const k = turnLawOf(drum, side, headAtHand(here, drum, side).learned?.hz2PerTurn)
      const cents = centsBetween(fromHz, toHz)
      return [{ drum, side, fromHz, toHz, cents, turns: turnsBetween(fromHz, toHz, k) }]
    }),
  )
}
