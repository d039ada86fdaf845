import { drumLog } from '../log/fold'
import { turnLawOf } from '../membrane/turnLaw'
import { once } from '../numeric/once'
import { believePair } from '../pair/belief'
import type { LayerId } from '../pair/layers'
import { learnPair, predictCentre, type LearnedPair } from '../pair/learn'
import { sustainSeconds } from '../pair/ring'
import type { PairDrum, PairHead, PairPlace, PairReading } from '../pair/types'
import type { Drum, Side } from '../records/kit'
import { centsBetween, CENTS_PER_NEPER, shiftByCents } from '../units/pitch'
import { headStatus, type HeadStatus, type HowKnown } from './head'
import type { Here } from './inputs'
import { layersOn, strokesOf, type Stroke } from './strokes'
import { isOffPitch } from './targets'

/** Both heads of a drum and what they make together. */
export interface DrumStatus {
  drum: Drum
  /** Each as known by itself; a head that was never read as the other and the centre tell it. */
  heads: Record<Side, HeadStatus>
  /** The centre: struck since a head was moved, carried through a turn from the stroke before, or foretold from both heads. */
  centre: { hz: number | null; errorCents: number | null; known: HowKnown }
  /** Time in which the newest stroke of this tuning fell by 20 dB; null where none was heard. */
  sustainSeconds: number | null
  pair: DrumPair
}

/** Both heads as the model of two heads takes them. */
export interface DrumPair {
  drum: PairDrum
  /** Mean lug pitches, null where a head is not known by itself; and the centre of this tuning. */
  batterHz: number | null
  resonantHz: number | null
  centreHz: number | null
  /** What stands now of both lugs and the centre, for the model: where a head was never read, the centre also as carried through turns. */
  now: PairReading
  /** Where both heads stand as every place shows them, one that was never read as the other and the centre tell it. */
  stands: {
    batterHz: number | null
    resonantHz: number | null
    centreHz: number | null
    errorCents: Record<Side, number | null>
    /** Read as it stands, not foretold after a turn or told by the other. */
    read: Record<Side, boolean>
  }
  /** Every centre reading with where both heads stood then, oldest first; and those that are not the one of now. */
  seen: PairReading[]
  before: PairReading[]
  /** What a turn does to each head, where it was learned, in Hz^2. */
  turnLaw: { batter?: number; resonant?: number }
  /** Every stroke on the centre, oldest first, and the muffling that is on now. */
  strokes: Stroke[]
  layers: LayerId[]
}

function pairDrumOf(drum: Drum): PairDrum {
  const head = (side: Side): PairHead => {
    const { pliesMils, hoop, ceilingHz } = drum[side]
    return { pliesMils, hoop, ...(ceilingHz === null ? {} : { ceilingHz }) }
  }
  const { kind, diameterInches, depthInches, lugs, threadPitchMm, portInches } = drum
  return {
    ...{ kind, diameterInches, depthInches, lugs, threadPitchMm },
    ...{ batter: head('batter'), resonant: drum.oneHeaded ? null : head('resonant') },
    port: portInches === undefined ? null : { diameterInches: portInches },
  }
}

/** A drum is learned from so many strokes: older ones were other films or other seasons, and each costs time. */
const STROKES_LEARNED = 40

export const learnable = (strokes: readonly Stroke[]) => strokes.slice(-STROKES_LEARNED)

export function drumStatus(here: Here, drum: Drum): DrumStatus {
  const strokes = strokesOf(here.kit, drum, here.practice)
  const model = pairDrumOf(drum)
  const seen = learnable(strokes).flatMap(({ batterHz, resonantHz, hz }): PairReading[] =>
    batterHz === null || (!drum.oneHeaded && resonantHz === null)
      ? []
      : [{ batterHz, resonantHz: drum.oneHeaded ? null : resonantHz, centreHz: hz }],
  )
  const own = { batter: headStatus(here, drum, 'batter'), resonant: headStatus(here, drum, 'resonant') }
  const newest = strokes.at(-1) ?? null
  const moved = drumLog(here.kit, drum.id, here.practice).movedSince
  const law = (side: Side) => (own[side].learned ? { [side]: own[side].learned.hz2PerTurn } : {})
  const pair: Omit<DrumPair, 'now' | 'stands' | 'before'> = {
    ...{ drum: model, batterHz: own.batter.pitch.hz, seen, strokes },
    resonantHz: drum.oneHeaded ? null : own.resonant.pitch.hz,
    centreHz: newest && !moved ? newest.hz : null,
    turnLaw: { ...law('batter'), ...law('resonant') },
    layers: layersOn(here.kit, drum, here.practice),
  }
  const learned = once(() => learnPair(model, seen))
  const heads = newest ? withInferred(own, newest, model, learned) : own
  const centre = newest && !moved ? struck(newest) : carried(heads, newest, model, learned)
  const { batterHz, resonantHz } = pair
  const unread = batterHz === null || (resonantHz === null && !drum.oneHeaded)
  // The stroke of now is told once: as now, or among those before it.
  const among = newest && !moved && seen.at(-1)?.centreHz === newest.hz ? seen.slice(0, -1) : seen
  const centreHz = pair.centreHz ?? (unread && newest ? centre.hz : null)
  return {
    ...{ drum, heads, centre },
    pair: {
      ...{ ...pair, now: { batterHz, resonantHz, centreHz }, before: among },
      stands: {
        batterHz: heads.batter.pitch.hz,
        resonantHz: drum.oneHeaded ? null : heads.resonant.pitch.hz,
        centreHz: centre.hz,
        errorCents: { batter: heads.batter.pitch.errorCents, resonant: heads.resonant.pitch.errorCents },
        read: { batter: !isForetold(heads.batter), resonant: !isForetold(heads.resonant) },
      },
    },
    sustainSeconds: newest && !moved ? sustainOf(newest) : null,
  }
}

/** Nobody read it as it stands. */
export const isForetold = ({ pitch: { known } }: HeadStatus): boolean =>
  known === 'expected' || known === 'inferred' || known === 'unknown'

/** One head as every place shows it. */
export const headIn = (here: Here, drum: Drum, side: Side): HeadStatus => drumStatus(here, drum).heads[side]

const sustainOf = ({ ringSeconds, decaySeconds }: Stroke) =>
  ringSeconds?.to20dB ?? (decaySeconds === null ? null : sustainSeconds(decaySeconds))

const struck = ({ hz, standardErrorHz }: Stroke): DrumStatus['centre'] => ({
  ...{ hz, errorCents: (CENTS_PER_NEPER * standardErrorHz) / hz, known: 'one-number' },
})

type Learnt = () => LearnedPair

/** What a turn of a head does that nobody read is known to this part of itself (a judgement). */
const LAW_PART = 0.3

/** A head that was never read stands where the other and the centre put it at the newest stroke, and what was turned since moved it. */
function withInferred(
  own: DrumStatus['heads'],
  stroke: Stroke,
  model: PairDrum,
  learned: Learnt,
): DrumStatus['heads'] {
  const { drum } = own.batter
  const unread = (['batter', 'resonant'] as const).filter((side) => own[side].pitch.hz === null)
  const [side] = unread
  if (drum.oneHeaded || unread.length !== 1 || stroke[side === 'batter' ? 'resonantHz' : 'batterHz'] === null)
    return own
  const { batterHz, resonantHz, errorCents } = believePair(
    model,
    { batterHz: stroke.batterHz, resonantHz: stroke.resonantHz, centreHz: stroke.hz },
    learned(),
  )
  const head = own[side]
  const k = turnLawOf(drum, side, head.learned?.hz2PerTurn)
  const from = side === 'batter' ? batterHz : resonantHz!
  const turns = turnedSince(head, stroke.at)
  const hz = Math.sqrt(Math.max(1, from ** 2 + k * turns))
  const moved = LAW_PART * centsBetween(from, hz)
  const offCents = head.targetHz === null ? null : centsBetween(head.targetHz, hz)
  const off = offCents !== null && isOffPitch(offCents, head.toleranceCents)
  const known = turns === 0 ? 'inferred' : 'expected'
  const pitch: HeadStatus['pitch'] = { hz, errorCents: Math.hypot(errorCents[side], moved), known, lugs: [] }
  const verdict = turns !== 0 ? 'unknown' : off ? 'off' : 'on-pitch-evenness-unknown'
  return { ...own, [side]: { ...head, pitch, offCents, verdict } }
}

/** Mean turn of all rods of a head since a moment. */
function turnedSince({ log, drum }: HeadStatus, at: string): number {
  return log.sittings
    .flatMap(({ events }) =>
      events.flatMap((event) => (event.kind === 'rodsTurned' && event.at > at ? event.turns : [])),
    )
    .reduce((sum, turn) => sum + turn / drum.lugs, 0)
}

/** What a change of both heads makes of the centre is known to this part of itself. */
const CARRIED_PART = 0.15

/** The centre where it was not struck since a head moved: carried from the stroke before, or as both heads make it. */
function carried(
  heads: DrumStatus['heads'],
  stroke: Stroke | null,
  model: PairDrum,
  learned: Learnt,
): DrumStatus['centre'] {
  const place = (batterHz: number | null, resonantHz: number | null): PairPlace | null =>
    batterHz === null || (resonantHz === null && model.resonant !== null) ? null : { batterHz, resonantHz }
  const now = place(heads.batter.pitch.hz, model.resonant && heads.resonant.pitch.hz)
  if (!now) return { hz: null, errorCents: null, known: 'unknown' }
  const expected = predictCentre(model, now, learned())
  const then = stroke && place(stroke.batterHz, stroke.resonantHz)
  if (!stroke || !then) return { ...expected, known: stroke ? 'expected' : 'inferred' }
  const cents = centsBetween(predictCentre(model, then, learned()).hz, expected.hz)
  const error = Math.hypot(struck(stroke).errorCents!, CARRIED_PART * cents)
  return {
    hz: shiftByCents(stroke.hz, cents),
    errorCents: Math.min(error, expected.errorCents),
    known: 'expected',
  }
}
