import { nearRods } from '@/core/kit/uneven'
import type { Round } from '@/core/head/types'
import { lugAngle } from '@/core/head/harmonics'
import type { Hoop } from '@/core/membrane/turnLaw'
import { seededRandom } from '@/core/numeric/random'
import {
  afterPressing,
  afterTurning,
  practiceHead,
  turnedByHand,
  type PracticeDrum,
  type Rods,
} from '@/core/practice/drum'
import { lugTruth } from '@/core/practice/model'
import type { Faults } from '@/core/practice/nature'
import { shiftByCents } from '@/core/units/pitch'

/**
 * The mix of heads that evening is judged on: sizes 8 to 22 inches, 4 to 12 lugs, all hoops, four ways to begin, each
 * near its usual pitch. Every seventh gives wrong-mode readings (3%), every ninth misses some (6%).
 */
export interface BenchHead {
  seed: number
  inches: number
  depthInches: number
  lugs: number
  hz: number
  hoop: Hoop
  pliesMils: number[]
  start: 'from slack' | 'slightly out' | 'one rod far out' | 'one side backed off'
}

const SIZES: Array<[number, number, number[], number, number[]]> = [
  [8, 7, [4, 5], 330, [7, 7]],
  [10, 7, [5, 6], 290, [7, 7]],
  [12, 8, [6, 8], 210, [7, 7]],
  [12, 5, [6, 8], 300, [10]],
  [13, 9, [5, 6], 200, [10]],
  [14, 6.5, [8, 10], 234, [10]],
  [14, 5, [10, 12], 265, [10]],
  [14, 6.5, [10], 375, [3]],
  [16, 14, [8], 115, [7, 7]],
  [18, 16, [8], 92, [10]],
  [22, 16, [8, 10], 66, [10]],
]
const HOOPS: Hoop[] = ['triple-flanged', 'die-cast', 'single-flanged', 'wood']
const STARTS = ['from slack', 'slightly out', 'one rod far out', 'one side backed off'] as const
const SEEDS = 5

export const HEADS: BenchHead[] = SIZES.flatMap(([inches, depthInches, lugs, hz, pliesMils], i) =>
  STARTS.flatMap((start, j) =>
    Array.from({ length: SEEDS }, (_, k): BenchHead => {
      const seed = 1000 * i + 100 * j + k
      const random = seededRandom(seed)
      return {
        ...{ seed, inches, depthInches, pliesMils, start },
        lugs: lugs[k % lugs.length],
        hz: hz * Math.exp(0.06 * random.normal()),
        hoop: inches >= 18 ? (k % 2 ? 'wood' : 'triple-flanged') : HOOPS[(i + j + k) % 4],
      }
    }),
  ),
)

const READING_CENTS = 1.5
/** Poles nearer than this to each other, or weaker than this, are not told apart. */
const PART_HZ = 0.35
const FAINT_DB = -22
/** Where a microphone stands that does not go along, in rad from lug 1. */
const STANDING_AT = 0.9
const WRONG_MODES = [1.34, 1.62, 0.63]

function startOf(head: BenchHead): Rods {
  const random = seededRandom(head.seed + 77)
  const each = (sd: number) => Array.from({ length: head.lugs }, () => sd * random.normal())
  const low = (mean: number, sd: number) => head.hz * Math.exp(mean + sd * random.normal())
  if (head.start === 'from slack') return { evenHz: low(-0.05, 0.03), rods: each(0.09) }
  if (head.start === 'slightly out') return { evenHz: low(-0.008, 0.006), rods: each(0.035), presses: 3 }
  const rods = each(0.02)
  if (head.start === 'one rod far out') rods[Math.floor(random.uniform() * head.lugs)] -= 0.3
  else for (const rod of nearRods(head.lugs)) rods[rod] -= 0.18
  return { evenHz: low(0, 0.006), rods, presses: 3 }
}

/** One head on the practice drum with its hidden state, its own noise, and the hand. */
export function drumOf(head: BenchHead, faults?: Faults) {
  const drum: PracticeDrum = {
    ...{ seedText: `bench/${head.seed}`, diameterInches: head.inches, depthInches: head.depthInches },
    ...{ lugs: head.lugs, hoop: head.hoop, threadPitchMm: 1.058, pliesMils: head.pliesMils },
    otherPliesMils: [10],
    ...(faults ? { faults } : {}),
  }
  const random = seededRandom(head.seed + 5)
  let state = startOf(head)
  let turned = 0
  const truth = () => lugTruth(practiceHead(drum, state, { lugHz: head.hz, muted: true }))
  return {
    truth,
    state: () => state,
    drum,
    turn(turns: readonly number[]) {
      const rods = turnedByHand(state.rods, turns, head.seed * 977 + turned++)
      state = afterPressing(afterTurning(drum, state, rods))
    },
    /** Readings of the lugs asked for (from 1), or of all; from one spot where the microphone stands still, unsaid. */
    read(kind: 'poles' | 'bare', lugs: readonly number[] | null, standing = false): Round {
      const { poles } = truth()
      const readingsHz: Array<number | null> = []
      const readings: NonNullable<Round['readings']> = []
      for (let lug = 1; lug <= head.lugs; lug++) {
        const noise = () => READING_CENTS * random.normal()
        const wrong = head.seed % 7 === 0 && random.uniform() < 0.03
        const missing = head.seed % 9 === 0 && random.uniform() < 0.06
        const mode = WRONG_MODES[Math.floor(3 * random.uniform())]
        const heard = poles.map(({ hz, axisTurns }) => ({
          hz: shiftByCents(hz, noise()),
          amplitude: Math.abs(
            Math.cos(lugAngle(lug - 1, head.lugs) - 2 * Math.PI * axisTurns) *
              Math.cos((standing ? STANDING_AT : lugAngle(lug - 1, head.lugs)) - 2 * Math.PI * axisTurns),
          ),
        }))
        const levelNoise = [random.normal(), random.normal()]
        if (missing || (lugs && !lugs.includes(lug))) {
          readingsHz.push(null)
          continue
        }
        const [a, b] = heard
        const louder = a.amplitude > b.amplitude ? a : b
        const centroid = (a.hz * a.amplitude + b.hz * b.amplitude) / (a.amplitude + b.amplitude)
        const width = 1 / (Math.PI * 0.21 * (234 / a.hz) ** 0.7)
        const number = (Math.abs(a.hz - b.hz) < width ? centroid : louder.hz) * (wrong ? mode : 1)
        readingsHz.push(number)
        const error = (louder.hz * READING_CENTS) / 1731
        const parted =
          Math.abs(a.hz - b.hz) > PART_HZ &&
          20 * Math.log10(Math.min(a.amplitude, b.amplitude) / louder.amplitude) > FAINT_DB
        readings.push({
          lug,
          modes: wrong
            ? [{ hz: number, levelDb: 0, standardErrorHz: error }]
            : parted
              ? heard.map(({ hz, amplitude }, i) => ({
                  hz,
                  levelDb: 20 * Math.log10(amplitude / louder.amplitude) + levelNoise[i],
                  standardErrorHz: error,
                }))
              : [
                  {
                    hz: Math.abs(a.hz - b.hz) > PART_HZ ? louder.hz : centroid,
                    levelDb: 0,
                    standardErrorHz: error,
                  },
                ],
        })
      }
      return {
        readingsHz,
        readingErrorCents: READING_CENTS,
        pressed: true,
        ...(kind === 'poles' ? { readings } : {}),
      }
    },
  }
}
