import { times } from '@ref/long'
import fc from 'fast-check'
import { seededRandom } from '../numeric/random'
import { DRILLS } from './kinds'
import { chanceRight } from './psychometric'
import { Staircase, type Played } from './staircase'
import { beginUpDown, LEVITT_RIGHT, stepUpDown, upDownThreshold } from '@ref/upDown'

const { scale } = DRILLS.higher
const played = fc.record({ level: fc.constantFrom(...scale.levels), right: fc.boolean() })

test('before anything is heard nothing is told: chance and skill are even', () => {
  const { skill, threshold } = new Staircase(scale).believed()
  expect(skill).toBeCloseTo(0.5, 9)
  expect(threshold).toBeGreaterThan(scale.levels[0])
  expect(threshold).toBeLessThan(scale.levels[scale.levels.length - 1])
})

test('the same answers in any order leave the same belief', () => {
  fc.assert(
    fc.property(fc.array(played, { minLength: 1, maxLength: 12 }), (answers) => {
      const a = new Staircase(scale, answers).believed()
      const b = new Staircase(scale, [...answers].reverse()).believed()
      expect(b.threshold).toBeCloseTo(a.threshold, 6)
      expect(b.error).toBeCloseTo(a.error, 6)
      expect(b.skill).toBeCloseTo(a.skill, 9)
    }),
    { numRuns: times(12, 30) },
  )
})

test('a right answer never raises what is believed, a wrong one never lowers it', () => {
  fc.assert(
    fc.property(fc.array(played, { maxLength: 10 }), played, (before, next) => {
      const was = new Staircase(scale, before).believed().threshold
      const now = new Staircase(scale, [...before, next]).believed().threshold
      if (next.right) expect(now).toBeLessThanOrEqual(was * (1 + 1e-9))
      else expect(now).toBeGreaterThanOrEqual(was * (1 - 1e-9))
    }),
    { numRuns: times(15, 40) },
  )
})

/** A listener who answers by the law itself. */
function run(threshold: number, lapse: number, seed: number, trials: number) {
  const random = seededRandom(seed)
  const stairs = new Staircase(scale)
  for (let i = 0; i < trials; i++) {
    const level = stairs.next()
    const p = chanceRight(level, { threshold, slope: 1.6, lapse }, scale.guess)
    stairs.take({ level, right: random.uniform() < p })
  }
  return stairs.believed()
}

test.each([4, 12, 40])(
  'after 40 trials a threshold of %i cents is known, and its error says how well',
  (threshold) => {
    const runs = Array.from({ length: 30 }, (_, seed) => run(threshold, 0.02, seed, 40))
    const mean = Math.exp(
      runs.reduce((sum, each) => sum + Math.log(each.threshold / threshold), 0) / runs.length,
    )
    expect(Math.abs(mean - 1)).toBeLessThan(0.12)
    const covered = runs.filter((each) => Math.abs(each.threshold - threshold) < 1.96 * each.error).length
    expect(covered).toBeGreaterThanOrEqual(25)
    expect(runs.filter(({ skill }) => skill > 0.95).length).toBeGreaterThanOrEqual(27)
  },
)

test('whoever guesses is told apart from whoever hears', () => {
  const random = seededRandom(3)
  const guessers = Array.from({ length: 30 }, () => {
    const stairs = new Staircase(scale)
    for (let i = 0; i < 40; i++) stairs.take({ level: stairs.next(), right: random.uniform() < 0.5 })
    return stairs.believed()
  })
  const fooled = guessers.filter(({ skill, beyond }) => skill >= 0.95 && beyond < 0.5).length
  expect(fooled).toBeLessThanOrEqual(1)
})

// Levitt 1971, JASA 49: two down, one up settles where 70.7% are right.
test('the plain staircase settles at 70.7% right', () => {
  expect(LEVITT_RIGHT).toBeCloseTo(0.707, 3)
  const listener = { threshold: 20, slope: 1.5, lapse: 0 }
  const random = seededRandom(11)
  let at = beginUpDown(scale.levels.length - 3)
  const visited: Played[] = []
  for (let i = 0; i < 20_000; i++) {
    const level = scale.levels[at.place]
    const right = random.uniform() < chanceRight(level, listener, scale.guess)
    visited.push({ level, right })
    at = stepUpDown(at, right, scale, 1)
  }
  const late = visited.slice(500)
  const mean = Math.exp(late.reduce((sum, { level }) => sum + Math.log(level), 0) / late.length)
  expect(chanceRight(mean, listener, scale.guess)).toBeCloseTo(LEVITT_RIGHT, 1)
  expect(Math.abs(chanceRight(mean, listener, scale.guess) - LEVITT_RIGHT)).toBeLessThan(0.03)
  expect(chanceRight(upDownThreshold(at)!, listener, scale.guess)).toBeCloseTo(LEVITT_RIGHT, 1)
})

/** Levitt (1971): large steps until it has turned twice, and of the turns only those of the small steps count. */
test('the plain staircase takes large steps until its second turn, and tells from the turns after it', () => {
  const ladder = { levels: Array.from({ length: 40 }, (_, i) => i + 1) }
  const answers = [...'rrrr', ...'w', ...'rr', ...'w', ...'rr', ...'w'].map((each) => each === 'r')
  const places: number[] = []
  let at = beginUpDown(20)
  for (const right of answers) {
    const before = at.place
    at = stepUpDown(at, right, ladder)
    if (at.place !== before) places.push(at.place)
  }
  // Two right answers a step down; turned at 12 and at 16, and from there the small step.
  expect(places).toEqual([16, 12, 16, 12, 14, 12, 14])
  expect(at.turns).toEqual([13, 17, 13, 15, 13])
  expect(upDownThreshold(at)).toBeCloseTo(Math.cbrt(13 * 15 * 13), 9)
  expect(upDownThreshold({ ...at, turns: at.turns.slice(0, 3) })).toBeNull()
})
