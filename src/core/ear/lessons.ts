import type { LessonId } from '../records/drill'
import { seededRandom } from '../numeric/random'
import type { PracticeDrum } from '../practice/drum'
import { centsBetween, shiftByCents } from '../units/pitch'
import { STANDARD_THREAD_MM } from '../units/turns'
import { headNow, stateRods, workOf, type Table, type TableHead } from './table'

/**
 * Seven short lessons, each a state of the practice drum with a task, a hint and a measured result: one head, then both, then
 * the kit. Their order is common practice, no source: one thing at a time, small high drums first.
 */
export interface Lesson {
  title: string
  task: string
  hint: string
  setUp(seed: number): Table
  /** Whether the task is done, and the numbers that say so; `said` is for afterwards. */
  judge(table: Table): { met: boolean; said: string }
}

function practiceDrum(
  seed: number,
  diameterInches: number,
  depthInches: number,
  lugs: number,
  pliesMils: readonly number[] = [7, 7],
): PracticeDrum {
  return {
    seedText: `lesson/${seed}/${diameterInches}`,
    ...{ diameterInches, depthInches, lugs, pliesMils, otherPliesMils: [10] },
    hoop: 'triple-flanged',
    threadPitchMm: STANDARD_THREAD_MM,
  }
}

const even = (drum: PracticeDrum, hz: number) => ({
  evenHz: hz,
  rods: new Array<number>(drum.lugs).fill(0),
  presses: 6,
})

const alone = (name: string, drum: PracticeDrum, rods: TableHead['rods'], targetHz: number | null) => ({
  ...{ name, drum, rods, targetHz },
  other: null,
})

const table = (...heads: TableHead[]): Table => ({ heads, acts: [] })

const lowOnes = (lugs: number, seed: number) => {
  const random = seededRandom(seed)
  return Math.floor(random.uniform() * (lugs / 2) * 0.9999)
}

const inCents = (cents: number) => `${Math.round(Math.abs(cents))} c`
const inTurns = (turns: number) => `${turns.toFixed(2)} turns of the key`

const TOM_HZ = 175
const SLACK_HZ = 165
const RELATION_CENTS = 400
const FOURTH_CENTS = 500

/** A rod and the one opposite a quarter turn down: what the first two lessons are about. */
function lowPair(seed: number): TableHead {
  const drum = practiceDrum(seed, 12, 8, 6)
  const low = lowOnes(drum.lugs, seed)
  const rods = Array.from({ length: drum.lugs }, (_, i) => (i % 3 === low ? -0.2 : 0))
  return alone('Batter', drum, { evenHz: TOM_HZ, rods, seats: rods, presses: 6 }, TOM_HZ)
}

export const LESSONS: Record<LessonId, Lesson> = {
  listen: {
    title: 'Find the low lug',
    task: 'Tap all six lugs, a finger resting on the middle. Then name the lug that is lowest.',
    hint: 'Go round once, then tap neighbours one after the other. Hum the pitch: it is easier to compare with a hum than with a memory. Two lugs are lowest, opposite each other; either is right.',
    setUp: (seed) => table(lowPair(seed)),
    judge(now) {
      const said = now.acts.findLast((act) => act.did === 'named')
      const { lugHz } = headNow(now, 0)
      const lowest = Math.min(...lugHz)
      if (!said) return { met: false, said: 'No lug was named yet.' }
      const off = centsBetween(lowest, lugHz[said.lug - 1])
      const met = off < 3
      return {
        met,
        said: met
          ? `Lug ${said.lug} is the lowest, at ${lugHz[said.lug - 1].toFixed(1)} Hz; the highest stands ${inCents(headNow(now, 0).spreadCents)} above it.`
          : `Lug ${said.lug} stands ${inCents(off)} above the lowest. Go round once more.`,
      }
    },
  },
  raise: {
    title: 'Bring the low pair up',
    task: 'Two opposite rods are low. Bring them up until all lugs sound alike, within 15 cents.',
    hint: 'An eighth on both rods of the pair, listen, then again. Never only one of the two: pitch cannot tell you which of them is loose.',
    setUp: (seed) => table(lowPair(seed + 1)),
    judge: (now) => evenWithin(now, 15),
  },
  press: {
    title: 'Press, and read again',
    task: 'This head is new. Press it three times, listening in between, then bring it back to its pitch within 20 cents.',
    hint: 'A fresh film sinks when it is pressed, less each time. All rods alike bring it back: turn the whole head, not a lug.',
    setUp(seed) {
      const drum = practiceDrum(seed, 12, 8, 6)
      return table(alone('Batter', drum, { ...even(drum, TOM_HZ), presses: 0 }, TOM_HZ))
    },
    judge(now) {
      const presses = now.acts.filter(({ did }) => did === 'pressed').length
      const { offCents } = headNow(now, 0)
      const met = presses >= 3 && Math.abs(offCents!) <= 20
      return {
        met,
        said: `Pressed ${presses} of 3 times; the head stands ${inCents(offCents!)} ${offCents! < 0 ? 'under' : 'over'} its pitch.`,
      }
    },
  },
  slack: {
    title: 'Up from slack',
    task: 'The rods are only finger-tight. Bring the head to its pitch within 30 cents, even within 25.',
    hint: 'Half turns on all rods, crosswise, until it speaks; then quarters, then eighths. Press once on the way and listen again.',
    setUp(seed) {
      const drum = practiceDrum(seed, 12, 8, 6)
      return table(alone('Batter', drum, stateRods(drum, 'slack', SLACK_HZ, seed), SLACK_HZ))
    },
    judge(now) {
      const { offCents, spreadCents } = headNow(now, 0)
      const { passes, turns } = workOf(now)
      return {
        met: Math.abs(offCents!) <= 30 && spreadCents <= 25,
        said: `${inCents(offCents!)} ${offCents! < 0 ? 'under' : 'over'} the pitch, spread ${inCents(spreadCents)}, after ${passes} passes and ${inTurns(turns)}.`,
      }
    },
  },
  both: {
    title: 'Set the other head',
    task: 'The batter is done. Set the resonant head a major third above it, 400 cents, within 30.',
    hint: 'Hold one head still and tap the other. A third is the first two notes of a rising chord; all rods of the resonant alike, by quarters.',
    setUp(seed) {
      const drum = practiceDrum(seed, 12, 8, 6)
      const resonant = { ...practiceDrum(seed + 50, 12, 8, 6, [10]), otherPliesMils: [7, 7] }
      return table(
        { ...alone('Batter', drum, even(drum, TOM_HZ), TOM_HZ), other: 1 },
        { ...alone('Resonant', resonant, even(resonant, shiftByCents(TOM_HZ, 120)), null), other: 0 },
      )
    },
    judge(now) {
      const apart = centsBetween(headNow(now, 0).meanHz, headNow(now, 1).meanHz)
      const off = apart - RELATION_CENTS
      return {
        met: Math.abs(off) <= 30,
        said: `The resonant head stands ${Math.round(apart)} c above the batter, ${inCents(off)} ${off < 0 ? 'short of' : 'past'} a major third.`,
      }
    },
  },
  drastic: {
    title: 'A whole turn on purpose',
    task: 'Turn every rod of the resonant head up one whole turn, strike the middle and listen, then come back to where it was, within 25 cents.',
    hint: 'Strike the middle before and after. What changes, the length, the pitch, the bend? Coming back, go a little below and return: coming down sticks.',
    setUp(seed) {
      const drum = practiceDrum(seed, 12, 8, 6)
      const resonant = { ...practiceDrum(seed + 50, 12, 8, 6, [10]), otherPliesMils: [7, 7] }
      const resonantHz = shiftByCents(TOM_HZ, 300)
      return table(
        { ...alone('Batter', drum, even(drum, TOM_HZ), TOM_HZ), other: 1 },
        { ...alone('Resonant', resonant, even(resonant, resonantHz), resonantHz), other: 0 },
      )
    },
    judge(now) {
      const up = now.acts
        .filter((act) => act.did === 'turned' && act.head === 1)
        .reduce(
          (most, act) => {
            const turns = act.did === 'turned' ? Math.min(...act.turns) : 0
            return { sum: most.sum + turns, most: Math.max(most.most, most.sum + turns) }
          },
          { sum: 0, most: 0 },
        ).most
      const heardUp = now.acts.some((act) => act.did === 'tapped' && act.lug === 'centre')
      const { offCents } = headNow(now, 1)
      return {
        met: up >= 0.95 && heardUp && Math.abs(offCents!) <= 25,
        said: `Turned up by ${up.toFixed(2)} of a turn${heardUp ? '' : ', the middle not struck yet'}; it stands ${inCents(offCents!)} ${offCents! < 0 ? 'under' : 'over'} where it was.`,
      }
    },
  },
  kit: {
    title: 'Three toms in fourths',
    task: 'Leave the floor tom. Set the 12 a fourth above it and the 10 a fourth above the 12, each within 35 cents.',
    hint: 'From the largest up. A fourth is 500 cents: the first two notes of many a wedding march. Tap the lower drum, hum, then the upper.',
    setUp(seed) {
      const random = seededRandom(seed)
      const floor = practiceDrum(seed, 15, 13, 8)
      const twelve = practiceDrum(seed, 12, 8, 6)
      const ten = practiceDrum(seed, 10, 6.5, 6)
      const floorHz = shiftByCents(120, 60 * (random.uniform() - 0.5))
      const wanted = [floorHz, shiftByCents(floorHz, FOURTH_CENTS), shiftByCents(floorHz, 2 * FOURTH_CENTS)]
      const off = () => (random.uniform() < 0.5 ? -1 : 1) * (90 + 80 * random.uniform())
      return table(
        alone('Floor tom 15', floor, even(floor, floorHz), null),
        alone('Tom 12', twelve, even(twelve, shiftByCents(wanted[1], off())), null),
        alone('Tom 10', ten, even(ten, shiftByCents(wanted[2], off())), null),
      )
    },
    judge(now) {
      const [floor, twelve, ten] = [0, 1, 2].map((i) => headNow(now, i).meanHz)
      const gaps = [centsBetween(floor, twelve), centsBetween(twelve, ten)]
      return {
        met: gaps.every((gap) => Math.abs(gap - FOURTH_CENTS) <= 35),
        said: `The 12 stands ${Math.round(gaps[0])} c above the floor tom, the 10 ${Math.round(gaps[1])} c above the 12; a fourth is 500.`,
      }
    },
  },
}

function evenWithin(now: Table, cents: number): { met: boolean; said: string } {
  const { spreadCents } = headNow(now, 0)
  const { passes, turns } = workOf(now)
  return {
    met: spreadCents <= cents,
    said: `Spread ${inCents(spreadCents)} after ${passes} ${passes === 1 ? 'pass' : 'passes'} and ${inTurns(turns)}.`,
  }
}
