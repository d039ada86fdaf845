import type { Drum, DrumKindRecord, HeadRecord } from '@/core/records/kit'
import { usualDrum } from '@/core/records/usualDrum'

/** The house kit of an overnight ferry's lounge: made up, no people, no makers. Days count back from the last entry. */
export const KIT_ID = 'demo-lounge'
export const KIT_NAME = 'Lounge kit'

export const DAYS = { found: 56, headChange: 35, deck: 28, backToLounge: 25, humid: 10, checked: 0 }

/** Evenings on which a band played in the lounge, with minutes; those above zero are past, those below are booked. */
export const GIGS: ReadonlyArray<readonly [daysBefore: number, minutes: number]> = [
  ...([
    [55, 120],
    [54, 150],
    [50, 120],
    [48, 120],
    [47, 180],
    [43, 120],
    [41, 150],
    [40, 120],
    [36, 120],
    [34, 150],
    [33, 120],
    [29, 120],
    [23, 150],
    [20, 120],
    [19, 120],
    [16, 150],
    [13, 120],
    [12, 180],
    [9, 120],
    [8, 150],
    [6, 120],
    [5, 120],
    [2, 150],
  ] as const),
  ...([
    [-2, 120],
    [-3, 120],
    [-6, 150],
    [-9, 120],
    [-10, 120],
    [-13, 120],
    [-16, 150],
  ] as const),
]
export const DECK_GIGS = [27, 26] as const
export const REHEARSALS = [52, 30, 15] as const

/** The damp week below deck, days before the end. */
export const HUMID_WEEK = { from: 17, to: 9 }

export const NOTES: ReadonlyArray<readonly [daysBefore: number, drum: string | null, words: string]> = [
  [49, 'demo-snare-14', 'rim shots all night; the near rods feel loose'],
  [35, 'demo-tom-12', 'new batter, same film; the old one was pitted'],
  [25, null, 'back below deck, thirds again'],
  [14, null, 'fog, everything damp; the floor tom growls'],
  [10, 'demo-floor-15', 'left it low until the air dries'],
]

export interface DemoDrum {
  drum: Drum
  lounge: { batterHz: number; resonantHz: number }
  deck: { batterHz: number; resonantHz: number }
}

function head(
  pliesMils: number[],
  coating: HeadRecord['coating'],
  hoop: HeadRecord['hoop'],
  fittedOn: string,
): HeadRecord {
  return { pliesMils, coating, hoop, fittedOn, ceilingHz: null }
}

function drum(
  kind: DrumKindRecord,
  id: string,
  diameterInches: number,
  depthInches: number,
  lugs: number,
  batter: HeadRecord,
  resonant: HeadRecord,
): Drum {
  return { ...usualDrum(kind, diameterInches, id), depthInches, lugs, batter, resonant }
}

/** Day `days` before the end of the demo's log, as YYYY-MM-DD. */
function dayBefore(days: number): string {
  return new Date(END_MS - days * 86_400_000).toISOString().slice(0, 10)
}

/** The log ends here; on a first visit all times are moved so that this was yesterday. */
export const END_MS = Date.UTC(2026, 5, 1, 16, 0, 0)

/** Lounge: a triad from the floor tom up, resonant heads a third above. Open deck: fourths, resonants a fourth above. */
export const DRUMS: DemoDrum[] = [
  {
    drum: drum(
      'kick',
      'demo-kick',
      20,
      15,
      8,
      head([10], 'clear', 'wood', dayBefore(240)),
      head([10], 'coated', 'wood', dayBefore(240)),
    ),
    lounge: { batterHz: 62, resonantHz: 74 },
    deck: { batterHz: 69, resonantHz: 92 },
  },
  {
    drum: drum(
      'floor-tom',
      'demo-floor-15',
      15,
      13,
      8,
      head([7, 7], 'clear', 'triple-flanged', dayBefore(150)),
      head([10], 'clear', 'triple-flanged', dayBefore(240)),
    ),
    lounge: { batterHz: 116.5, resonantHz: 147 },
    deck: { batterHz: 110, resonantHz: 146.8 },
  },
  {
    drum: drum(
      'tom',
      'demo-tom-12',
      12,
      7,
      6,
      head([7, 7], 'clear', 'triple-flanged', dayBefore(150)),
      head([10], 'clear', 'triple-flanged', dayBefore(240)),
    ),
    lounge: { batterHz: 146.8, resonantHz: 185 },
    deck: { batterHz: 146.8, resonantHz: 196 },
  },
  {
    drum: drum(
      'tom',
      'demo-tom-10',
      10,
      6.5,
      6,
      head([7, 7], 'clear', 'triple-flanged', dayBefore(150)),
      head([10], 'clear', 'triple-flanged', dayBefore(240)),
    ),
    lounge: { batterHz: 174.6, resonantHz: 220 },
    deck: { batterHz: 196, resonantHz: 261.6 },
  },
  {
    drum: drum(
      'snare',
      'demo-snare-14',
      14,
      5.5,
      10,
      head([10], 'coated', 'triple-flanged', dayBefore(90)),
      head([3], 'clear', 'triple-flanged', dayBefore(120)),
    ),
    lounge: { batterHz: 220, resonantHz: 370 },
    deck: { batterHz: 246.9, resonantHz: 392 },
  },
]
