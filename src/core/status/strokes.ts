import type { LayerId } from '../pair/layers'
import type { RingStroke } from '../pair/ring'
import type { HeadsThen, LugsThen } from '../log/drumLog'
import { drumLog, type KitState } from '../log/fold'
import type { EventOf, Source } from '../records/event'
import { SIDES } from '../records/plain'
import type { Drum, Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { pitchAlone } from './head'
import { handOf, NO_DIAL } from './inputs'

/** One stroke on the centre, both heads free, with how the drum stood then. */
export interface Stroke {
  id: string
  at: string
  source: Source
  hz: number
  standardErrorHz: number
  decaySeconds: number | null
  glideCents: number | null
  ringSeconds: { to20dB: number | null; to60dB: number | null } | null
  modes: NonNullable<EventOf<'centreRead'>['modes']>
  /** Place on the stand; null for held by the rim, undefined where nobody said. */
  hung: string | null | undefined
  layers: LayerId[]
  /** Mean lug pitches as the log knew them then. */
  batterHz: number | null
  resonantHz: number | null
  oneHeaded: boolean
  /** What the user said of the drum before anything was changed. */
  words: string[]
}

/** The newest strokes on a drum's centre, oldest first. */
export function strokesOf(kit: KitState, drum: Drum, practice: boolean): Stroke[] {
  return drumLog(kit, drum.id, practice).strokes.map((stroke) => {
    const { event, layers, words } = stroke
    return {
      ...{ id: event.id, at: event.at, source: event.source, hz: event.hz },
      ...{ standardErrorHz: event.standardErrorHz, decaySeconds: event.decaySeconds },
      ...{ glideCents: event.glideCents ?? null, ringSeconds: event.ringSeconds ?? null },
      ...{ modes: event.modes ?? [], hung: event.hung, layers: [...layers], words: [...words] },
      ...stroke.lugs(lugsThen),
      oneHeaded: drum.oneHeaded === true,
    }
  })
}

/** Mean lug pitches of both heads as the log knew them at a stroke. */
export function lugsThen({ drum, heads }: HeadsThen): LugsThen {
  const given = { aim: { kind: 'level' as const }, kept: null, keptHand: null, gauge: NO_DIAL, nowMs: 0 }
  const mean = (side: Side) =>
    pitchAlone(handOf(heads[side], drum, side, { ...given, findings: heads[side].findings }))
  return { batterHz: mean('batter'), resonantHz: mean('resonant') }
}

/** Lugs nearer than this are one tuning, in cents. */
const SAME_TUNING_CENTS = 20

/** Whether two strokes were made in one tuning of both heads: only then does muffling alone tell them apart. */
export function sameTuning(a: Stroke, b: Stroke): boolean {
  return SIDES.every((side) => {
    const [one, other] = [a[`${side}Hz`], b[`${side}Hz`]]
    if (one === null || other === null) return one === other
    return Math.abs(centsBetween(one, other)) <= SAME_TUNING_CENTS
  })
}

/** Strokes that tell of the ring: with a decay, and both heads known. */
export function ringStrokes(strokes: readonly Stroke[]): RingStroke[] {
  return strokes.flatMap(({ batterHz, resonantHz, decaySeconds, glideCents, layers, hung, oneHeaded }) =>
    batterHz === null || (resonantHz === null && !oneHeaded) || decaySeconds === null
      ? []
      : [{ batterHz, resonantHz, decaySeconds, glideCents, layers, hung: hung ?? null }],
  )
}

/** Muffling that is on the drum now, as far as the log says. */
export function layersOn(kit: KitState, drum: Drum, practice: boolean): LayerId[] {
  return [...(drumLog(kit, drum.id, practice).layers ?? [])]
}

/** Where the wires' knob stands; null where nobody said. */
export function wiresOf(kit: KitState, drum: Drum, practice: boolean): EventOf<'wiresSet'> | null {
  return drumLog(kit, drum.id, practice).wires
}

/** Mean ring of strokes by what a name is made of, in the order in which the names come. */
export function ringsBy(
  strokes: readonly Stroke[],
  nameOf: (stroke: Stroke) => string | null,
): Array<{ name: string; ring: number; count: number }> {
  const rings = new Map<string, number[]>()
  for (const stroke of strokes) {
    const name = nameOf(stroke)
    if (name === null || stroke.decaySeconds === null) continue
    rings.set(name, [...(rings.get(name) ?? []), stroke.decaySeconds])
  }
  return [...rings].map(([name, all]) => ({
    name,
    ring: all.reduce((sum, each) => sum + each, 0) / all.length,
    count: all.length,
  }))
}
