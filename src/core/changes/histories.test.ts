import { even } from '../evening/even'
import type { EvenAnswer, EvenRequest } from '../evening/types'
import type { Ear, EvenHead, Feel, Round } from '../head/types'
import { seededRandom } from '../numeric/random'
import { EVENING, holds, type Lines } from '@ref/changes/held'

/**
 * Histories by a plain formula (a mean, two poles, turns that move them) with what people do to them, and what is answered:
 * a line a kind of history.
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

const historiesAnswered = (): Lines =>
  Object.fromEntries(KINDS.map((kind) => [`histories: ${kind.name}`, lineOf(kind)]))

holds('histories', EVENING, historiesAnswered)
