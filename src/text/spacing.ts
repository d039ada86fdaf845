import type { Gives, Plan, PlanAnswer, PlanRequest, PlanTrouble, Scheme } from '@/core/spacing/types'
import { nearestNote } from '@/core/units/pitch'
import { minutesText } from './minutes'

const WANTED: Record<number, string> = {
  300: 'minor third',
  400: 'major third',
  500: 'fourth',
  700: 'fifth',
}

export const SCHEME_LABELS: Record<Scheme['kind'], string> = {
  fourths: 'fourths',
  fifth: 'fifths',
  thirds: 'thirds, major or minor',
  'major-triad': 'major triad',
  equal: 'equal steps',
  steps: 'own steps',
  free: 'free, each where it sounds best',
}

/** What people say of a scheme (common practice, no source). */
export const SCHEME_SAYS: Record<Scheme['kind'], string> = {
  fourths: 'The widest usual spread: big rooms, big stages.',
  fifth: 'For two toms.',
  thirds: 'Tighter and musical; small warm rooms.',
  'major-triad':
    'Root, third and fifth from the floor tom up: when the small tom will not go high or the floor tom not low.',
  equal: 'Any even step you like.',
  steps: 'A step of your own for each gap, smallest drum first.',
  free: 'No scheme: every drum near its best, only kept apart.',
}

/** What a plan gives up, as sentences with the drums' own names. */
export function givesText(gives: Gives, names: ReadonlyMap<string, string>): string {
  const name = (id: string) => names.get(id) || id
  const size = Math.round(Math.abs(gives.cents))
  const side = gives.cents < 0 ? 'below' : 'above'
  switch (gives.what) {
    case 'favourite':
      return `the ${name(gives.drum)} sits ${size} cents ${side} its favourite pitch`
    case 'range':
      return gives.cents < 0
        ? `the ${name(gives.drum)} lies ${size} cents below where it speaks: it may growl`
        : `the ${name(gives.drum)} lies ${size} cents above its range: it may choke`
    case 'gap':
      return `from the ${name(gives.drum)} to the ${name(gives.next)} are ${Math.round(gives.cents)} cents and not ${WANTED[gives.wanted] ? `a ${WANTED[gives.wanted]}` : Math.round(gives.wanted)}`
    case 'close':
      return `the ${name(gives.drum)} and the ${name(gives.next)} are only ${size} cents apart`
    case 'snare':
      return `the ${name(gives.drum)} is ${size} cents from the snare: its wires may buzz along`
    case 'kick':
      return `the kick lies ${size} cents under the lowest tom; a fourth to an octave is usual`
  }
}

/** Why there is no plan, and what to do. */
export function troubleText(why: PlanTrouble | null, names: ReadonlyMap<string, string>): string {
  if (!why) return 'No plan fits. Give the root back to the search, or leave out one thing to avoid.'
  const name = names.get(why.drum) || why.drum
  return why.what === 'fixed-avoided'
    ? `The ${name} is to stay, and it lies on a pitch to be avoided. Let it move, or avoid less.`
    : `Nowhere for the ${name}: its limit, the root and the pitches to avoid leave it no place. Loosen one of them.`
}

/** "7 of 10 rods' worth…": what a plan takes from now. */
export function workText({ drums }: Plan): string {
  const rods = drums.reduce((sum, each) => sum + each.rods, 0)
  const minutes = drums.reduce((sum, each) => sum + each.minutes, 0)
  const turns = drums.reduce(
    (sum, { turns: each }) => sum + Math.abs(each?.batter ?? 0) + Math.abs(each?.resonant ?? 0),
    0,
  )
  if (drums.every(({ turns: each }) => each === null)) return 'where the drums stand is not known'
  return rods === 0 ? 'nothing to turn' : `${turns.toFixed(1)} turns, ${rods} rods, ${minutesText(minutes)}`
}

export const namesOf = (request: Pick<PlanRequest, 'drums'>) =>
  new Map(request.drums.map(({ id, name }) => [id, name]))

const round = (value: number, digits: number) => Number(value.toFixed(digits))

/** An answer as command and route give it out. */
export function planAnswerRecord(request: PlanRequest, { plans, why }: PlanAnswer) {
  const names = namesOf(request)
  return {
    plans: plans.map(({ kind, rootHz, drums, score, gives }) => ({
      kind,
      rootHz: round(rootHz, 2),
      drums: drums.map(({ id, batterHz, resonantHz, turns, minutes }) => {
        const { name: note, cents } = nearestNote(batterHz, request.a4Hz)
        return {
          id,
          // To a thousandth: rounding is not to carry a pitch into what was avoided.
          batterHz: round(batterHz, 3),
          resonantHz: round(resonantHz, 3),
          note,
          cents: round(cents, 1),
          turns: turns && { batter: round(turns.batter, 3), resonant: round(turns.resonant, 3) },
          minutes: round(minutes, 1),
        }
      }),
      score: round(score, 3),
      givesUp: gives.map((each) => givesText(each, names)),
    })),
    ...(plans.length ? {} : { why: troubleText(why, names) }),
  }
}
