import { relationText } from './relation'
import type { Gives, Plan, PlanAnswer, PlanRequest, PlanTrouble, Scheme } from '@/core/spacing/types'
import { intervalText, nearestInterval } from '@/core/units/intervals'
import { nearestNote } from '@/core/units/pitch'
import { minutesText } from './minutes'
import { fixed } from './shown'

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

const gapName = (cents: number) => {
  const { octaves, interval, off } = nearestInterval(cents)
  const named = octaves === 0 && interval.cents > 0 && Math.abs(off) < 1
  return named ? `a ${interval.name}` : `${Math.round(cents)} c`
}
const hzOf = (hz: number) => `${fixed(hz, 1)} Hz`

/** What a plan gives up, as sentences with the drums' own names, the mode and the pitch. */
export function givesText(gives: Gives, names: ReadonlyMap<string, string>): string {
  const name = (id: string) => names.get(id) || id
  const size = Math.round(Math.abs(gives.cents))
  const side = gives.cents < 0 ? 'below' : 'above'
  const edge = (hz: number) => `the ${name(gives.drum)}’s edge at ${hzOf(hz)}`
  switch (gives.what) {
    case 'favourite':
      return `${edge(gives.hz)} sits ${size} c ${side} its favourite pitch`
    case 'range':
      return gives.cents < 0
        ? `${edge(gives.hz)} lies ${size} c below where it speaks: it may growl`
        : `${edge(gives.hz)} lies ${size} c above its range: it may choke`
    case 'favour':
      return `${edge(gives.hz)} is ${size} c from the nearest note of the key`
    case 'gap':
      return `from the ${name(gives.drum)} to the ${name(gives.next)} is ${intervalText(gives.cents, 'name')}, not ${gapName(gives.wanted)}`
    case 'close':
      return `the ${name(gives.drum)} and the ${name(gives.next)} are only ${size} c apart at the edge`
    case 'snare':
      return `${edge(gives.hz)} is ${size} c from the snare’s, ${hzOf(gives.snareHz)}: its wires may buzz along`
    case 'kick':
      return `${edge(gives.hz)} lies ${intervalText(gives.cents, 'name')} under the lowest tom; a fourth to an octave is usual`
  }
}

const BINDS = {
  ceiling: 'the limit of its batter leaves it no place. Raise that limit, or ask for a lower root.',
  'resonant-ceiling':
    'with that relation its resonant head would go above its limit. Ask for a smaller relation, or a lower root.',
  avoided: 'the pitches to avoid leave neither its edge nor its centre a place. Avoid less, or less widely.',
  root: 'at that root it would go above its limit or stand on a pitch to avoid. Give the root back to the search.',
  several: 'its limits and the pitches to avoid together leave it no place. Loosen one of them.',
}

/** Why there is no plan, and what to do. */
export function troubleText(why: PlanTrouble | null, names: ReadonlyMap<string, string>): string {
  if (!why || why.what === 'together')
    return 'Every drum has a place, but not with the others. Give the root back to the search, or leave out one thing to avoid.'
  const name = names.get(why.drum) || why.drum
  return why.what === 'fixed-avoided'
    ? `The ${name} is to stay, and its ${why.mode} at ${hzOf(why.hz)} lies on ${hzOf(why.avoidHz)}, which is to be avoided. Let it move, or avoid less.`
    : `Nowhere for the ${name}: ${BINDS[why.by]}`
}

const SCHEME_SHORT: Record<Scheme['kind'], string> = {
  fourths: 'fourths',
  fifth: 'fifths',
  thirds: 'thirds',
  'major-triad': 'triad',
  equal: 'equal steps',
  steps: 'own steps',
  free: 'without a scheme',
}

/** What a plan is, told from the others by what differs. */
export function planLabel(
  { what, scheme }: Pick<Plan, 'what' | 'scheme'>,
  names: ReadonlyMap<string, string>,
): string {
  switch (what.kind) {
    case 'best':
      return `best: ${SCHEME_SHORT[scheme.kind]}`
    case 'scheme':
      return `${SCHEME_SHORT[what.scheme.kind]} fit better`
    case 'relation':
      return `resonants ${relationText(what.resonantAboveCents)}`
    case 'stays':
      return `${names.get(what.drum) || what.drum} stays`
    case 'least-work':
      return 'least work'
    case 'lowest':
      return 'as low as all speak'
    case 'highest':
      return 'as high as all speak'
  }
}

/** How good a plan is, in words: by what it gives up, then by its score. */
export function scoreText({ score, gives }: Pick<Plan, 'score' | 'gives'>): string {
  if (gives.length === 0) return 'everything fits'
  return score > 0.75 ? 'little is given up' : score > 0.5 ? 'a compromise' : 'much is given up'
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
  return rods === 0 ? 'nothing to turn' : `${fixed(turns, 1)} turns, ${rods} rods, ${minutesText(minutes)}`
}

export const namesOf = (request: Pick<PlanRequest, 'drums'>) =>
  new Map(request.drums.map(({ id, name }) => [id, name]))

const round = (value: number, digits: number) => Number(value.toFixed(digits))

/** An answer as command and route give it out. */
export function planAnswerRecord(request: PlanRequest, { plans, why }: PlanAnswer) {
  const names = namesOf(request)
  return {
    plans: plans.map((plan) => ({
      kind: plan.what.kind,
      label: planLabel(plan, names),
      rootHz: round(plan.rootHz, 2),
      drums: plan.drums.map(({ id, batterHz, resonantHz, turns, minutes }) => {
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
      score: round(plan.score, 3),
      scoreText: scoreText(plan),
      givesUp: plan.gives.map((each) => givesText(each, names)),
    })),
    ...(plans.length ? {} : { why: troubleText(why, names) }),
  }
}
