import { thresholdNear, withFound } from './found'
import { nextTrial } from './drill'
import { courseOf, resultOf, withAnswer, type Answered, type DrillRun } from './result'
import { USUAL_DRILL_DRUM as DRUM } from './trial'

const run = (answered: Answered[]): DrillRun => ({ kind: 'higher', drum: DRUM, seed: 1, answered })
const at = (level: number, right: boolean): Answered => ({
  ...{ level, right, truth: 'first', answer: right ? 'first' : 'second' },
})

test('a run is what was answered: the next trial follows from it alone', () => {
  let now = run([])
  for (let i = 0; i < 6; i++) {
    const trial = nextTrial(now)
    expect(nextTrial(now)).toEqual(trial)
    now = withAnswer(now, trial, trial.truth)
  }
  expect(now.answered).toHaveLength(6)
  expect(now.answered.every(({ right }) => right)).toBe(true)
  // Whoever is right goes on to smaller differences.
  expect(now.answered[5].level).toBeLessThan(now.answered[0].level)
  expect(courseOf(now)).toHaveLength(6)
})

test('a threshold is told only when it can be told from guessing, and lies within what was played', () => {
  expect(resultOf(run(Array.from({ length: 11 }, () => at(10, true)))).told).toBe(false)
  const heard = [
    ...Array.from({ length: 20 }, () => at(40, true)),
    ...Array.from({ length: 6 }, () => at(5, false)),
  ]
  expect(resultOf(run(heard)).told).toBe(true)
  expect(resultOf(run(heard)).threshold).toBeGreaterThan(5)
  expect(resultOf(run(heard)).threshold).toBeLessThan(40)
  const guessed = Array.from({ length: 30 }, (_, i) => at(200, i % 2 === 0))
  expect(resultOf(run(guessed)).told).toBe(false)
  // Fourteen of twenty at one difference: more likely heard than not, and no more than that.
  const unsure = resultOf(run(Array.from({ length: 20 }, (_, i) => at(20, (i * 7) % 20 < 14))))
  expect(unsure.skill).toBeLessThan(0.95)
  expect(unsure.beyond).toBeLessThan(0.5)
  expect(unsure.told).toBe(false)
})

test('what an ear tells apart holds near the pitch at which it was measured, the newest first', () => {
  const found = (hz: number, thresholdCents: number) => ({
    ...{ hz, thresholdCents, errorCents: 2, at: '2026-11-29T10:00:00.000Z' },
  })
  const list = withFound(withFound(withFound([], found(180, 12)), found(80, 35)), found(185, 9))
  expect(list).toHaveLength(2)
  expect(thresholdNear(list, 170)).toBe(9)
  expect(thresholdNear(list, 90)).toBe(35)
  expect(thresholdNear(list, 500)).toBeNull()
})
