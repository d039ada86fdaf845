import { idealNature } from '../practice/nature'
import type { PracticeHead } from '../practice/model'
import { lugDecaySeconds } from '../practice/tap'
import { drumRange } from '../kit/range'
import { turnLawPrior, type Hoop } from '../membrane/turnLaw'
import { seededRandom, type Random } from '../numeric/random'
import { centsBetween, shiftByCents } from '../units/pitch'
import { STANDARD_THREAD_MM } from '../units/turns'
import { lugTruth } from '../practice/model'
import { DRILLS, type DrillId } from './kinds'

/** The drum of a drill: a practice drum without faults. */
export interface DrillDrum {
  kind: 'tom' | 'floor-tom' | 'snare' | 'kick'
  diameterInches: number
  depthInches: number
  lugs: number
  hoop: Hoop
  batterMils: number[]
  resonantMils: number[]
  /** Pitch of its batter's lugs about which the drill goes, in Hz. */
  lugHz: number
}

/** What is used where no drum is named: a 12 inch tom near 180 Hz. */
export const USUAL_DRILL_DRUM: DrillDrum = {
  kind: 'tom',
  diameterInches: 12,
  depthInches: 8,
  lugs: 6,
  hoop: 'triple-flanged',
  batterMils: [10],
  resonantMils: [10],
  lugHz: 180,
}

/** One tap of a trial. */
export interface DrillTap {
  head: PracticeHead
  lug: number | 'centre'
  /** Every stroke is another. */
  seed: number
  /** Where it lands, in metres from the hoop. */
  fromHoopMetres: number
  /** Losses beside the head's own, in 1/s: no two strokes of a hand ring alike. */
  lossPerSecond: number
  /** Settled pitch that it shows, in Hz. */
  hz: number
}

export interface Trial {
  kind: DrillId
  /** The difference that is asked for, in the drill's unit. */
  level: number
  taps: DrillTap[]
  /** Level of all its taps alike against full, in dB: roved from trial to trial. */
  levelDb: number
  answers: readonly string[]
  truth: string
  /** What it was, for afterwards. */
  reveal: string
}

/** From trial to trial the drum stands within so many cents of its pitch, so that no pitch can be learned by heart. */
const ROVE_CENTS = 60
const ROVE_DB = 6
/** 25 to 50 mm is common practice. */
const FROM_HOOP = { least: 0.028, most: 0.048 }
/**
 * A tap loses up to this part more than the head does by itself. Ring falls with pitch in the model, exactly: without it
 * the shorter of two taps would be the higher one every time, and so would the one that begins louder.
 */
const ROVE_LOSS = 0.4
/** A pattern of the rods this large shows how much it parts the lugs. */
const PROBE_TURNS = 0.01
const SEARCHES = 5

/** Makes the trial of a kind at a level; the same seed makes the same trial. */
export function makeTrial(kind: DrillId, drum: DrillDrum, level: number, seed: number): Trial {
  const random = seededRandom(seed)
  // Every draw is made in one order, whatever the kind.
  const aroundHz = shiftByCents(drum.lugHz, ROVE_CENTS * (2 * random.uniform() - 1))
  const levelDb = -ROVE_DB * random.uniform()
  return { kind, level, levelDb, ...MAKERS[kind](drum, level, aroundHz, random) }
}

type Made = Pick<Trial, 'taps' | 'answers' | 'truth' | 'reveal'>
type Maker = (drum: DrillDrum, level: number, aroundHz: number, random: Random) => Made

const pick = <T>(list: readonly T[], random: Random): T =>
  list[Math.min(list.length - 1, Math.floor(list.length * random.uniform()))]

/** A batter head at a pitch, its rods away from an even pull. */
function headAt(drum: DrillDrum, evenHz: number, rods: readonly number[] = []): PracticeHead {
  return {
    diameterInches: drum.diameterInches,
    depthInches: drum.depthInches,
    lugs: drum.lugs,
    hoop: drum.hoop,
    threadPitchMm: STANDARD_THREAD_MM,
    pliesMils: drum.batterMils,
    evenHz,
    rods: rods.length ? rods : new Array<number>(drum.lugs).fill(0),
    nature: idealNature(drum.lugs),
    other: { pliesMils: drum.resonantMils, lugHz: evenHz, muted: true },
  }
}

function tapOn(head: PracticeHead, lug: DrillTap['lug'], hz: number, random: Random): DrillTap {
  return {
    head,
    lug,
    hz,
    seed: Math.floor(random.uniform() * 2 ** 31),
    fromHoopMetres: FROM_HOOP.least + (FROM_HOOP.most - FROM_HOOP.least) * random.uniform(),
    lossPerSecond: (ROVE_LOSS * random.uniform()) / lugDecaySeconds(head.evenHz),
  }
}

/** One lug tapped at two pitches of the whole head. */
function higherPair(drum: DrillDrum, pitches: readonly number[], random: Random): DrillTap[] {
  const lug = 1 + Math.floor(random.uniform() * drum.lugs * 0.9999)
  return pitches.map((hz) => tapOn(headAt(drum, hz), lug, hz, random))
}

const answersOf = (kind: DrillId) => DRILLS[kind].answers ?? []
const inCents = (cents: number) => `${cents < 10 ? cents.toFixed(1) : cents.toFixed(0)} c`

/** Two taps at one lug, the whole head a little higher for one of them. */
const higher: Maker = (drum, cents, aroundHz, random) => {
  const first = random.uniform() < 0.5
  const pitches = [first, !first].map((up) => shiftByCents(aroundHz, (up ? cents : -cents) / 2))
  return {
    taps: higherPair(drum, pitches, random),
    answers: answersOf('higher'),
    truth: first ? 'first' : 'second',
    reveal: `The ${first ? 'first' : 'second'} was ${inCents(cents)} higher.`,
  }
}

/** Turns of the rods in the twofold pattern with its crest at a lug (0-based). */
const twofold = (lugs: number, at: number, size: number) =>
  Array.from({ length: lugs }, (_, i) => size * Math.cos((4 * Math.PI * (i - at)) / lugs))

/** Size of that pattern, in turns, at which two numbers taken of the lug pitches differ by so many cents. */
function sizedPattern(
  drum: DrillDrum,
  evenHz: number,
  at: number,
  cents: number,
  between: (truth: ReturnType<typeof lugTruth>) => number,
): { head: PracticeHead; lugHz: readonly number[] } {
  let size = PROBE_TURNS
  for (let i = 0; i < SEARCHES; i++) {
    const got = between(lugTruth(headAt(drum, evenHz, twofold(drum.lugs, at, size))))
    size *= cents / Math.max(1e-6, got)
  }
  const head = headAt(drum, evenHz, twofold(drum.lugs, at, size))
  return { head, lugHz: lugTruth(head).lugHz }
}

/**
 * Three neighbouring lugs in any order, the middle one off. A lug is never off alone: the one opposite goes with it, and
 * on a head of eight those between stand halfway (physics of the (1,1) pair, docs/decisions/lug-harmonics.md).
 */
const oddLug: Maker = (drum, cents, aroundHz, random) => {
  const { lugs } = drum
  const at = Math.floor(random.uniform() * lugs * 0.9999)
  const high = random.uniform() < 0.5
  const next = (at + 1) % lugs
  const before = (at + lugs - 1) % lugs
  const crest = high ? at : at + lugs / 4
  const { head, lugHz } = sizedPattern(drum, aroundHz, crest, cents, ({ lugHz: all }) =>
    Math.abs(centsBetween(all[next], all[at])),
  )
  const place = Math.floor(random.uniform() * 3 * 0.9999)
  const others = random.uniform() < 0.5 ? [next, before] : [before, next]
  const order = [...others.slice(0, place), at, ...others.slice(place)]
  const word = high ? 'high' : 'low'
  const which = ['first', 'second', 'third'][place]
  return {
    taps: order.map((lug) => tapOn(head, lug + 1, lugHz[lug], random)),
    answers: answersOf('odd-lug'),
    truth: `${which} ${word}`,
    reveal: `Lug ${at + 1}, tapped ${which}, was ${inCents(cents)} ${word} against its neighbours${lugs % 2 === 0 ? `, and lug ${((at + lugs / 2) % lugs) + 1} opposite with it` : ''}.`,
  }
}

/** The same lug on an even head, and on one whose two poles stand apart; both are heard at a lug between the poles' axes. */
const warble: Maker = (drum, cents, aroundHz, random) => {
  const first = random.uniform() < 0.5
  const { lugs } = drum
  const lug = Math.floor(random.uniform() * lugs * 0.9999)
  const { head } = sizedPattern(drum, aroundHz, lug + lugs / 8, cents, ({ poles }) =>
    Math.abs(centsBetween(poles[0].hz, poles[1].hz)),
  )
  const even = headAt(drum, aroundHz)
  const taps = [first, !first].map((apart) => tapOn(apart ? head : even, lug + 1, aroundHz, random))
  return {
    taps,
    answers: answersOf('warble'),
    truth: first ? 'first' : 'second',
    reveal: `The ${first ? 'first' : 'second'} had two poles ${inCents(cents)} apart: ${(aroundHz * (2 ** (cents / 1200) - 1)).toFixed(1)} beats a second.`,
  }
}

/** Intervals between heads or toms that have a name among drummers (common practice, no source), in tempered cents. */
const NAMED: ReadonlyArray<readonly [string, number]> = [
  ['alike', 0],
  ['minor third', 300],
  ['major third', 400],
  ['fourth', 500],
  ['fifth', 700],
]

const interval: Maker = (drum, gap, aroundHz, random) => {
  const pairs = NAMED.flatMap((a) => NAMED.filter((b) => b[1] - a[1] === gap).map((b) => [a, b] as const))
  const two = pick(pairs, random)
  const [name, cents] = pick(two, random)
  const rising = random.uniform() < 0.5
  // About the drum's pitch as a whole: the one tone that is always the same would tell.
  const lowHz = shiftByCents(aroundHz, -cents / 2)
  const pitches = rising ? [0, cents] : [cents, 0]
  return {
    taps: pitches.map((each) => {
      const hz = shiftByCents(lowHz, each)
      return tapOn(headAt(drum, hz), 1, hz, random)
    }),
    answers: two.map(([each]) => each),
    truth: name,
    reveal: `It was ${cents === 0 ? 'the same pitch twice' : `a ${name}, ${cents} c${rising ? '' : ', falling'}`}.`,
  }
}

/** One centre stroke: past the low end of the drum's range, past the high end, or at its best. */
const edge: Maker = (drum, cents, aroundHz, random) => {
  const range = drumRange(drum, [], [])
  const truth = pick(answersOf('edge'), random)
  const hz = {
    growls: shiftByCents(range.lowestHz, -cents),
    speaks: shiftByCents(range.favouriteHz, centsBetween(drum.lugHz, aroundHz)),
    chokes: shiftByCents(range.highestHz, cents),
  }[truth]!
  return {
    taps: [tapOn(headAt(drum, hz), 'centre', hz, random)],
    answers: answersOf('edge'),
    truth,
    reveal: `Its lugs stood at ${hz.toFixed(0)} Hz; by its size it speaks from ${range.lowestHz.toFixed(0)} to ${range.highestHz.toFixed(0)} Hz.`,
  }
}

/** Two centre strokes with both heads free: before and after all rods of one head were turned. */
const turned: Maker = (drum, turns, aroundHz, random) => {
  const truth = pick(answersOf('turned'), random)
  const by = truth.endsWith('up') ? turns : -turns
  const onBatter = truth.startsWith('batter')
  const law = (mils: readonly number[]) => turnLawPrior(drum.diameterInches, STANDARD_THREAD_MM, mils).mean
  const after = (hz: number, mils: readonly number[]) =>
    Math.sqrt(Math.max((0.3 * hz) ** 2, hz * hz + by * law(mils)))
  const batter = aroundHz
  const resonant = shiftByCents(aroundHz, 100 + 300 * random.uniform())
  const pairs = [
    { batter, resonant },
    onBatter
      ? { batter: after(batter, drum.batterMils), resonant }
      : { batter, resonant: after(resonant, drum.resonantMils) },
  ]
  return {
    taps: pairs.map((pair) => {
      const head = headAt(drum, pair.batter)
      const other = { ...head.other, lugHz: pair.resonant, muted: false }
      return tapOn({ ...head, other }, 'centre', pair.batter, random)
    }),
    answers: answersOf('turned'),
    truth,
    reveal: `${onBatter ? 'The batter' : 'The resonant'} went ${truth.endsWith('up') ? 'up' : 'down'}.`,
  }
}

const MAKERS: Record<DrillId, Maker> = {
  higher,
  'odd-lug': oddLug,
  warble,
  interval,
  edge,
  turned,
}
