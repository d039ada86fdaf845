import { centsBetween } from '@/core/units/pitch'
import { format } from 'date-fns'
import { LAYERS, type LayerId } from '@/core/pair/layers'
import type { Stroke } from '@/core/bench/strokes'
import { relationText } from './pair'

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
    `${stroke.hz.toFixed(1)} Hz`,
    relation,
    layersText(stroke.layers),
    hungText(stroke.hung),
  ]
    .filter(Boolean)
    .join(' · ')
}

export function decayText(decaySeconds: number | null): string {
  return decaySeconds === null ? 'no ring kept' : `${decaySeconds.toFixed(2)} s`
}

/** Two pitches held against each other, in words. */
export function twoTapsText(pitchesHz: readonly number[]): string {
  const [a, b] = pitchesHz
  if (a === undefined) return 'Tap the first.'
  if (b === undefined) return 'Now the second.'
  const cents = Math.round(centsBetween(a, b))
  if (cents === 0) return 'They are alike.'
  const hz = Math.abs(b - a).toFixed(1)
  return `The second is ${Math.abs(cents)} c ${cents > 0 ? 'higher' : 'lower'} (${hz} Hz).`
}
