import { DRILLS } from '@/core/ear/kinds'
import { nextLevel } from '@/core/ear/result'
import { TiredWatch } from '@/core/ear/tired'
import { Staircase } from '@/core/ear/staircase'
import { beginUpDown, stepUpDown, upDownThreshold } from '@ref/upDown'
import { seededRandom, type Random } from '@/core/numeric/random'
import { median, printTable } from './stats'

/**
 * Listeners whose law is not the one that the staircase assumes: a Weibull function (Wichmann & Hill 2001; from memory)
 * where it believes in a logistic one. Their threshold is the difference heard in half of the trials, 75% right without
 * lapses.
 */
interface MadeListener {
  threshold: number
  slope: number
  lapse: number
}

function madeListener(random: Random): MadeListener {
  return {
    threshold: 3 * (80 / 3) ** random.uniform(),
    slope: 1.2 + 2.8 * random.uniform(),
    lapse: 0.06 * random.uniform(),
  }
}

function answersRight(level: number, { threshold, slope, lapse }: MadeListener, random: Random) {
  const heard = 1 - Math.exp(-Math.LN2 * (level / threshold) ** slope)
  const p = 0.5 + 0.5 * (1 - lapse) * heard
  return random.uniform() < p
}

interface Scores {
  /** Mean of the estimate over the truth, less one; and by the geometric mean. */
  bias: number
  logBias: number
  /** Median of the estimate's distance from the truth, as a part of it. */
  medianOff: number
  /** Part of the listeners whose truth lies within 1.96 errors; null where none is stated. */
  covered: number | null
  /** Listeners without an estimate. */
  none: number
}

const LISTENERS = 500
const TRIALS = 40

/** Both ways on the same listeners. The plain staircase's target is 70.7% and so is what it is held against. */
function listenersBench(count = LISTENERS, trials = TRIALS) {
  const { scale } = DRILLS.higher
  const bayes: Array<{ part: number; within: boolean }> = []
  const plain: number[] = []
  let none = 0
  for (let i = 0; i < count; i++) {
    const random = seededRandom(1000 + i)
    const listener = madeListener(random)
    const stairs = new Staircase(scale)
    for (let t = 0; t < trials; t++) {
      const level = nextLevel(scale, stairs, t)
      stairs.take({ level, right: answersRight(level, listener, random) })
    }
    const { threshold, error } = stairs.believed()
    bayes.push({
      part: threshold / listener.threshold,
      within: Math.abs(threshold - listener.threshold) < 1.96 * error,
    })
    let upDown = beginUpDown(scale.levels.length - 3)
    for (let t = 0; t < trials; t++)
      upDown = stepUpDown(upDown, answersRight(scale.levels[upDown.place], listener, random), scale)
    const found = upDownThreshold(upDown)
    // Where this listener, lapses and all, is right in 70.7%.
    const heard = (Math.SQRT1_2 - 0.5) / (0.5 * (1 - listener.lapse))
    const own = listener.threshold * (-Math.log(1 - heard) / Math.LN2) ** (1 / listener.slope)
    if (found === null) none++
    else plain.push(found / own)
  }
  return {
    bayes: scoresOf(
      bayes.map(({ part }) => part),
      bayes.filter(({ within }) => within).length / bayes.length,
      0,
    ),
    plain: scoresOf(plain, null, none),
  }
}

function scoresOf(parts: readonly number[], covered: number | null, none: number): Scores {
  const mean = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0) / list.length
  return {
    bias: mean(parts) - 1,
    logBias: Math.exp(mean(parts.map(Math.log))) - 1,
    medianOff: median(parts.map((part) => Math.abs(part - 1))),
    covered,
    none,
  }
}

const TIRED_TRIALS = 45
const TIRES_AT = 22
const TIRED_LISTENERS = 200

/** Part of the listeners who are told that their ear is tired at some look of a run, who hear so many times worse from a trial on. */
function toldTired(worse: number, guesses: number): number {
  const { scale } = DRILLS.higher
  let told = 0
  for (let i = 0; i < TIRED_LISTENERS; i++) {
    const random = seededRandom(9000 + i)
    const { threshold, slope, lapse } = madeListener(random)
    const stairs = new Staircase(scale)
    const watch = new TiredWatch(scale)
    for (let t = 0; t < TIRED_TRIALS; t++) {
      const level = nextLevel(scale, stairs, t)
      const now =
        t < TIRES_AT ? { threshold, lapse } : { threshold: worse * threshold, lapse: lapse + guesses }
      const right = answersRight(level, { slope, ...now }, random)
      stairs.take({ level, right })
      watch.take({ level, right })
      if (watch.tired) {
        told++
        break
      }
    }
  }
  return told / TIRED_LISTENERS
}

/** The drill's own way of placing and estimating beside the plain staircase, on the same listeners. */
export function benchListeners(): void {
  const { bayes, plain } = listenersBench()
  const percent = (part: number) => `${(100 * part).toFixed(1)}%`
  const row = (name: string, { bias, logBias, medianOff, covered, none }: Scores) => [
    name,
    percent(bias),
    percent(logBias),
    percent(medianOff),
    covered === null ? 'states none' : percent(covered),
    String(none),
  ]
  printTable(
    `${LISTENERS} made listeners (thresholds 3 to 80 c, lapses 0 to 6%, Weibull slopes 1.2 to 4), ${TRIALS} trials each`,
    [
      'way',
      'bias of the mean',
      'by the geometric mean',
      'median miss',
      'truth within 1.96 errors',
      'without a result',
    ],
    [row('the drill', bayes), row('two down, one up, by its turns', plain)],
  )
  printTable(
    `Told that the ear is tired, within a run of ${TIRED_TRIALS}: ${TIRED_LISTENERS} listeners of the same kind each`,
    ['from trial 23 on', 'told so'],
    [
      ['as before', percent(toldTired(1, 0))],
      ['hears 2 times worse, guesses 1 in 10 more', percent(toldTired(2, 0.1))],
      ['hears 3 times worse, guesses 2 in 10 more', percent(toldTired(3, 0.2))],
      ['hears 5 times worse, guesses half', percent(toldTired(5, 0.5))],
    ],
  )
}
