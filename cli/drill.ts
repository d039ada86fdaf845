import { createInterface } from 'node:readline'
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { DRILLS, type DrillId } from '@/core/ear/kinds'
import { nextTrial } from '@/core/ear/drill'
import { resultOf, withAnswer, type DrillRun } from '@/core/ear/result'
import { soundsOf } from '@/core/ear/sound'
import { USUAL_DRILL_DRUM, type Trial } from '@/core/ear/trial'
import { DRILL_IDS } from '@/core/records/drill'
import { encodeWav } from '@/core/sound/wav'
import { numberOption, readOptions, unwritable, usage, writeLine } from './options'

const HELP = `humbra drill --kind ${DRILL_IDS.join('|')} [options]

An ear drill without a screen: writes a trial a line, reads {"answer":"..."} a line, and after the last trial writes
what this ear tells apart: the difference heard rightly in 75% of trials by a listener without lapses (midway between
guessing and always, where there are more than two answers).
  --trials 40 --seed 1
  --diameter 12 --depth 8 --lugs 6 --hz 180    the drum
  --out FOLDER           writes every tap as a WAV there, and says which; without it the trials are only told
`

const NAMES = ['kind', 'trials', 'seed', 'diameter', 'depth', 'lugs', 'hz', 'out']
const RATE_HZ = 48_000
const round = (value: number, places: number) => Number(value.toFixed(places))

export async function drillCommand(args: string[]): Promise<number> {
  const read = readOptions(args, NAMES, HELP)
  if (typeof read === 'number') return read
  const begun = begin(read.values)
  if (typeof begun === 'string') return usage(begun, HELP)
  let { run } = begun
  const { trials, out } = begun
  let trial = ask(run, out)
  if (trial === null) return 1
  let refused = false
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === '') continue
    const answer = answerIn(line, trial)
    if (typeof answer !== 'string') {
      refused = true
      writeLine({ error: answer })
      continue
    }
    run = withAnswer(run, trial, answer)
    if (run.answered.length === trials) {
      writeLine(summary(run))
      // Whoever asked may hold the line open: it is done all the same.
      process.stdin.destroy()
      return refused ? 1 : 0
    }
    const next = ask(run, out)
    if (next === null) {
      process.stdin.destroy()
      return 1
    }
    trial = next
  }
  process.stderr.write(
    `humbra: ${run.answered.length} of ${trials} trials were answered before the input ended\n`,
  )
  if (run.answered.length > 0) writeLine(summary(run))
  return 1
}

function begin(values: Record<string, string | boolean | undefined>) {
  const kind = values.kind ?? 'higher'
  if (!(DRILL_IDS as readonly unknown[]).includes(kind))
    return `--kind takes ${DRILL_IDS.join(' or ')}, not "${String(kind)}"`
  const usual = USUAL_DRILL_DRUM
  const numbers = {
    trials: numberOption(values.trials, 'trials', 1, 400, 40),
    seed: numberOption(values.seed, 'seed', -2147483648, 2147483647, 1),
    diameter: numberOption(values.diameter, 'diameter', 5, 40, usual.diameterInches),
    depth: numberOption(values.depth, 'depth', 1, 60, usual.depthInches),
    lugs: numberOption(values.lugs, 'lugs', 4, 24, usual.lugs),
    hz: numberOption(values.hz, 'hz', 30, 800, usual.lugHz),
  }
  const wrong = Object.values(numbers).find((value) => typeof value === 'string')
  if (typeof wrong === 'string') return wrong
  const { trials, seed, diameter, depth, lugs, hz } = numbers as Record<keyof typeof numbers, number>
  if (![trials, seed, lugs].every(Number.isInteger)) return '--trials, --seed and --lugs take whole numbers'
  const drum = { ...usual, diameterInches: diameter, depthInches: depth, lugs, lugHz: hz }
  const run: DrillRun = { kind: kind as DrillId, drum, seed, answered: [] }
  return { run, trials, out: typeof values.out === 'string' ? values.out : null }
}

/** Tells the next trial, and writes its taps where that is wanted; null where they cannot be written. */
function ask(run: DrillRun, out: string | null): Trial | null {
  const trial = nextTrial(run)
  const number = run.answered.length + 1
  const files: string[] = []
  if (out !== null) {
    try {
      makeFolder(out)
      soundsOf(trial, RATE_HZ).forEach((samples, i) => {
        files.push(join(out, `trial-${number}-${i + 1}.wav`))
        writeFileSync(files[i], encodeWav(samples, RATE_HZ))
      })
    } catch (error) {
      writeLine({ error: { where: out, what: `cannot be written: ${unwritable(error)}` } })
      return null
    }
  }
  writeLine({
    trial: number,
    [DRILLS[run.kind].unit]: trial.level,
    hz: trial.taps.map((tap) => round(tap.hz, 2)),
    ...(files.length ? { files } : {}),
    answers: trial.answers,
    truth: trial.truth,
  })
  return trial
}

/** A folder with those above it. Node's own way of that never ends where a file system answers that there is no such place. */
function makeFolder(path: string): void {
  const folder = resolve(path)
  if (existsSync(folder)) return
  makeFolder(dirname(folder))
  mkdirSync(folder)
}

function answerIn(line: string, { answers }: Trial): string | { where: string; what: string } {
  try {
    const { answer, ...rest } = JSON.parse(line) as { answer?: unknown }
    const [unknown] = Object.keys(rest)
    if (unknown) return { where: unknown, what: 'is not known here: send {"answer":"..."}' }
    if (typeof answer === 'string' && answers.includes(answer)) return answer
    return { where: 'answer', what: `expected ${answers.join(' or ')}; the trial stands` }
  } catch {
    return { where: 'answer', what: 'not JSON: one answer a line, as {"answer":"first"}; the trial stands' }
  }
}

function summary(run: DrillRun) {
  const { threshold, error, lapse, trials, right, byChance, told } = resultOf(run)
  const inTurns = DRILLS[run.kind].unit === 'turns'
  return {
    [inTurns ? 'thresholdTurns' : 'thresholdCents']: told ? round(threshold, inTurns ? 3 : 2) : null,
    [inTurns ? 'errorTurns' : 'errorCents']: told ? round(error, inTurns ? 3 : 2) : null,
    lapses: round(lapse, 3),
    trials,
    right,
    byChance: round(byChance, 4),
    ...(told
      ? {}
      : { why: 'not told apart from guessing, or past what can be played: no threshold is said' }),
  }
}
