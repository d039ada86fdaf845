import { seededRandom } from '../numeric/random'
import type { Ear, EvenHead, Feel, Round } from '../head/types'
import { even } from './even'
import type { EvenAnswer, EvenRequest } from './types'

/**
 * Histories by a plain formula (a mean, two poles, turns that move them) with what people do to them, and what is answered:
 * a table of the choices as they were made. Whoever changes one sees here what follows, and writes it down anew.
 */
const HISTORIES = 16

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
  /** Passes before the newest readings, and the least that each rod was turned up in them, in 32nds. */
  passes?: number
  up?: number
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
  {
    name: 'one that does not, after much turning',
    answers: (rod) => (rod === 2 ? 0 : 1),
    lugs: [5, 6, 8],
    uneven: 0.01,
    passes: 3,
    up: 3,
  },
  {
    name: 'a pair that does not',
    answers: (rod) => (rod % 3 === 1 ? 0 : 1),
    lugs: [6],
    uneven: 0.01,
    passes: 3,
    up: 3,
  },
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
  const passes = kind.passes ?? seed % 4
  for (let round = 0; round <= passes; round++) {
    const readingsHz = Array.from({ length: lugs }, (_, lug) => {
      const angle = (4 * Math.PI * lug) / lugs
      const cents = (kind.stray?.(lug, round, random.uniform) ?? 0) + 1.5 * random.normal()
      const at = Math.sqrt(mean + cosine * Math.cos(angle) + sine * Math.sin(angle))
      return Number.isNaN(cents) ? null : at * 2 ** (cents / 1200)
    })
    const last = round === passes
    const turns = Array.from(
      { length: lugs },
      () => ((kind.up ?? 0) + Math.round(6 * random.uniform() - 1)) / 32,
    )
    rounds.push({ readingsHz, readingErrorCents: 2, pressed: true, ...(last ? {} : { turns }) })
    turns.forEach((turn, rod) => {
      const moved = ((kind.answers?.(rod) ?? 1) * turn * 34_000) / lugs
      const angle = (4 * Math.PI * rod) / lugs
      mean += moved
      cosine += 0.5 * moved * Math.cos(angle)
      sine += 0.5 * moved * Math.sin(angle)
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
    `suspects ${sum(({ suspects }) => suspects.length)} after ${sum(({ suspects }) => all(suspects.map(({ turns }) => turns)))}`,
    [...reasons]
      .sort()
      .map(([reason, count]) => `${count} ${reason}`)
      .join(', '),
  ].join(' ')
}

test('what is answered to histories of every kind', () => {
  expect(KINDS.map(lineOf)).toMatchInlineSnapshot(`
   [
     "well read                       up 92 down 448 moves 90 tap 54 feel 86 out 0 enough 16 spread 44.0 ± 2.1 then 12.3 to 25.2 lugs ± 18.7 rods ± 3.81/32 suspects 0 after 0 16 pass",
     "four and five lugs              up 36 down 242 moves 59 tap 55 feel 26 out 0 enough 16 spread 37.7 ± 2.7 then 12.5 to 25.9 lugs ± 19.2 rods ± 2.60/32 suspects 0 after 0 16 pass",
     "nearly even                     up 40 down 252 moves 70 tap 45 feel 48 out 0 enough 16 spread 7.2 ± 1.7 then 5.8 to 11.1 lugs ± 5.6 rods ± 1.80/32 suspects 0 after 0 15 pass, 1 within-tolerance!",
     "nearly even, tight tolerance    up 64 down 61 moves 48 tap 42 feel 20 out 0 enough 16 spread 4.2 ± 1.5 then 4.7 to 8.2 lugs ± 3.8 rods ± 1.80/32 suspects 0 after 0 1 no-turn-helps!, 14 pass, 1 within-tolerance!",
     "one misread                     up 88 down 397 moves 85 tap 61 feel 76 out 15 enough 16 spread 54.9 ± 9.2 then 23.7 to 40.1 lugs ± 21.4 rods ± 4.23/32 suspects 0 after 0 15 pass, 1 readings-disagree",
     "two that disagree               up 86 down 258 moves 57 tap 58 feel 56 out 8 enough 16 spread 45.0 ± 4.1 then 19.0 to 31.8 lugs ± 13.3 rods ± 3.62/32 suspects 0 after 0 11 pass, 5 readings-disagree",
     "few lugs read                   up 80 down 319 moves 66 tap 61 feel 62 out 0 enough 0 spread 41.8 ± 21.3 then 40.3 to 78.1 lugs ± 29.1 rods ± 3.32/32 suspects 0 after 0 5 need-readings, 11 pass",
     "a rod that does not answer      up 83 down 420 moves 85 tap 55 feel 84 out 0 enough 16 spread 45.4 ± 2.4 then 13.7 to 25.6 lugs ± 17.1 rods ± 3.53/32 suspects 0 after 0 16 pass",
     "one that does not, after much turning up 20 down 456 moves 48 tap 52 feel 24 out 0 enough 16 spread 39.3 ± 3.3 then 39.3 to 45.2 lugs ± 14.4 rods ± 1.81/32 suspects 7 after 12 10 pass, 6 suspect-rod",
     "a pair that does not            up 12 down 356 moves 37 tap 36 feel 46 out 0 enough 16 spread 73.0 ± 5.4 then 54.4 to 63.9 lugs ± 13.8 rods ± 1.82/32 suspects 24 after 59 10 pass, 6 suspect-rod",
     "answers a third of the usual    up 241 down 410 moves 95 tap 53 feel 88 out 0 enough 16 spread 42.3 ± 2.0 then 19.3 to 35.2 lugs ± 15.3 rods ± 3.83/32 suspects 0 after 0 16 pass",
     "even where it stands            up 191 down 141 moves 89 tap 54 feel 70 out 0 enough 16 spread 44.0 ± 2.1 then 9.8 to 22.5 lugs ± 7.6 rods ± 3.81/32 suspects 0 after 0 16 pass",
     "uneven on purpose               up 160 down 487 moves 104 tap 57 feel 84 out 0 enough 16 spread 44.1 ± 4.9 then 20.3 to 32.5 lugs ± 18.6 rods ± 3.78/32 suspects 0 after 0 16 pass",
     "a ceiling below the target      up 4 down 739 moves 93 tap 55 feel 88 out 0 enough 16 spread 44.0 ± 2.1 then 31.5 to 41.1 lugs ± 31.4 rods ± 3.81/32 suspects 0 after 0 16 pass",
     "known from before               up 40 down 314 moves 87 tap 58 feel 70 out 0 enough 16 spread 44.5 ± 2.3 then 14.8 to 27.5 lugs ± 14.9 rods ± 1.81/32 suspects 0 after 0 16 pass",
     "from slack                      up 1008 down 0 moves 95 tap 58 feel 96 out 0 enough 16 spread 71.5 ± 2.7 then 36.4 to 49.5 lugs ± 102.1 rods ± 2.56/32 suspects 0 after 0 16 pass",
     "lug by lug                      up 32 down 263 moves 96 tap 53 feel 70 out 0 enough 16 spread 44.0 ± 2.1 then 37.7 to 43.8 lugs ± 35.4 rods ± 3.81/32 suspects 0 after 0 16 pass",
     "a dial at every lug             up 101 down 458 moves 86 tap 55 feel 64 out 0 enough 16 spread 44.0 ± 2.1 then 12.4 to 25.5 lugs ± 18.7 rods ± 2.18/32 suspects 0 after 0 16 pass",
     "a dial alone                    up 46 down 55 moves 60 tap 52 feel 14 out 0 enough 0 spread 13.1 ± 5.6 then 9.1 to 16.0 lugs ± 4.2 rods ± 1.33/32 suspects 0 after 0 14 pass, 2 within-tolerance!",
     "ears alone                      up 7 down 7 moves 9 tap 49 feel 2 out 0 enough 16 spread 28.5 ± 11.5 then 31.2 to 47.0 lugs ± 7.3 rods ± 1.74/32 suspects 0 after 0 1 no-turn-helps, 3 pass, 12 readings-disagree",
     "felt by hand as well            up 102 down 460 moves 92 tap 55 feel 50 out 0 enough 16 spread 44.0 ± 2.1 then 12.4 to 25.5 lugs ± 18.7 rods ± 1.69/32 suspects 0 after 0 16 pass",
     "a microphone that stands still  up 16 down 394 moves 71 tap 55 feel 62 out 4 enough 16 spread 28.6 ± 22.1 then 31.5 to 73.7 lugs ± 26.2 rods ± 1.96/32 suspects 0 after 0 12 pass, 4 readings-disagree",
   ]
  `)
}, 60_000)
