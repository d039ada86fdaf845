import { even } from '@/core/evening/even'
import type { EvenAnswer, EvenRequest } from '@/core/evening/types'
import { spreadCents } from '@/core/head/harmonics'
import type { Learned, Round } from '@/core/head/types'
import { turnLawPrior } from '@/core/membrane/turnLaw'
import type { Faults } from '@/core/practice/nature'
import { seededRandom } from '@/core/numeric/random'
import { centsBetween } from '@/core/units/pitch'
import { drumOf, HEADS, type BenchHead } from './heads'
import { oracle } from './oracle'
import { median, medianMs, printTable, quantile } from './stats'

const MOST_PASSES = 6
const TOLERANCE_CENTS = 5
const UNDER_CENTS = 6
/** Unevenness of the edge tension that a hand's own error makes: 1/64 of the turn or so that holds a head. */
const HAND_SHARE = 0.015

export type Way = (
  request: EvenRequest,
  head: BenchHead,
  drum: ReturnType<typeof drumOf>,
) => { turns: number[]; answer: EvenAnswer | null } | null

const humbra: Way = (request) => {
  const answer = even(request)
  return { turns: answer.turns.some((turn) => turn !== 0) ? answer.turns : [], answer }
}

/** What many do: each lug by its own error, as if a rod moved its own lug alone. */
const eachByItself: Way = ({ rounds, target }, head) => {
  const hz = (target as { hz: number }).hz
  const k = turnLawPrior(head.inches).mean
  const turns = rounds.at(-1)!.readingsHz!.map((reading) => {
    const turn = reading === null ? 0 : (hz * hz - reading ** 2) / k
    return Math.max(-0.5, Math.min(0.5, Math.round(turn * 32) / 32))
  })
  return turns.every((turn) => turn === 0) ? null : { turns, answer: null }
}

/** The careful school: lugs that read low go up by an eighth. */
const lowOnesUp: Way = ({ rounds, target }) => {
  const hz = (target as { hz: number }).hz
  const turns = rounds
    .at(-1)!
    .readingsHz!.map((reading) => (reading !== null && centsBetween(hz, reading) < -5 ? 1 / 8 : 0))
  return turns.every((turn) => turn === 0) ? null : { turns, answer: null }
}

interface Run {
  /** True spread found, and after every pass. */
  spreads: number[]
  end: number
  offCents: number
  rods: number
  covered: number
  forecasts: number
  wrongDone: boolean
  saidDone: boolean
  /** Relative unevenness of the edge tension, found and at the end. */
  edgeBefore: number
  edgeAfter: number
  /** Furthest above the target that the mean came, in cents. */
  overCents: number
  /** Rods were said not to answer; on these heads all do. */
  falseAlarm: boolean
  learned: Learned | null
  /** Rods named after two turns without an answer, and the pass in which they were. */
  named: number[] | null
  namedAfter: number
  /** Time of a hand: 3 s a tap, 5 s a move, 4 s a press. */
  seconds: number
  /** Called done, and truly within 10 cents in spread and mean. */
  finished: boolean
}

/** What goes wrong on a sound head: a rod turned for another, said or not, or a microphone that stood still, unsaid. */
type Mishap = 'unsaid' | 'noted' | 'standing'
const MISHAP_PASS = 1

/** The largest turn of a pass, made on the next rod. */
function onWrongRod(turns: readonly number[]): number[] {
  const rod = turns.reduce((best, turn, i) => (Math.abs(turn) > Math.abs(turns[best]) ? i : best), 0)
  const next = (rod + 1) % turns.length
  return turns.map((turn, i) => (i === rod ? turns[next] : i === next ? turns[rod] : turn))
}

const unevenness = (values: readonly number[]) => {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length
  return Math.sqrt(values.reduce((sum, v) => sum + (v / mean - 1) ** 2, 0) / values.length)
}

function runOne(
  way: Way,
  head: BenchHead,
  kind: 'poles' | 'bare',
  {
    taps,
    learned,
    faults,
    mishap,
  }: { taps?: number; learned?: Learned | null; faults?: Faults; mishap?: Mishap } = {},
): Run {
  const drum = drumOf(head, faults)
  const rounds: Round[] = []
  const found = drum.truth()
  const run: Run = {
    ...{ spreads: [], end: 0, offCents: 0, rods: 0, covered: 0, forecasts: 0 },
    ...{ wrongDone: false, saidDone: false, edgeBefore: unevenness(found.edgeTension), edgeAfter: 0 },
    ...{
      overCents: 0,
      learned: null,
      falseAlarm: false,
      named: null,
      namedAfter: 0,
      seconds: 0,
      finished: false,
    },
  }
  let last: EvenAnswer | null = null
  let wanted: number[] | null = null
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    const { lugHz, meanHz } = drum.truth()
    run.overCents = Math.max(run.overCents, centsBetween(head.hz, meanHz))
    run.spreads.push(spreadCents(lugHz))
    lugHz.forEach((truth, i) => {
      if (!last) return
      run.forecasts++
      if (Math.abs(centsBetween(last.predictedHz[i], truth)) < 1.96 * last.predictedErrorCents[i])
        run.covered++
    })
    const asked = taps === undefined ? null : (wanted ?? firstLugs(head.lugs, taps))
    rounds.push(drum.read(kind, asked, mishap === 'standing'))
    const request: EvenRequest = {
      head: {
        ...{ side: 'batter', diameterInches: head.inches, lugs: head.lugs, hoop: head.hoop },
        ...{ threadPitchMm: 1.058, pliesMils: head.pliesMils },
      },
      ...{ target: { hz: head.hz }, keys: 2, largestStepTurns: 0.5, toleranceCents: TOLERANCE_CENTS },
      rounds,
      ...(learned ? { learned } : {}),
    }
    const move = way(request, head, drum)
    const newest = rounds.at(-1)!
    run.seconds += 3 * (newest.readings?.length ?? newest.readingsHz!.filter((hz) => hz !== null).length)
    const { reason, suspects } = move?.answer ?? {}
    if (reason === 'suspect-rod' && suspects!.every(({ turns }) => turns >= 2) && !run.named) {
      run.named = suspects!.map(({ rod }) => rod)
      run.namedAfter = pass
    }
    run.falseAlarm ||= move?.answer?.reason === 'suspect-rod'
    run.learned = move?.answer?.learned ?? null
    if (move?.answer?.done) {
      run.saidDone = move.answer.reason === 'within-tolerance'
      const off = Math.abs(centsBetween(head.hz, meanHz))
      run.wrongDone = spreadCents(lugHz) > 2 * TOLERANCE_CENTS || off > 2 * TOLERANCE_CENTS
      run.finished = !run.wrongDone
    }
    if (!move || move.turns.length === 0) break
    last = move.answer
    if (taps !== undefined && last) wanted = last.readNext.slice(0, taps)
    const made = pass === MISHAP_PASS && mishap ? onWrongRod(move.turns) : move.turns
    rounds.at(-1)!.turns = mishap === 'noted' ? made : move.turns
    run.rods += move.turns.filter((turn) => turn !== 0).length
    drum.turn(mishap === 'standing' ? move.turns : made)
    run.seconds += 5 * (move.answer?.steps.length ?? 0) + 4
  }
  const truth = drum.truth()
  run.end = spreadCents(truth.lugHz)
  run.offCents = Math.abs(centsBetween(head.hz, truth.meanHz))
  run.edgeAfter = unevenness(truth.edgeTension)
  return run
}

/** The first lugs to tap before anything is known: neighbours and one across, which tell the wave. */
function firstLugs(lugs: number, taps: number): number[] {
  return even({
    head: {
      side: 'batter',
      diameterInches: 14,
      lugs,
      hoop: 'triple-flanged',
      threadPitchMm: 1.058,
      pliesMils: [10],
    },
    target: { level: true },
    rounds: [{ readingsHz: new Array<null>(lugs).fill(null) }],
  }).readNext.slice(0, taps)
}

const oracleWay: Way = (request, head, drum) => {
  const turns = oracle(head, request, drum)
  return turns ? { turns, answer: null } : null
}

const after = (runs: readonly Run[], pass: number) =>
  runs.map((run) => run.spreads[Math.min(pass, run.spreads.length - 1)])

function row(name: string, runs: readonly Run[], best: readonly Run[]): string[] {
  const percent = (part: number, whole: number) => (whole ? `${Math.round((100 * part) / whole)}%` : '–')
  const spread = (values: readonly number[]) =>
    `${median(values).toFixed(1)} / ${quantile(values, 0.9).toFixed(1)}`
  const under = runs.map((run) => {
    const pass = run.spreads.findIndex((value) => value < UNDER_CENTS)
    return pass === -1 ? MOST_PASSES : pass
  })
  const total = (key: 'covered' | 'forecasts') => runs.reduce((sum, run) => sum + run[key], 0)
  const ends = best.map((run) => run.end)
  const toEnd = runs.map((run, i) => {
    const pass = run.spreads.findIndex((value) => value <= Math.max(ends[i], TOLERANCE_CENTS))
    return pass === -1 ? MOST_PASSES : pass
  })
  return [
    name,
    median(after(runs, 0)).toFixed(0),
    ...[1, 2, 3].map((pass) => spread(after(runs, pass))),
    spread(runs.map((run) => run.end)),
    (median(after(runs, 2)) / median(after(best, 2))).toFixed(2),
    `${median(under)} / ${quantile(under, 0.9)}`,
    quantile(toEnd, 0.9).toFixed(0),
    median(runs.map((run) => run.offCents)).toFixed(1),
    quantile(
      runs.map((run) => run.overCents),
      0.9,
    ).toFixed(0),
    (runs.reduce((sum, run) => sum + run.rods, 0) / runs.length).toFixed(1),
    percent(total('covered'), total('forecasts')),
    percent(runs.filter((run) => run.wrongDone).length, runs.filter((run) => run.saidDone).length),
    `${(100 * median(runs.map((run) => run.edgeBefore))).toFixed(1)} → ${(100 * median(runs.map((run) => run.edgeAfter))).toFixed(1)}`,
    percent(runs.filter((run) => run.edgeAfter > run.edgeBefore + HAND_SHARE).length, runs.length),
    percent(runs.filter((run) => run.falseAlarm).length, runs.length),
  ]
}

const HEADER = [
  ...[
    'heads and way',
    'found',
    '1 pass',
    '2',
    '3',
    'end',
    '2 / oracle',
    'to 6 c',
    'to oracle',
    'off',
    'over',
  ],
  ...['rods', 'covered', 'false done', 'edge %', 'edge worse', 'false alarm'],
]

export function benchEvening(): void {
  const ways: Array<[string, Way, 'poles' | 'bare']> = [
    ['poles given', humbra, 'poles'],
    ['bare numbers', humbra, 'bare'],
    ['oracle', oracleWay, 'bare'],
    ['each by itself', eachByItself, 'bare'],
    ['low ones up 1/8', lowOnesUp, 'bare'],
  ]
  const groups: Array<[string, (head: BenchHead) => boolean]> = [
    ['all', () => true],
    ['12 to 14 in, 200 Hz and up', ({ inches, hz }) => inches >= 12 && inches <= 14 && hz >= 200],
    ...[8, 10, 12, 13, 14, 16, 18, 22].map((size): [string, (head: BenchHead) => boolean] => [
      `${size} in`,
      ({ inches }) => inches === size,
    ]),
    ...(['from slack', 'slightly out', 'one rod far out', 'one side backed off'] as const).map(
      (start): [string, (head: BenchHead) => boolean] => [start, (head) => head.start === start],
    ),
  ]
  const runs = ways.map(([, way, kind]) => HEADS.map((head) => runOne(way, head, kind)))
  const best = runs[2]
  const again = HEADS.map((head, i) => runOne(humbra, head, 'poles', { learned: runs[0][i].learned }))
  const rows: string[][] = groups.flatMap(([name, belongs]) => {
    const pick = (all: readonly Run[]) => all.filter((_, i) => belongs(HEADS[i]))
    const shown = name === 'all' || name.startsWith('12 to') ? ways.length : 3
    return ways
      .slice(0, shown)
      .map(([way], i) =>
        row(i === 0 ? `${name} (${pick(best).length}): ${way}` : `  ${way}`, pick(runs[i]), pick(best)),
      )
  })
  rows.unshift(row('all: poles given, the drum known from a session before', again, best))
  printTable(
    `True spread in cents, median / 90%, on ${HEADS.length} heads of the practice drum; see bench/heads.ts for the mix`,
    HEADER,
    rows,
  )
  const few = HEADS.filter(({ lugs }) => lugs === 8 || lugs === 10)
  const fewBest = best.filter((_, i) => few.includes(HEADS[i]))
  printTable('Four taps a pass, heads with 8 and 10 lugs', HEADER, [
    row(
      `four taps (${few.length})`,
      few.map((head) => runOne(humbra, head, 'poles', { taps: 4 })),
      fewBest,
    ),
    row(
      'all taps',
      runs[0].filter((_, i) => few.includes(HEADS[i])),
      fewBest,
    ),
    row('oracle', fewBest, fewBest),
  ])
}

/** Which rods are accused on heads where all are sound, and named where one is dead; and what a head costs a hand. */
export function benchRods(): void {
  const percent = (part: number, whole: number) => `${((100 * part) / whole).toFixed(1)}%`
  const sound = (kind: 'poles' | 'bare', mishap?: Mishap) => {
    const runs = HEADS.map((head) => runOne(humbra, head, kind, { taps: 4, ...(mishap ? { mishap } : {}) }))
    return [
      String(runs.length),
      String(runs.filter(({ named }) => named).length),
      String(runs.filter(({ falseAlarm }) => falseAlarm).length),
      String(runs.filter(({ wrongDone }) => wrongDone).length),
      percent(runs.filter(({ finished }) => finished).length, runs.length),
      `${median(runs.map(({ seconds }) => seconds))} s`,
    ]
  }
  printTable(
    'Sound heads, four taps a pass: rods accused (named) and suspected, falsely done; a hand’s time',
    ['heads', 'number', 'accused', 'suspected', 'falsely done', 'truly finished', 'hand, median'],
    (['poles', 'bare'] as const).flatMap((kind) => [
      [`${kind}, as they come`, ...sound(kind)],
      [`  a wrong rod turned, unsaid`, ...sound(kind, 'unsaid')],
      [`  a wrong rod turned, noted`, ...sound(kind, 'noted')],
      [`  a microphone standing still, unsaid`, ...sound(kind, 'standing')],
    ]),
  )
  printTable(
    'Heads with one dead rod, all lugs tapped: named (it or its opposite)',
    [
      'readings',
      'dead rods',
      'named',
      'within 3 passes',
      'another named',
      'ended even all the same',
      'falsely done',
    ],
    (['poles', 'bare'] as const).map((kind) => {
      const heads = HEADS.filter((_, i) => i % 2 === (kind === 'bare' ? 1 : 0))
      const runs = heads.map((head) => {
        const rod = 1 + (head.seed % head.lugs)
        const run = runOne(humbra, head, kind, { faults: { strippedRods: [rod] } })
        const own = [rod, 1 + ((rod - 1 + head.lugs / 2) % head.lugs)]
        return { run, right: run.named?.some((each) => own.includes(each)) ?? false }
      })
      const right = runs.filter((one) => one.right)
      return [
        kind,
        String(runs.length),
        percent(right.length, runs.length),
        percent(right.filter(({ run }) => run.namedAfter <= 3).length, runs.length),
        String(runs.filter((one) => one.run.named && !one.right).length),
        percent(runs.filter(({ run }) => run.finished).length, runs.length),
        String(runs.filter(({ run }) => run.wrongDone).length),
      ]
    }),
  )
}

/** Time from a whole history to the next pass. */
export function benchAdviceTime(): void {
  const rows = [4, 6, 8, 10, 12].map((lugs) => {
    const hz = 200
    const random = seededRandom(3)
    const rounds: Round[] = Array.from({ length: 4 }, (_, i) => ({
      readingsHz: Array.from({ length: lugs }, () => hz * (1 + 0.01 * random.normal())),
      pressed: true,
      ...(i < 3 ? { turns: new Array<number>(lugs).fill(0.03125) } : {}),
    }))
    const ms = medianMs(() => {
      even({
        head: {
          ...{ side: 'batter', diameterInches: 14, lugs, hoop: 'triple-flanged', threadPitchMm: 1.058 },
          pliesMils: [10],
        },
        ...{ target: { hz }, keys: 2, rounds },
      })
    })
    return [`${lugs} lugs`, `${ms.toFixed(1)} ms`]
  })
  const random = seededRandom(4)
  const any = (low: number, high: number) => low + (high - low) * random.uniform()
  const worst = (hz: (lug: number) => number) =>
    Array.from({ length: 200 }, (_, i): Round => ({
      ...{ readingsHz: Array.from({ length: 20 }, (_, lug) => hz(lug)), pressed: true },
      gauge: Array.from({ length: 20 }, () => any(60, 90)),
      feel: Array.from(
        { length: 20 },
        () => (['loose', 'alike', 'tight', null] as const)[Math.floor(any(0, 4))],
      ),
      ...(i < 199 ? { turns: Array.from({ length: 20 }, () => Math.floor(any(-1, 3)) / 8) } : {}),
    }))
  const ways: Array<[string, Round[]]> = [
    ['200 rounds at random', worst(() => any(120, 260))],
    [
      '200 rounds, each a head, none the one before',
      worst((lug) => any(199, 201) + 8 * Math.cos(0.63 * lug)),
    ],
  ]
  for (const [name, rounds] of ways) {
    const head = {
      ...{ side: 'batter' as const, diameterInches: 14, lugs: 20, hoop: 'triple-flanged' as const },
      ...{ threadPitchMm: 1.058, pliesMils: [10] },
    }
    rows.push([
      `20 lugs, ${name}`,
      `${medianMs(() => even({ head, target: { hz: 200 }, rounds })).toFixed(0)} ms`,
    ])
  }
  printTable('Four rounds of readings to advice, and far too many; median', ['head', 'time'], rows)
}
