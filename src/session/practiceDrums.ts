import type { DrillDrum } from '@/core/ear/trial'
import type { PracticeDrum } from '@/core/practice/drum'
import type { Drum, DrumKindRecord } from '@/core/records/kit'
import { usualDrum, usualHz } from '@/core/records/usualDrum'

/** Drums to practise on: those of the kit by size, and usual sizes besides. Nothing of them touches the kit. */
export interface PracticeChoice {
  value: string
  label: string
  drum: Drum
}

/** Small high drums first: they are easier to hear (common practice, no source). */
const USUAL: ReadonlyArray<readonly [DrumKindRecord, number]> = [
  ['tom', 10],
  ['tom', 12],
  ['tom', 13],
  ['snare', 14],
  ['floor-tom', 14],
  ['floor-tom', 16],
  ['kick', 22],
]

const sizeText = ({ diameterInches, depthInches }: Drum) => `${diameterInches}x${depthInches}`

export function practiceChoices(drums: readonly Drum[]): PracticeChoice[] {
  const own = drums.map((drum) => ({ value: `own:${drum.id}`, label: `like ${drum.name}`, drum }))
  const usual = USUAL.map(([kind, inches]) => usualDrum(kind, inches, `practice-${kind}-${inches}`))
  return [
    ...usual.map((drum) => ({ value: drum.id, label: `${drum.name}, ${sizeText(drum)}`, drum })),
    ...own,
  ]
}

/** Its batter as the drills take it. */
export function drillDrumOf(drum: Drum): DrillDrum {
  return {
    kind: drum.kind,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    // With fewer the pattern that drills are made by cannot be told.
    lugs: Math.max(4, drum.lugs),
    hoop: drum.batter.hoop,
    batterMils: [...drum.batter.pliesMils],
    resonantMils: [...drum.resonant.pliesMils],
    lugHz: usualHz(drum, 'batter'),
  }
}

/** One head of it for the table. */
export function tableDrumOf(drum: Drum, side: 'batter' | 'resonant', seedText: string): PracticeDrum {
  const other = side === 'batter' ? 'resonant' : 'batter'
  return {
    seedText: `${seedText}/${side}`,
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    portInches: drum.portInches,
    lugs: drum.lugs,
    hoop: drum[side].hoop,
    threadPitchMm: drum.threadPitchMm,
    pliesMils: drum[side].pliesMils,
    otherPliesMils: drum[other].pliesMils,
  }
}
