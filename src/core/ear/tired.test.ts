import { times } from '@ref/long'
import { seededRandom } from '../numeric/random'
import { DRILLS } from './kinds'
import { nextLevel, type Answered } from './result'
import { Staircase } from './staircase'
import { isTired, TiredWatch } from './tired'

const at = (level: number, right: boolean): Answered => ({
  ...{ level, right, truth: 'first', answer: right ? 'first' : 'second' },
})
const tired = (answered: Answered[]) => isTired({ kind: 'higher', answered })
const good = Array.from({ length: 24 }, (_, i) => at(i % 3 ? 30 : 60, true))

test('who was always right and then guesses is tired; who goes on is not, nor who has hardly begun', () => {
  expect(tired([...good, ...Array.from({ length: 10 }, () => at(60, true))])).toBe(false)
  expect(tired([...good, ...Array.from({ length: 10 }, (_, i) => at(60, i % 2 === 0))])).toBe(true)
  expect(tired(good.slice(0, 20))).toBe(false)
  expect(tired(Array.from({ length: 12 }, (_, i) => at(60, i % 2 === 0)))).toBe(false)
  expect(new TiredWatch(DRILLS.higher.scale).times).toBe(1)
})

test('one slip among easy ones is a lapse; a weak ear that stays weak is no tired one', () => {
  expect(tired([...good, at(60, false), ...good.slice(0, 9)])).toBe(false)
  const weak = Array.from({ length: 45 }, (_, i) => at(20, i % 3 !== 0))
  expect(tired(weak)).toBe(false)
})

/** Listeners of another law than the one believed in (Weibull; Wichmann & Hill 2001, from memory), through a run of 45. */
function madeRun(seed: number, tiresAt: number): Answered[] {
  const { scale } = DRILLS.higher
  const random = seededRandom(seed)
  const threshold = 3 * (80 / 3) ** random.uniform()
  const slope = 1.2 + 2.8 * random.uniform()
  const lapse = 0.06 * random.uniform()
  const stairs = new Staircase(scale)
  const answered: Answered[] = []
  for (let t = 0; t < 45; t++) {
    const level = nextLevel(scale, stairs, t)
    const worn = t >= tiresAt
    const heard = 1 - Math.exp(-Math.LN2 * (level / (worn ? 3 * threshold : threshold)) ** slope)
    const right = random.uniform() < 0.5 + 0.5 * (1 - (worn ? lapse + 0.2 : lapse)) * heard
    stairs.take({ level, right })
    answered.push(at(level, right))
  }
  return answered
}

function everTold(answered: Answered[]): boolean {
  const watch = new TiredWatch(DRILLS.higher.scale)
  return answered.some((each) => {
    watch.take(each)
    return watch.tired
  })
}

test('rested listeners are seldom told so in a whole run, and most of those who hear three times worse are', () => {
  const seeds = Array.from({ length: times(20, 60) }, (_, i) => 300 + i)
  const rested = seeds.filter((seed) => everTold(madeRun(seed, Infinity)))
  const worn = seeds.filter((seed) => everTold(madeRun(seed, 22)))
  expect(rested.length).toBeLessThanOrEqual(0.14 * seeds.length)
  expect(worn.length).toBeGreaterThanOrEqual(0.6 * seeds.length)
})
