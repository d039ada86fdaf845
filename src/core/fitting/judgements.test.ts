import { slackBelief } from '../head/belief'
import { climb } from './climb'
import { headCost } from './fast'
import { bitsOf, likelihood, nextQuestions, rankCauses, WRONG_ANSWERS } from './faults'
import { QUESTION_IDS, QUESTIONS } from './questions'
import { settlingOf } from './settling'

/** What each judgement of fitting means, so that none changes unseen (docs/decisions/from-slack.md, finding-faults.md). */
const HEAD = { side: 'batter' as const, diameterInches: 14, lugs: 8, hoop: 'triple-flanged' as const }

test('a fall of less than 3 cents is no change; one read fall is worth 2 cents', () => {
  const settled = (cents: number) => settlingOf([{ press: 1, cents }], 1).settled
  expect([settled(2.8), settled(3.2)]).toEqual([true, false])
  // Normal regression by hand: the whole is 22 give or take 12 before, the first press takes 65% of it, read to 2 cents.
  const { pressesLeftCents } = settlingOf([{ press: 1, cents: 10 }], 1)
  const precision = 1 / 12 ** 2 + (0.65 / 2) ** 2
  const whole = (22 / 12 ** 2 + (0.65 * 10) / 2 ** 2) / precision
  expect(pressesLeftCents.mean).toBeCloseTo(0.35 * whole, 9)
  expect(pressesLeftCents.error).toBeCloseTo(0.35 * Math.sqrt(1 / precision), 9)
})

test('one answer in ten is wrong', () => {
  expect(WRONG_ANSWERS).toBeCloseTo(0.1, 9)
  // An answer that a cause never gives is still given one time in ten, shared among the others.
  const worn = likelihood('age', 'days', 'worn-head')
  expect(worn).toBeCloseTo(0.9 * 0.01 + (0.1 * 0.99) / 2, 9)
})

test('a question is worth its bits by its minutes and 0.3 to the power 0.2, and one below 0.02 bits is not asked', () => {
  const answers = [{ question: 'complaint' as const, answer: 'uneven' }]
  const ranked = rankCauses(answers, 'tom')
  const worth = QUESTION_IDS.filter((id) => id !== 'complaint')
    .map((id) => ({ id, bits: bitsOf(id, ranked) }))
    .filter(({ bits }) => bits > 0.02)
    .map(({ id, bits }) => ({ id, worth: bits / (QUESTIONS[id].minutes + 0.3) ** 0.2 }))
    .sort((a, b) => b.worth - a.worth)
  expect(nextQuestions(answers, 'tom')).toEqual(worth.map(({ id }) => id))
  // The limit bites: some question tells a little more, some a little less.
  const bits = Object.keys(QUESTIONS.complaint.answers).flatMap((answer) => {
    const said = [{ question: 'complaint' as const, answer }]
    return QUESTION_IDS.filter((id) => id !== 'complaint').map((id) => ({
      asked: nextQuestions(said, 'tom').includes(id),
      bits: bitsOf(id, rankCauses(said, 'tom')),
    }))
  })
  for (const { asked, bits: each } of bits) expect(asked).toBe(each > 0.02)
  expect(bits.some(({ bits: each }) => each > 0.02 && each < 0.032)).toBe(true)
})

const climbAt = (hz2: number, targetHz: number, more: Partial<Parameters<typeof climb>[0]> = {}) => {
  const belief = slackBelief({ ...HEAD, threadPitchMm: 1.058, pliesMils: [10] } as never, undefined, 'meets')
  const x = Float64Array.from(belief.x)
  x[0] = hz2
  return climb({
    ...{ belief: { ...belief, x } as never, targetHz, largestStepTurns: 0.25 },
    ...{ turnedSinceReading: 0, anyReading: true, ...more },
  })
}

test('the rounds stop an eighth and seven tenths of the doubt short, to a sixteenth', () => {
  const { turnsToGo, turnsToGoError, rounds } = climbAt(20_000, 230)
  const short = 1 / 8 + 0.7 * Math.min(turnsToGoError, turnsToGo / 3)
  const left = rounds.reduce((sum, each) => sum + each, 0)
  expect(left).toBeCloseTo(Math.floor((turnsToGo - short) * 16) / 16, 9)
  for (const each of rounds) expect(each).toBeLessThanOrEqual(0.25)
})

test('a reading is due once the head speaks, from 0.35 turns above slack on, and the stop is known no better than 0.12 turns', () => {
  const k = climbAt(20_000, 230).turnsToGo === 0 ? 0 : 31_700
  const stage = (turns: number) => climbAt(turns * k, 260, { turnedSinceReading: 0.25 }).stage
  expect(stage(0.25)).toBe('turn')
  expect(stage(0.5)).toBe('check')
})

test('more than half a turn is several rounds: one half takes one, a hair more two', () => {
  const minutes = (turns: number) => headCost(turns, 8, 2).minutes
  // A round of all rods more: turns, a press and a reading of every lug.
  expect(60 * (minutes(0.51) - minutes(0.5))).toBeCloseTo(8 * 2 + 5 + 8 * 4, 6)
  expect(minutes(0.4)).toBeCloseTo(minutes(0.5), 9)
})
