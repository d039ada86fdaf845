import { isTom } from '../kit/kinds'
import { DEFAULT_SMALLEST_STEP } from '../evening/types'
import { lugHzAfterTurns, turnsBetween } from '../membrane/turnLaw'
import { centreHz, USUAL_PARTS } from '../pair/model'
import { nearestInterval } from '../units/intervals'
import { rangeCost, SEPARATE_CENTS } from './cost'
import { centsAbove1Hz, knownDrum, pairOfPlan, type KnownDrum } from './known'
import { nearestTones, type Row, type ToneOf } from './rows'
import { LEAST_TURN } from './states'
import type { PlanDrum } from './types'

/**
 * The kit judging itself as it stands: toms too close, heads mixed, a kick or snare that answers another drum, and the one move
 * of all rods of one head, or of both alike, that mends most of it.
 */
export type Verdict =
  | { what: 'close'; drum: string; next: string; cents: number }
  /** `usualCents`: how the other toms stand. */
  | { what: 'mixed'; drum: string; cents: number; usualCents: number }
  | { what: 'answers'; drum: string; tom: string; against: Row['against']; nearest: Row['nearest'] }

export interface Move {
  drum: string
  /** Both where one head alone would leave the drum's heads mixed. */
  head: 'batter' | 'resonant' | 'both'
  /** Of the head that moves, the batter where both do. */
  fromHz: number
  toHz: number
  /** Of every rod of that head. */
  turns: number
  /** The resonant beside it, where both move. */
  resonant: { toHz: number; turns: number } | null
  /** Places in the list of verdicts that it mends. */
  mends: number[]
}

export interface KitVerdict {
  verdicts: Verdict[]
  /** For each verdict the move that mends it and most else; null where none does without harm. */
  moves: Array<Move | null>
  /** The move that mends most of all; null where nothing is wrong, or nothing mends it. */
  best: Move | null
}

/** A gap below this part of the toms' usual one is too close, even where it would separate two drums alone. */
const CLOSE_PART = 0.6
/** A tom whose heads stand this far from how the others' do is mixed. */
export const MIXED_CENTS = 80
/** Nearer than this another drum answers. */
const ANSWERS_CENTS = 37
const CLEAR_CENTS = 60
/** A move counts as mending when it leaves so much room, in cents: a hand errs, and a head settles. */
const ROOM_CENTS = 20
/** A step between toms this near to a named interval is a good one, and what it costs to break it, in verdicts. */
const GOOD_CENTS = 15
const BREAK_WEIGHT = 1
/** No tom stands nearer to the next than this by choice. */
const LEAST_GOOD_CENTS = 250
/** Moves are tried so far and this far apart, in cents. */
const MOVE = { most: 400, step: 20 }
/** Of a kit of more drums than any stage holds moves are tried this far apart, in cents. */
const LARGE = { drums: 24, step: 100 }
/** What a move costs beside what it mends: a full turn weighs as much as this part of a verdict. */
const TURN_WEIGHT = 0.3

interface Stands {
  drum: KnownDrum
  batterHz: number
  resonantHz: number
  tones: ToneOf[]
}

/** Judges all drums that were read, both heads. */
export function judgeKit(drums: readonly PlanDrum[]): KitVerdict {
  const kit = drums.flatMap((drum) => (drum.now ? [standing(knownDrum(drum, 1), drum.now)] : []))
  const { verdicts } = judge(kit)
  if (verdicts.length === 0) return { verdicts, moves: [], best: null }
  const now = { verdicts, ...asStrict(kit), good: goodSteps(kit) }
  const moves = kit.flatMap((each, place) => movesOf(kit, each, place, now))
  const bestOf = (list: typeof moves) =>
    list.length ? list.reduce((a, b) => (b.worth > a.worth ? b : a)).move : null
  return {
    verdicts,
    moves: verdicts.map((_, i) => bestOf(moves.filter(({ move }) => move.mends.includes(i)))),
    best: bestOf(moves),
  }
}

function standing(
  drum: KnownDrum,
  { batterHz, resonantHz }: { batterHz: number; resonantHz: number },
): Stands {
  const centre = centreHz(pairOfPlan(drum), { batterHz, resonantHz }, USUAL_PARTS)
  const tones: ToneOf[] = [
    ['lug', batterHz],
    ...(drum.oneHeaded ? [] : ([['resonant lug', resonantHz]] as ToneOf[])),
    ['centre', centre],
  ]
  return { drum, batterHz, resonantHz, tones }
}

/** What is wrong, and how much in all: 1 for each verdict at its threshold, more for worse. */
function judge(kit: readonly Stands[], roomCents = 0): { verdicts: Verdict[]; weight: number } {
  const toms = kit
    .filter(({ drum }) => isTom(drum.kind))
    .sort((a, b) => b.drum.diameterInches - a.drum.diameterInches || a.batterHz - b.batterHz)
  const found: Array<{ verdict: Verdict; weight: number }> = []
  const gaps = toms.slice(1).map((tom, i) => centsAbove1Hz(tom.batterHz) - centsAbove1Hz(toms[i].batterHz))
  const otherGaps = medianOfOthers(gaps)
  gaps.forEach((cents, i) => {
    const least = Math.max(SEPARATE_CENTS, gaps.length > 1 ? CLOSE_PART * otherGaps(cents) : 0) + roomCents
    if (cents >= least) return
    const verdict: Verdict = { what: 'close', drum: toms[i].drum.id, next: toms[i + 1].drum.id, cents }
    found.push({ verdict, weight: 1 + (least - cents) / 100 })
  })
  const two = toms.filter(({ drum }) => !drum.oneHeaded)
  const relations = two.map(({ batterHz, resonantHz }) => centsAbove1Hz(resonantHz) - centsAbove1Hz(batterHz))
  const otherRelations = medianOfOthers(relations)
  relations.forEach((cents, i) => {
    // Of two that differ neither is the odd one: the larger drum is named.
    if (relations.length === 1 || (relations.length === 2 && i > 0)) return
    const usualCents = otherRelations(cents)
    const off = Math.abs(cents - usualCents)
    if (off <= MIXED_CENTS - roomCents) return
    found.push({
      verdict: { what: 'mixed', drum: two[i].drum.id, cents, usualCents },
      weight: 0.5 + off / 200,
    })
  })
  let room = 0
  for (const other of kit.filter(({ drum }) => !isTom(drum.kind)))
    for (const tom of toms) {
      const nearest = nearestTones(tom.tones, other.tones)
      const off = Math.abs(nearest.cents)
      // Just clear is not clear: a move is to leave some room.
      if (off < CLEAR_CENTS) room += 1 - off / CLEAR_CENTS
      if (off >= ANSWERS_CENTS + roomCents) continue
      const against = other.drum.kind as Row['against']
      found.push({
        verdict: { what: 'answers', drum: other.drum.id, tom: tom.drum.id, against, nearest },
        weight: Math.max(0.5, 1.5 - off / ANSWERS_CENTS),
      })
    }
  return {
    verdicts: found.map(({ verdict }) => verdict),
    weight: found.reduce((sum, { weight }) => sum + weight, room),
  }
}

/** Median of all but one of some values, by its value; they are put in order once. */
function medianOfOthers(values: readonly number[]): (value: number) => number {
  const sorted = [...values].sort((a, b) => a - b)
  return (value) => {
    const own = sorted.indexOf(value)
    const at = (i: number) => sorted[i < own ? i : i + 1]
    // The upper of two in the middle, as everywhere.
    return at(Math.floor((sorted.length - 1) / 2))
  }
}

const keyOf = (verdict: Verdict) =>
  [verdict.what, verdict.drum, 'next' in verdict ? verdict.next : 'tom' in verdict ? verdict.tom : ''].join()

/** Steps between neighbouring toms that are good as they are, by the two drums. */
function goodSteps(kit: readonly Stands[]): Set<string> {
  const toms = kit
    .filter(({ drum }) => isTom(drum.kind))
    .sort((a, b) => b.drum.diameterInches - a.drum.diameterInches || a.batterHz - b.batterHz)
  const steps = toms.slice(1).flatMap((tom, i) => {
    const cents = centsAbove1Hz(tom.batterHz) - centsAbove1Hz(toms[i].batterHz)
    const good = cents >= LEAST_GOOD_CENTS && Math.abs(nearestInterval(cents).off) <= GOOD_CENTS
    return good ? [`${toms[i].drum.id}/${tom.drum.id}`] : []
  })
  return new Set(steps)
}

/** What is wrong where some room is asked for, as moves are judged. */
function asStrict(kit: readonly Stands[]) {
  const { verdicts, weight } = judge(kit, ROOM_CENTS)
  return { strictly: new Set(verdicts.map(keyOf)), weight }
}

interface Now {
  verdicts: readonly Verdict[]
  strictly: ReadonlySet<string>
  weight: number
  good: ReadonlySet<string>
}

/** Moves of either head of one drum that leave less wrong than there is, each with its worth. */
function movesOf(kit: readonly Stands[], own: Stands, place: number, { verdicts, ...now }: Now) {
  const { drum } = own
  const heads: Array<Move['head']> = drum.oneHeaded ? ['batter'] : ['batter', 'resonant', 'both']
  const step = kit.length > LARGE.drums ? LARGE.step : MOVE.step
  const had = new Set(verdicts.map(keyOf))
  const shifts = Array.from({ length: 2 * (MOVE.most / step) + 1 }, (_, i) => step * i - MOVE.most)
  return heads.flatMap((head) =>
    shifts.flatMap((cents) => {
      const moves = (side: 'batter' | 'resonant') => head === side || head === 'both'
      // As it is said, in whole steps of a hand; judged is where that leads.
      const turn = (side: 'batter' | 'resonant') => {
        const exact = turnsBetween(own[`${side}Hz`], own[`${side}Hz`] * 2 ** (cents / 1200), drum.law[side])
        return moves(side) ? Math.round(exact / DEFAULT_SMALLEST_STEP) * DEFAULT_SMALLEST_STEP : 0
      }
      const to = (side: 'batter' | 'resonant') =>
        lugHzAfterTurns(own[`${side}Hz`], turn(side), drum.law[side])
      const first = head === 'resonant' ? ('resonant' as const) : ('batter' as const)
      const [fromHz, toHz, turns] = [own[`${first}Hz`], to(first), turn(first)]
      if (Math.abs(turns) < LEAST_TURN) return []
      const over =
        (moves('batter') && to('batter') > (drum.ceilingHz ?? Infinity)) ||
        (moves('resonant') && to('resonant') > (drum.resonantCeilingHz ?? Infinity))
      if (over) return []
      const moved = standing(drum, { batterHz: to('batter'), resonantHz: to('resonant') })
      const resonant = head === 'both' ? { toHz: to('resonant'), turns: turn('resonant') } : null
      const after = kit.map((each, i) => (i === place ? moved : each))
      const then = asStrict(after)
      const left = then.strictly
      const mends = verdicts.flatMap((verdict, i) => (left.has(keyOf(verdict)) ? [] : [i]))
      const fresh = [...left].some((key) => !now.strictly.has(key))
      if (mends.length === 0 || fresh) return []
      // What is now just clear may not come to be wrong either.
      if (judge(after).verdicts.some((verdict) => !had.has(keyOf(verdict)))) return []
      const kept = goodSteps(after)
      const broken = [...now.good].filter((step) => !kept.has(step)).length
      const all = Math.abs(turns) + Math.abs(resonant?.turns ?? 0)
      const worth = now.weight - then.weight - TURN_WEIGHT * all - BREAK_WEIGHT * broken - outside(moved)
      return [{ worth, move: { drum: drum.id, head, fromHz, toHz, turns, resonant, mends } }]
    }),
  )
}

/** What it costs that a batter leaves the range in which its drum speaks. */
function outside({ drum, batterHz }: Stands): number {
  const at = centsAbove1Hz(batterHz)
  return rangeCost(Math.max(0, centsAbove1Hz(drum.lowestHz) - at, at - centsAbove1Hz(drum.highestHz)))
}
