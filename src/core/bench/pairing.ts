import type { PairPlace } from '../pair/types'
import { usualTurns } from '../kit/usual'
import { believePair } from '../pair/belief'
import { FRONT_CHOICES, kickBatterHz } from '../pair/kick'
import { learnPair, predictCentre } from '../pair/learn'
import { aboveBy } from '../pair/model'
import { plannedTones } from '../pair/preview'
import { foretellRing, learnRing, type RingForecast } from '../pair/ring'
import { learnable, type DrumPair } from '../status/drum'
import { ringStrokes } from '../status/strokes'

/** What this drum taught of itself, learned once: centre, ring and sound for any lug pitches of both heads. */
export function pairModel({ drum, seen, strokes, layers }: DrumPair) {
  const learned = learnPair(drum, seen)
  const ringLearned = learnRing(drum, ringStrokes(learnable(strokes)), learned.parts)
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
export function pairStands({ drum, now, stands, before }: DrumPair) {
  if (now.batterHz === null && now.resonantHz === null && now.centreHz === null) return null
  const found = believePair(drum, now, learnPair(drum, before))
  const resonantHz = found.resonantHz === null ? null : (stands.resonantHz ?? found.resonantHz)
  const errorCents = {
    batter: stands.errorCents.batter ?? found.errorCents.batter,
    resonant: stands.errorCents.resonant ?? found.errorCents.resonant,
  }
  return { ...found, batterHz: stands.batterHz ?? found.batterHz, resonantHz, errorCents }
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
