import { nextQuestions, rankCauses, WRONG_ANSWERS, type FaultAnswer } from '@/core/fitting/faults'
import { CAUSE_IDS, CAUSES, type CauseId } from '@/core/fitting/causes'
import { QUESTIONS } from '@/core/fitting/questions'
import type { PracticeDrum } from '@/core/practice/drum'
import { usualLugHz } from '@/core/kit/usual'
import { answerWithSlips } from '@/core/practice/answers'
import { plant } from '@/core/practice/plant'
import { observe } from '@/core/practice/troubles'
import { seededRandom } from '@/core/numeric/random'
import { usualDrum } from '@/core/records/usualDrum'
import { median, printTable } from './stats'

/** Questions or readings after the complaint. */
const MOST_QUESTIONS = 4
const SEEDS = 20
/** Other drums than those on which the table's words were weighed. */
const FIRST_SEED = 1000
/** Every drum is asked about so often, each time with other answers wrong. */
const TALKS = 10
const SIZES = [10, 12, 13, 14, 16]

/** A drum with one hidden fault, looked over from all sides. */
function hidden(cause: CauseId, seed: number) {
  const random = seededRandom(seed * 7919 + 17)
  const only = CAUSES[cause].kinds?.[0]
  const kind = only ?? (seed % 4 === 0 ? 'snare' : 'tom')
  const snare = kind === 'snare'
  const record = usualDrum(snare ? 'snare' : 'tom', snare ? 14 : SIZES[seed % SIZES.length], 'bench')
  const drum: PracticeDrum = {
    seedText: `fault/${cause}/${seed}`,
    diameterInches: record.diameterInches,
    depthInches: record.depthInches,
    lugs: record.lugs,
    hoop: record.batter.hoop,
    threadPitchMm: record.threadPitchMm,
    pliesMils: record.batter.pliesMils,
    otherPliesMils: record.resonant.pliesMils,
  }
  const evenHz =
    usualLugHz({ ...drum, kind: 'tom', batterMils: drum.pliesMils }, 'batter') *
    (0.9 + 0.25 * random.uniform())
  return { kind, seen: observe(plant(drum, evenHz, snare, cause, seed)) }
}

/** The complaint and at most four questions; what is ranked first, and how long it took. */
function findFault({ kind, seen }: ReturnType<typeof hidden>, seed: number, wrongPart: number) {
  const random = seededRandom(seed)
  const answers: FaultAnswer[] = []
  let minutes = 0
  for (let asked = 0; asked <= MOST_QUESTIONS; asked++) {
    const [question] = nextQuestions(answers, kind)
    if (!question) break
    const options = Object.keys(QUESTIONS[question].answers)
    answers.push({ question, answer: answerWithSlips(question, seen, options, wrongPart, random) })
    minutes += QUESTIONS[question].minutes
  }
  return { first: rankCauses(answers, kind)[0], answers, minutes }
}

/** Faults found on the practice drum, one row a cause. */
export function benchFaults(): void {
  const rows: string[][] = []
  const all = { right: 0, exact: 0, count: 0 }
  for (const cause of CAUSE_IDS) {
    const drums = Array.from({ length: SEEDS }, (_, seed) => hidden(cause, FIRST_SEED + seed))
    const runs = drums.flatMap((drum, seed) =>
      Array.from({ length: TALKS }, (_, talk) => findFault(drum, 1000 * talk + seed + 1, WRONG_ANSWERS)),
    )
    const exact = drums.map((drum, seed) => findFault(drum, seed + 1, 0))
    const right = runs.filter(({ first }) => first.cause === cause)
    const rightExact = exact.filter(({ first }) => first.cause === cause)
    const wrong = runs.filter(({ first }) => first.cause !== cause).map(({ first }) => first.cause)
    const named = runs.filter(({ first }) => first.odds > 0.8)
    all.right += right.length
    all.exact += rightExact.length
    all.count += SEEDS
    rows.push([
      cause,
      `${Math.round((100 * right.length) / runs.length)}%`,
      `${Math.round((100 * rightExact.length) / SEEDS)}%`,
      median(runs.map(({ minutes }) => minutes)).toFixed(1),
      `${named.length ? Math.round((100 * named.filter(({ first }) => first.cause === cause).length) / named.length) : 0}% of ${named.length}`,
      mostCommon(wrong),
    ])
  }
  rows.push([
    'all',
    `${Math.round((100 * all.right) / all.count / TALKS)}%`,
    `${Math.round((100 * all.exact) / all.count)}%`,
    '',
    '',
    '',
  ])
  printTable(
    `Faults hidden in the practice drum, ${SEEDS} a cause, rare as often as common: ranked first after the complaint and ${MOST_QUESTIONS} questions`,
    [
      'cause',
      'first, 1 in 10 wrong',
      'first, none wrong',
      'minutes',
      'right where named (over 80%)',
      'taken for',
    ],
    rows,
  )
}

function mostCommon(names: readonly string[]): string {
  const counts = new Map<string, number>()
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1)
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 2)
    .map(([name, count]) => `${name} ${count}`)
    .join(', ')
}
