import { seededRandom } from '../numeric/random'
import type { Ear, EvenHead, Feel, Round } from '../head/types'
import { even } from './even'
import type { EvenAnswer, EvenRequest } from './types'

/**
 * Histories by a plain formula (a mean, two poles, turns that move them) with what people do to them, and what is answered:
 * a table of the choices as they were made. Whoever changes one sees here what follows, and writes it down anew.
 */
const HISTORIES = 24

interface Kind {
  name: string
  target?: (hz: number, lugs: number) => EvenRequest['target']
  change?: (request: EvenRequest, random: () => number) => EvenRequest
  /** What becomes of a reading, in cents; NaN for a lug left out. */
  stray?: (lug: number, round: number, random: () => number) => number
  /** Part of a turn that the head answers to. */
  answers?: (rod: number) => number
  lugs?: number[]
  /** Where it starts, as a part of its target; how uneven, as a part of its squared pitch; and how far its pitch strays. */
  startsAt?: number
  uneven?: number
  off?: number
}

const word = <Word>(words: readonly Word[], random: () => number) =>
  words[Math.floor(words.length * random())]

const KINDS: Kind[] = [
  { name: 'well read' },
  { name: 'four and five lugs', lugs: [4, 5] },
  { name: 'nearly even', uneven: 0.008, off: 0.004, answers: () => 0.1 },
  {
    name: 'nearly even, tight tolerance',
    uneven: 0.005,
    off: 0.002,
    answers: () => 0,
    change: (r) => ({ ...r, toleranceCents: 3 }),
  },
  { name: 'one misread', stray: (lug, round) => (lug === 2 + round ? 260 : 0) },
  { name: 'two that disagree', stray: (lug) => (lug === 1 ? 38 : lug === 3 ? -26 : 0) },
  { name: 'few lugs read', stray: (lug, round) => (lug % 3 === round % 3 ? 0 : NaN) },
  { name: 'a rod that does not answer', answers: (rod) => (rod === 1 ? 0 : 1), lugs: [6, 8] },
  { name: 'answers a third of the usual', answers: () => 0.33 },
  { name: 'even where it stands', target: () => ({ level: true }) },
  {
    name: 'uneven on purpose',
    target: (hz, lugs) => ({ hz, offsetTurns: Array.from({ length: lugs }, (_, i) => (i % 2 ? 0.25 : 0)) }),
  },
  { name: 'a ceiling below the target', change: (r) => ({ ...r, head: { ...r.head, ceilingHz: 196 } }) },
  { name: 'known from before', change: (r) => ({ ...r, learned: LEARNED }) },
  { name: 'from slack', startsAt: 0.35, change: (r) => ({ ...r, start: 'slack', slackSchool: 'fingers' }) },
  { name: 'lug by lug', change: (r) => ({ ...r, believe: 'readings' }) },
  {
    name: 'a dial at every lug',
    change: (r, random) => ({
      ...r,
      gaugeError: 1,
      rounds: r.rounds.map((round) => ({
        ...round,
        gauge: r.rounds[0].readingsHz!.map(() => 70 + 12 * random()),
      })),
    }),
  },
  {
    name: 'a dial alone',
    change: (r, random) => ({
      ...r,
      rounds: r.rounds.map(({ turns }) => ({
        gauge: r.rounds[0].readingsHz!.map(() => 70 + 6 * random()),
        pressed: true,
        ...(turns ? { turns } : {}),
      })),
    }),
  },
  {
    name: 'ears alone',
    change: (r, random) => ({
      ...r,
      rounds: [
        {
          ear: r.rounds[0].readingsHz!.map((_, i) =>
            i === 0 ? null : word<Ear>(['much-lower', 'lower', 'alike', 'higher', 'much-higher'], random),
          ),
          earReference: 1,
        },
      ],
    }),
  },
  {
    name: 'felt by hand as well',
    change: (r, random) => ({
      ...r,
      rounds: r.rounds.map((round) => ({
        ...round,
        feel: round.readingsHz!.map(() => word<Feel | null>(['loose', 'alike', 'tight', null], random)),
      })),
    }),
  },
  {
    name: 'a microphone that stands still',
    change: (r) => ({ ...r, rounds: r.rounds.map((round) => ({ ...round, mic: 'standing' as const })) }),
  },
]

const LEARNED = { hz2PerTurn: 52_000, hz2PerTurnError: 3_000, secondAnswer: 0.8, secondAnswerError: 0.06 }

function requestOf({ lugs: some = [6, 8, 10], ...kind }: Kind, seed: number): EvenRequest {
  const random = seededRandom(500 + seed)
  const lugs = some[seed % some.length]
  const hz = 150 + 90 * random.uniform()
  const head: EvenHead = {
    ...{
      side: 'batter',
      diameterInches: seed % 3 ? 13 : 16,
      lugs,
      hoop: seed % 2 ? 'die-cast' : 'triple-flanged',
    },
    ...{ threadPitchMm: 1.058, pliesMils: [10] },
  }
  let mean = ((kind.startsAt ?? 1) * hz * 2 ** (random.normal() * (kind.off ?? 0.05))) ** 2
  const size = mean * (kind.uneven ?? 0.05) * random.uniform()
  const axis = 6.28 * random.uniform()
  let [cosine, sine] = [size * Math.cos(axis), size * Math.sin(axis)]
  const rounds: Round[] = []
  const passes = seed % 4
  for (let round = 0; round <= passes; round++) {
    const readingsHz = Array.from({ length: lugs }, (_, lug) => {
      const angle = (4 * Math.PI * lug) / lugs
      const cents = (kind.stray?.(lug, round, random.uniform) ?? 0) + 1.5 * random.normal()
      const at = Math.sqrt(mean + cosine * Math.cos(angle) + sine * Math.sin(angle))
      return Number.isNaN(cents) ? null : at * 2 ** (cents / 1200)
    })
    const last = round === passes
    const turns = Array.from({ length: lugs }, () => Math.round(6 * random.uniform() - 1) / 32)
    rounds.push({ readingsHz, readingErrorCents: 2, pressed: true, ...(last ? {} : { turns }) })
    turns.forEach((turn, rod) => {
      const moved = ((kind.answers?.(rod) ?? 1) * turn * 60_000) / lugs
      const angle = (4 * Math.PI * rod) / lugs
      mean += moved
      cosine += 1.5 * moved * Math.cos(angle)
      sine += 1.5 * moved * Math.sin(angle)
    })
  }
  const target = kind.target?.(hz, lugs) ?? { hz }
  const request: EvenRequest = { head, target, keys: seed % 2 ? 2 : 1, rounds }
  return kind.change?.(request, random.uniform) ?? request
}

function lineOf(kind: Kind): string {
  const answers = Array.from({ length: HISTORIES }, (_, seed) => even(requestOf(kind, seed)))
  const sum = (of: (answer: EvenAnswer) => number) => answers.reduce((all, answer) => all + of(answer), 0)
  const mean = (of: (answer: EvenAnswer) => number) => (sum(of) / HISTORIES).toFixed(1)
  const all = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)
  const reasons = new Map<string, number>()
  for (const { reason, done } of answers) {
    const said = `${reason ?? 'pass'}${done ? '!' : ''}`
    reasons.set(said, (reasons.get(said) ?? 0) + 1)
  }
  return [
    kind.name.padEnd(31),
    `up ${Math.round(32 * sum(({ turns }) => all(turns.filter((t) => t > 0))))}`,
    `down ${Math.round(32 * sum(({ turns }) => -all(turns.filter((t) => t < 0))))}`,
    `moves ${sum(({ steps }) => steps.length)}`,
    `tap ${sum(({ readNext }) => readNext.length)}`,
    `feel ${sum(({ ask }) => ask.length)}`,
    `out ${sum(({ leftOut }) => leftOut.length)}`,
    `enough ${sum(({ enough }) => Number(enough))}`,
    `spread ${mean(({ spreadCents }) => spreadCents)} ± ${mean(({ spreadErrorCents }) => spreadErrorCents)}`,
    `then ${mean(({ likelySpreadCents }) => likelySpreadCents)} to ${mean(({ withinSpreadCents }) => withinSpreadCents)}`,
    `lugs ± ${mean(({ predictedErrorCents }) => all(predictedErrorCents) / predictedErrorCents.length)}`,
    `rods ± ${(32 * (sum(({ rods }) => rods[0].error) / HISTORIES)).toFixed(2)}/32`,
    [...reasons]
      .sort()
      .map(([reason, count]) => `${count} ${reason}`)
      .join(', '),
  ].join(' ')
}

test('what is answered to histories of every kind', () => {
  expect(KINDS.map(lineOf)).toMatchInlineSnapshot(`
   [
     "well read                       up 93 down 630 moves 134 tap 87 feel 132 out 0 enough 24 spread 80.4 ± 3.0 then 33.3 to 53.1 lugs ± 27.7 rods ± 3.73/32 24 pass",
     "four and five lugs              up 50 down 389 moves 80 tap 81 feel 36 out 0 enough 24 spread 76.2 ± 5.8 then 41.4 to 63.8 lugs ± 28.5 rods ± 2.50/32 1 no-turn-helps!, 23 pass",
     "nearly even                     up 27 down 417 moves 99 tap 66 feel 82 out 0 enough 24 spread 11.4 ± 1.8 then 4.6 to 9.2 lugs ± 6.3 rods ± 1.80/32 22 pass, 2 within-tolerance!",
     "nearly even, tight tolerance    up 88 down 91 moves 67 tap 60 feel 32 out 0 enough 24 spread 4.2 ± 1.5 then 4.5 to 7.9 lugs ± 3.7 rods ± 1.81/32 2 no-turn-helps!, 20 pass, 2 within-tolerance!",
     "one misread                     up 91 down 582 moves 128 tap 90 feel 120 out 24 enough 24 spread 86.3 ± 8.6 then 42.4 to 66.5 lugs ± 30.7 rods ± 4.05/32 22 pass, 2 readings-disagree",
     "two that disagree               up 79 down 414 moves 99 tap 91 feel 90 out 9 enough 24 spread 74.4 ± 6.3 then 38.2 to 55.6 lugs ± 22.1 rods ± 3.51/32 16 pass, 8 readings-disagree",
     "few lugs read                   up 74 down 443 moves 99 tap 95 feel 86 out 0 enough 0 spread 76.3 ± 24.9 then 57.7 to 101.1 lugs ± 33.8 rods ± 3.15/32 8 need-readings, 16 pass",
     "a rod that does not answer      up 106 down 594 moves 118 tap 84 feel 126 out 0 enough 24 spread 96.6 ± 3.8 then 51.9 to 73.9 lugs ± 24.0 rods ± 3.43/32 24 pass",
     "answers a third of the usual    up 167 down 550 moves 149 tap 83 feel 126 out 0 enough 24 spread 52.6 ± 2.2 then 13.2 to 25.3 lugs ± 14.3 rods ± 3.72/32 24 pass",
     "even where it stands            up 284 down 167 moves 124 tap 83 feel 112 out 0 enough 24 spread 80.4 ± 3.0 then 23.8 to 44.5 lugs ± 11.7 rods ± 3.73/32 23 pass, 1 within-tolerance!",
     "uneven on purpose               up 177 down 718 moves 150 tap 87 feel 132 out 0 enough 24 spread 75.5 ± 6.5 then 36.3 to 57.4 lugs ± 27.9 rods ± 3.69/32 23 pass, 1 readings-disagree",
     "a ceiling below the target      up 18 down 1051 moves 138 tap 87 feel 142 out 0 enough 24 spread 80.4 ± 3.0 then 54.0 to 71.0 lugs ± 44.3 rods ± 3.73/32 24 pass",
     "known from before               up 37 down 630 moves 135 tap 87 feel 112 out 0 enough 24 spread 81.5 ± 2.8 then 21.9 to 38.7 lugs ± 19.4 rods ± 1.81/32 24 pass",
     "from slack                      up 1334 down 1 moves 141 tap 87 feel 138 out 2 enough 24 spread 219.7 ± 9.2 then 107.7 to 132.3 lugs ± 90.2 rods ± 2.57/32 23 pass, 1 readings-disagree",
     "lug by lug                      up 32 down 393 moves 129 tap 83 feel 100 out 0 enough 24 spread 80.4 ± 3.0 then 72.3 to 82.9 lugs ± 46.0 rods ± 3.73/32 1 no-turn-helps, 23 pass",
     "a dial at every lug             up 95 down 641 moves 121 tap 87 feel 112 out 0 enough 24 spread 80.4 ± 3.0 then 33.5 to 53.4 lugs ± 27.9 rods ± 2.07/32 24 pass",
     "a dial alone                    up 72 down 86 moves 90 tap 82 feel 18 out 0 enough 0 spread 14.0 ± 256.5 then 3.4 to 23.2 lugs ± 1617.4 rods ± 1.32/32 22 pass, 2 within-tolerance!",
     "ears alone                      up 7 down 7 moves 9 tap 77 feel 2 out 0 enough 24 spread 24.9 ± 220.5 then 10.4 to 64.3 lugs ± 1731.7 rods ± 1.74/32 1 no-turn-helps, 3 pass, 20 readings-disagree",
     "felt by hand as well            up 102 down 638 moves 135 tap 87 feel 78 out 0 enough 24 spread 80.4 ± 3.0 then 33.3 to 52.9 lugs ± 27.6 rods ± 1.58/32 24 pass",
     "a microphone that stands still  up 37 down 562 moves 97 tap 80 feel 92 out 4 enough 24 spread 59.7 ± 33.5 then 58.8 to 133.7 lugs ± 39.0 rods ± 1.99/32 18 pass, 6 readings-disagree",
   ]
  `)
}, 60_000)
