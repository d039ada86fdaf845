/**
 * Muffling in layers, the lightest first (common practice, no source): what is put on, where, and what people say of it.
 * How much each takes away is learned from the ring of this drum; see `ring.ts`.
 */
export const LAYERS = {
  padOne: { label: 'one gel pad', on: ['snare', 'tom', 'floor-tom'], says: 'takes the last of the ring' },
  padTwo: {
    label: 'a second gel pad',
    on: ['snare', 'tom', 'floor-tom'],
    says: 'drier; the note gets shorter',
  },
  ring: {
    label: 'a ring',
    on: ['snare', 'tom', 'floor-tom'],
    says: 'takes the edge notes, leaves the low one',
  },
  innerPad: {
    label: 'the built-in pad, just touching',
    on: ['snare', 'tom', 'floor-tom'],
    says: 'one spot damped; back it off while reading',
  },
  felt: { label: 'a felt strip', on: ['kick'], says: 'the lightest on a kick: body stays' },
  pillow: { label: 'a pillow touching lightly', on: ['kick'], says: 'shorter; touch, do not press' },
  pillowBoth: { label: 'a pillow touching both heads', on: ['kick'], says: 'short and dry' },
  blanket: { label: 'a blanket', on: ['kick'], says: 'near the end: soon it sounds like cardboard' },
} as const

export type LayerId = keyof typeof LAYERS
export const LAYER_IDS = Object.keys(LAYERS) as [LayerId, ...LayerId[]]

/** Layers that make sense on a kind of drum, lightest first. */
export function layersFor(kind: string): LayerId[] {
  return LAYER_IDS.filter((id) => (LAYERS[id].on as readonly string[]).includes(kind))
}
