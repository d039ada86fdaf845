import type { Drum, DrumKindRecord, HeadRecord } from '@/core/records/kit'
import { usualDrum } from '@/core/records/usualDrum'

/** The house kit of an overnight ferry's lounge: made up, no people, no makers. Days count back from the last entry. */
export const KIT_ID = 'demo-lounge'
export const KIT_NAME = 'Lounge kit'

export const DAYS = { found: 56, headChange: 35, deck: 28, backToLounge: 21, humid: 10, checked: 0 }

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
