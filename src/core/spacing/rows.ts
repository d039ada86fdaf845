import { centreHz, USUAL_PARTS } from '../pair/model'
import { centsAbove1Hz, pairOfPlan } from './known'
import type { PlanDrum, PlannedDrum } from './types'

/** Kick and snare against the toms: what separates them, what makes wires buzz, and what lies where a bass plays. */
export interface Row {
  against: 'kick' | 'snare'
  drum: string
  tom: string
  /** What of the tom comes nearest to what of the other, in cents from one to the other; the tom's pitch in Hz. */
  nearest: { tom: Tone; other: Tone; cents: number; hz: number }
  /** From 0, apart, to 1, on the same pitch. */
  risk: number
}

export type Tone = 'lug' | 'resonant lug' | 'centre'
export type ToneOf = [tone: Tone, hz: number]

/** What of a tom comes nearest to what of another drum: every tone of one set against every tone of the other. */
export function nearestTones(tom: readonly ToneOf[], other: readonly ToneOf[]): Row['nearest'] {
  return tom
    .flatMap(([tomTone, tomHz]) =>
      other.map(([otherTone, hz]) => ({
        tom: tomTone,
        other: otherTone,
        cents: centsAbove1Hz(tomHz) - centsAbove1Hz(hz),
        hz: tomHz,
      })),
    )
    .reduce((a, b) => (Math.abs(b.cents) < Math.abs(a.cents) ? b : a))
}

export interface Rows {
  /** Centre pitch of every drum in Hz, from the model of two heads. */
  centreHz: Record<string, number>
  rows: Row[]
  /** Drums whose centre lies in the register of a bass. */
  bass: Array<{ drum: string; hz: number }>
}

/** Two tones this far apart hardly move each other. */
const REACH_CENTS = 45
/** The low notes of a bass: E1 to G2, four strings up to the fifth fret of the highest. */
const BASS_HZ = { low: 41.2, high: 98 }

/** Rows for a plan, or for the kit as it stands. */
export function rowsOf(
  drums: readonly PlanDrum[],
  placed: ReadonlyArray<Pick<PlannedDrum, 'id' | 'batterHz' | 'resonantHz'>>,
): Rows {
  const at = placed.flatMap(({ id, batterHz, resonantHz }) => {
    const drum = drums.find((each) => each.id === id)
    if (!drum) return []
    const centre = centreHz(pairOfPlan(drum), { batterHz, resonantHz }, USUAL_PARTS)
    const tones: ToneOf[] = [
      ['lug', batterHz],
      ['resonant lug', resonantHz],
      ['centre', centre],
    ]
    return [{ drum, centre, tones }]
  })
  const toms = at.filter(({ drum }) => drum.kind === 'tom' || drum.kind === 'floor-tom')
  const others = at.filter(({ drum }) => drum.kind === 'kick' || drum.kind === 'snare')
  return {
    centreHz: Object.fromEntries(at.map(({ drum, centre }) => [drum.id, centre])),
    rows: others.flatMap((other) =>
      toms.map((tom): Row => {
        const nearest = nearestTones(tom.tones, other.tones)
        return {
          against: other.drum.kind as 'kick' | 'snare',
          ...{ drum: other.drum.id, tom: tom.drum.id, nearest },
          risk: Math.exp(-((nearest.cents / REACH_CENTS) ** 2)),
        }
      }),
    ),
    bass: at
      .filter(({ drum, centre }) => drum.kind !== 'snare' && centre >= BASS_HZ.low && centre <= BASS_HZ.high)
      .map(({ drum, centre }) => ({ drum: drum.id, hz: centre })),
  }
}
