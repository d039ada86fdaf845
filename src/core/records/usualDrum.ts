import { usualDepthInches } from '../kit/sizes'
import { usualLugHz } from '../kit/usual'
import type { Drum, DrumKindRecord, HeadRecord } from './kit'
import { STANDARD_THREAD_MM } from '../units/turns'

/** Sensible values for a drum of a kind and size (common practice, no source). */
export const KIND_NAMES: Record<DrumKindRecord, string> = {
  kick: 'Kick',
  snare: 'Snare',
  tom: 'Tom',
  'floor-tom': 'Floor tom',
}

export const USUAL_DIAMETER: Record<DrumKindRecord, number> = {
  kick: 22,
  snare: 14,
  tom: 12,
  'floor-tom': 16,
}

function usualLugs(kind: DrumKindRecord, diameterInches: number): number {
  if (kind === 'snare') return diameterInches >= 14 ? 10 : 8
  if (kind === 'kick') return diameterInches >= 22 ? 10 : 8
  return diameterInches >= 14 ? 8 : 6
}

/** Usual film: two plies on toms, one coated ply on a snare, a very thin one on its other side. */
function usualHead(kind: DrumKindRecord, side: 'batter' | 'resonant'): HeadRecord {
  const snareSide = kind === 'snare' && side === 'resonant'
  const twoPlies = kind !== 'snare' && side === 'batter'
  return {
    hoop: kind === 'kick' ? 'wood' : 'triple-flanged',
    pliesMils: snareSide ? [3] : twoPlies ? [7, 7] : [10],
    coating: kind === 'snare' && side === 'batter' ? 'coated' : 'clear',
    fittedOn: null,
    ceilingHz: null,
  }
}

/** A drum with everything filled in from kind and diameter. */
export function usualDrum(kind: DrumKindRecord, diameterInches: number, id: string): Drum {
  return {
    id,
    name: `${KIND_NAMES[kind]} ${diameterInches}`,
    kind,
    diameterInches,
    depthInches: usualDepthInches(kind, diameterInches),
    lugs: usualLugs(kind, diameterInches),
    threadPitchMm: Number(STANDARD_THREAD_MM.toFixed(3)),
    batter: usualHead(kind, 'batter'),
    resonant: usualHead(kind, 'resonant'),
  }
}

/** Lug pitch in Hz at which a head that was never read is taken to stand. */
export function usualHz(drum: Drum, side: 'batter' | 'resonant'): number {
  return usualLugHz({ ...drum, batterMils: drum.batter.pliesMils }, side)
}
