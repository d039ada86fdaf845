import { sustainSeconds } from '@/core/pair/ring'
import { relationText } from './relation'
import { centsBetween } from '@/core/units/pitch'
import { format } from 'date-fns'
import { LAYERS, type LayerId } from '@/core/pair/layers'
import type { Stroke } from '@/core/status/strokes'
import { fixed } from './shown'

/** "bare", or what lies on the drum. */
export function layersText(layers: readonly LayerId[]): string {
  return layers.length ? layers.map((id) => LAYERS[id].label).join(', ') : 'bare'
}

/** Where the drum was for a stroke. */
export function hungText(hung: string | null | undefined): string {
  return hung === undefined ? '' : hung === null ? 'held by the rim' : hung
}

/** One stroke as a line to choose: when, what it read, and how the drum stood. */
export function strokeText(stroke: Stroke): string {
  const { batterHz, resonantHz } = stroke
  const relation =
    batterHz !== null && resonantHz !== null ? relationText(1200 * Math.log2(resonantHz / batterHz)) : ''
  return [
    format(new Date(stroke.at), 'd MMM HH:mm'),
    `${fixed(stroke.hz, 1)} Hz`,
    relation,
    layersText(stroke.layers),
    hungText(stroke.hung),
  ]
    .filter(Boolean)
    .join(' · ')
}

/** How long a tone rings: until it is 20 dB down, the one unit of a ring in words. */
export const ringsText = (decaySeconds: number) => `${fixed(sustainSeconds(decaySeconds), 2)} s`

export function decayText(decaySeconds: number | null): string {
  return decaySeconds === null ? 'no ring kept' : ringsText(decaySeconds)
}

/** Two pitches held against each other, in words. */
export function twoTapsText(pitchesHz: readonly number[]): string {
  const [a, b] = pitchesHz
  if (a === undefined) return 'Tap the first.'
  if (b === undefined) return 'Now the second.'
  const cents = Math.round(centsBetween(a, b))
  if (cents === 0) return 'They are alike.'
  const hz = fixed(Math.abs(b - a), 1)
  return `The second is ${Math.abs(cents)} c ${cents > 0 ? 'higher' : 'lower'} (${hz} Hz).`
}

/** How to strike for the ring. */
export function ringPanelText(kind: string): string {
  const pedal = kind === 'kick' ? ' With the pedal too, heard from the audience’s side.' : ''
  const wires = kind === 'snare' ? ' Wires off.' : ''
  return `One firm stroke in the middle, then hands off until it is still.${wires}${pedal} Change one thing, strike again. Softly where you can: protect your ears.`
}

/** The place that every other is held against. */
export const HELD = 'held by the rim'
/** A place that keeps this part of the held ring costs nothing worth a change. */
const KEEPS = 0.8

export const TRY_ON_STAND = [
  'Slide the arm out as far as it still clamps.',
  'Move the clamp along the hoop or to another lug.',
  'Hang it from a stand clamp instead of an arm into the shell.',
  'An isolating mount, or a rubber washer under each foot of a floor tom.',
  'Listen for rattles: strike near each lug, then look for loose springs, washers, wing nuts, wires, and the neighbour drums.',
]

/** What the stand does to the ring: "“its arm” keeps 83% of the ring: good." */
export function standText(held: number | null, best: { name: string; ring: number } | null): string {
  if (held === null) return 'Strike it held by the rim first: that is what it can do.'
  if (!best) return `Held it rings ${decayText(held)}. Now hang it and strike again.`
  const kept = best.ring / held
  return kept >= KEEPS
    ? `“${best.name}” keeps ${Math.min(100, Math.round(100 * kept))}% of the ring: good.`
    : `The longest place, “${best.name}”, keeps ${Math.round(100 * kept)}% of the ring. The stand eats it: try the list.`
}

/** What the hand does next between rim and stand. @param toStrike where the drum is and was not struck yet */
export function standAsks(toStrike: string | null, held: boolean, hung: boolean): string {
  if (toStrike !== null) return `Strike it, ${toStrike}`
  if (!held) return 'Hold it by the rim'
  return hung ? 'Another place, or leave it' : 'Hang it on its stand'
}
