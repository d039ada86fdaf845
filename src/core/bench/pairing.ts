import type { PairDrum, PairHead, PairPlace, PairReading } from '../pair/types'
import { usualTurns } from '../kit/usual'
import { believePair } from '../pair/belief'
import { FRONT_CHOICES, kickBatterHz } from '../pair/kick'
import { learnPair, predictCentre } from '../pair/learn'
import { aboveBy } from '../pair/model'
import type { LayerId } from '../pair/layers'
import { plannedTones } from '../pair/preview'
import { foretellRing, learnRing, type RingForecast } from '../pair/ring'
import type { Drum, Side } from '../records/kit'
import { benchHead } from './standing'
import { drumLog, type KitState } from '../log/fold'
import { layersOn, lugsNow, ringStrokes, strokesOf, type Stroke } from './strokes'

/** Both heads of a drum as the log knows them. */
export interface DrumPair {
  drum: PairDrum
  /** Mean lug pitches as last known, null where a head was never read; and the newest centre pitch since. */
  batterHz: number | null
  resonantHz: number | null
  centreHz: number | null
  /** Every centre reading with where both heads stood then, oldest first. */
  seen: PairReading[]
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

export function drumPair(kit: KitState, drum: Drum, practice: boolean, nowMs: number): DrumPair {
  const strokes = strokesOf(kit, drum, practice)
  const seen = strokes
    .slice(-STROKES_LEARNED)
    .flatMap(({ batterHz, resonantHz, hz }): PairReading[] =>
      batterHz === null || (!drum.oneHeaded && resonantHz === null)
        ? []
        : [{ batterHz, resonantHz: drum.oneHeaded ? null : resonantHz, centreHz: hz }],
    )
  const now = lugsNow(kit, drum, practice, nowMs)
  const last = strokes.at(-1)
  const { movedSince } = drumLog(kit, drum.id, practice)
  const law = (side: Side) => {
    const { learned } = benchHead(kit, drum, side, practice, nowMs)
    return learned ? { [side]: learned.hz2PerTurn } : {}
  }
  return {
    ...{ drum: pairDrumOf(drum), ...now, seen },
    centreHz: last && !movedSince ? last.hz : null,
    turnLaw: { ...law('batter'), ...law('resonant') },
    strokes,
    layers: layersOn(kit, drum, practice),
  }
}

/** What this drum taught of itself, learned once: centre, ring and sound for any lug pitches of both heads. */
export function pairModel({ drum, seen, strokes, layers }: DrumPair) {
  const learned = learnPair(drum, seen)
  const ringLearned = learnRing(drum, ringStrokes(strokes.slice(-STROKES_LEARNED)), learned.parts)
  const ring = (at: PairPlace): RingForecast =>
    foretellRing(drum, { ...at, layers, hung: null }, ringLearned, learned.parts)
  return {
    ring,
    centre: (at: PairPlace) => predictCentre(drum, at, learned),
    /** A stroke on the centre as it would sound. */
    sound: (at: PairPlace) => {
      const rings = ring(at)
      return { tones: plannedTones(drum, at, rings, learned.parts), glideCents: rings.bendCents }
    },
  }
}

/** Where both heads stand by all that was read of them, the centre included; null while nothing was. */
export function pairStands({ drum, batterHz, resonantHz, centreHz, seen }: DrumPair) {
  if (batterHz === null && resonantHz === null && centreHz === null) return null
  return believePair(drum, { batterHz, resonantHz, centreHz }, learnPair(drum, seen))
}

/** A kick's choices: the batter from wrinkles up, and what the front head makes of it at each usual relation. */
export function frontChoices(pair: DrumPair) {
  const { drum, batterHz, turnLaw } = pair
  const turns = usualTurns(drum).favourite
  const start = kickBatterHz(drum, turns, turnLaw.batter)
  const from = batterHz ?? start
  const model = pairModel(pair)
  return {
    ...{ turns, start, from },
    fronts: FRONT_CHOICES.map((choice) => {
      const at = { batterHz: from, resonantHz: aboveBy(from, choice.cents) }
      return { ...choice, ...at, ring: model.ring(at), centre: model.centre(at) }
    }),
  }
}
