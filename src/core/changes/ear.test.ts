import { digits, EAR, figures, holds, type Lines } from '@ref/changes/held'
import { DRILLS } from '../ear/kinds'
import { nextLevel, resultOf, type Answered } from '../ear/result'
import { Staircase } from '../ear/staircase'
import { TiredWatch } from '../ear/tired'
import { makeTrial, USUAL_DRILL_DRUM } from '../ear/trial'
import { seededRandom } from '../numeric/random'
import { DRILL_IDS, type DrillId } from '../records/drill'

/** A listener by a plain step: hears what is larger than so much, guesses below, and from some trial on hears a third of it. */
function runOf(kind: DrillId, seed: number): Answered[] {
  const { scale } = DRILLS[kind]
  const random = seededRandom(seed)
  const limen = scale.levels[Math.floor(scale.levels.length * random.uniform())]
  const stairs = new Staircase(scale)
  return Array.from({ length: 40 }, (_, t) => {
    const level = nextLevel(scale, stairs, t)
    const right = level > (seed % 2 && t > 22 ? 3 * limen : limen) || random.uniform() < scale.guess
    stairs.take({ level, right })
    return { level, right, truth: 'first', answer: right ? 'first' : 'second' }
  })
}

/** What is told of made listeners, and what trials are made of. */
function drilled(): Lines {
  const lines: Lines = {}
  for (const kind of DRILL_IDS) {
    const { scale } = DRILLS[kind]
    for (const seed of [1, 2, 3, 4]) {
      const answered = runOf(kind, seed)
      const watch = new TiredWatch(scale)
      const tiredAt = answered.findIndex((each) => {
        watch.take(each)
        return watch.tired
      })
      const { threshold, error, byChance, told } = resultOf({ kind, answered } as never)
      const believed = [threshold, error, byChance, watch.times].map(digits).join(' ')
      lines[`${kind}, listener ${seed}`] =
        `${believed} told ${told} tired at ${tiredAt} last ${answered.at(-1)!.level}`
    }
    for (const seed of [1, 2]) {
      const { taps, levelDb, truth } = makeTrial(kind, USUAL_DRILL_DRUM, scale.levels[3], seed)
      const made = taps.map(({ hz, fromHoopMetres, lossPerSecond }) =>
        figures([hz, fromHoopMetres, lossPerSecond]),
      )
      lines[`${kind}, trial ${seed}`] = `${truth} ${digits(levelDb)} ${made.join(', ')}`
    }
  }
  return lines
}

holds('ear', EAR, drilled)
