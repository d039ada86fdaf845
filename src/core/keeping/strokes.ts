import type { LayerId } from '../pair/layers'
import type { RingStroke } from '../pair/ring'
import type { EventOf, HeadEvent, Source } from '../records/event'
import { SIDES, type Drum, type Side } from '../records/kit'
import { centsBetween } from '../units/pitch'
import { benchHead, lastKnown } from './bench'
import { headKey } from './headKey'
import { eventsOfWorld } from './history'
import type { KitState } from './log'

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

/** Events of a whole drum in the order of time. */
export function drumEvents(kit: KitState, drum: Drum, practice: boolean): HeadEvent[] {
  return SIDES.flatMap((side) =>
    eventsOfWorld(kit.heads.get(headKey(drum.id, side)) ?? [], practice, kit.simulated),
  ).sort((a, b) => a.at.localeCompare(b.at))
}

/** The state of a kit is replaced with every event: what was worked out of one holds as long as it does. */
const known = new WeakMap<KitState, Map<string, Stroke[]>>()

/** All strokes on a drum's centre, oldest first; worked out once for a state of the kit. */
export function strokesOf(kit: KitState, drum: Drum, practice: boolean): Stroke[] {
  const ofKit = known.get(kit) ?? new Map<string, Stroke[]>()
  known.set(kit, ofKit)
  const key = `${drum.id}/${practice}`
  const strokes = ofKit.get(key) ?? findStrokes(kit, drum, practice)
  ofKit.set(key, strokes)
  return strokes
}

function findStrokes(kit: KitState, drum: Drum, practice: boolean): Stroke[] {
  let layers: LayerId[] = []
  const strokes: Stroke[] = []
  let open: Stroke | null = null
  for (const event of drumEvents(kit, drum, practice)) {
    if (event.kind === 'dampingSet') layers = event.layers
    if (event.kind === 'wordsNoted') open?.words.push(event.words)
    // What was said is said of what stood: a turn or a new head ends it.
    if (event.kind === 'rodsTurned' || event.kind === 'headFitted' || event.kind === 'dampingSet') open = null
    if (event.kind !== 'centreRead') continue
    open = {
      ...{ id: event.id, at: event.at, source: event.source, hz: event.hz },
      ...{ standardErrorHz: event.standardErrorHz, decaySeconds: event.decaySeconds },
      ...{ glideCents: event.glideCents ?? null, ringSeconds: event.ringSeconds ?? null },
      ...{ modes: event.modes ?? [], hung: event.hung, layers, words: [] },
      ...lugsAt(kit, drum, practice, Date.parse(event.at), event.at),
      oneHeaded: drum.oneHeaded === true,
    }
    strokes.push(open)
  }
  return strokes
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
  const last = drumEvents(kit, drum, practice).findLast((event) => event.kind === 'dampingSet')
  return last?.kind === 'dampingSet' ? last.layers : []
}

/** Where the wires' knob stands; null where nobody said. */
export function wiresOf(kit: KitState, drum: Drum, practice: boolean): EventOf<'wiresSet'> | null {
  const last = drumEvents(kit, drum, practice).findLast((event) => event.kind === 'wiresSet')
  return last?.kind === 'wiresSet' ? last : null
}

/** Mean lug pitches as the log knew them at a time; `at` null for all that is known. */
export function lugsAt(kit: KitState, drum: Drum, practice: boolean, nowMs: number, at: string | null) {
  const mean = (side: Side) => {
    const key = headKey(drum.id, side)
    const events = kit.heads.get(key) ?? []
    const then = at === null ? events : events.filter((event) => event.at <= at)
    const head = benchHead({ ...kit, heads: new Map([[key, then]]) }, drum, side, practice, nowMs)
    return lastKnown(head)?.meanHz ?? null
  }
  return { batterHz: mean('batter'), resonantHz: mean('resonant') }
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
