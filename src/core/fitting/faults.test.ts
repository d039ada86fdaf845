import fc from 'fast-check'
import { allAnswers } from '../practice/answers'
import { plant } from '../practice/plant'
import { usualLugHz } from '../kit/usual'
import {
  bitsOf,
  causesOf,
  explainAnswers,
  likelihood,
  nextQuestions,
  rankCauses,
  tellsApart,
  WRONG_ANSWERS,
  type FaultAnswer,
} from './faults'
import { CAUSES, type CauseId } from './causes'
import { QUESTION_IDS, QUESTIONS, type QuestionId } from './questions'
import { FINDINGS } from './lookOver'

const sum = (odds: Record<string, number>) => Object.values(odds).reduce((total, p) => total + p, 0)

test.each(QUESTION_IDS)('the table of "%s": its rows are odds over its own answers', (id) => {
  const { answers, sound, given } = QUESTIONS[id]
  const names = Object.keys(answers).sort()
  for (const row of [sound, ...Object.values(given)]) {
    expect(Object.keys(row).sort()).toEqual(names)
    expect(sum(row)).toBeCloseTo(1, 9)
    for (const p of Object.values(row)) expect(p).toBeGreaterThan(0)
  }
  for (const cause of Object.keys(given)) expect(CAUSES).toHaveProperty(cause)
})

test('every cause is spoken for by some question besides the complaint, and points to a finding that is one', () => {
  for (const cause of causesOf(true)) {
    const spoken = QUESTION_IDS.filter((id) => id !== 'complaint' && QUESTIONS[id].given[cause])
    expect([cause, spoken.length]).not.toEqual([cause, 0])
    const { finding } = CAUSES[cause]
    if (finding) expect(FINDINGS).toHaveProperty(finding)
  }
})

const anyAnswers = fc
  .uniqueArray(fc.constantFrom(...QUESTION_IDS), { maxLength: 6 })
  .chain((questions) =>
    fc.tuple(
      ...questions.map((question) =>
        fc
          .constantFrom(...Object.keys(QUESTIONS[question].answers))
          .map((answer): FaultAnswer => ({ question, answer })),
      ),
    ),
  )

test('odds add up to one whatever is answered, and the order of answers does not matter', () => {
  fc.assert(
    fc.property(anyAnswers, fc.boolean(), (answers, snare) => {
      const ranked = rankCauses(answers, snare)
      expect(ranked.reduce((total, { odds }) => total + odds, 0)).toBeCloseTo(1, 9)
      const turned = new Map(
        rankCauses([...answers].reverse(), snare).map(({ cause, odds }) => [cause, odds]),
      )
      for (const { cause, odds } of ranked) expect(turned.get(cause)).toBeCloseTo(odds, 9)
      for (let i = 1; i < ranked.length; i++)
        expect(ranked[i - 1].odds).toBeGreaterThanOrEqual(ranked[i].odds)
    }),
  )
})

test('nothing is asked twice or after it was passed over, and no answer is expected to add doubt', () => {
  fc.assert(
    fc.property(anyAnswers, fc.constantFrom(...QUESTION_IDS), (answers, passed) => {
      const asked = new Set([...answers.map(({ question }) => question), passed])
      const left = nextQuestions(answers, true, [passed])
      expect(left.filter((id) => asked.has(id))).toEqual([])
      const ranked = rankCauses(answers, true)
      for (const id of QUESTION_IDS) expect(bitsOf(id, ranked)).toBeGreaterThan(-1e-9)
    }),
  )
})

test('Bayes’ rule by hand: two causes after one answer', () => {
  const answer = { question: 'feel' as const, answer: 'free' }
  const wrong = WRONG_ANSWERS / (Object.keys(QUESTIONS.feel.answers).length - 1)
  const chance = (p: number) => (1 - WRONG_ANSWERS) * p + wrong * (1 - p)
  const ranked = new Map(rankCauses([answer], false).map(({ cause, odds }) => [cause, odds]))
  expect(likelihood('feel', 'free', 'stripped-rod')).toBeCloseTo(chance(0.86), 12)
  expect(ranked.get('stripped-rod')! / ranked.get('out-of-tune')!).toBeCloseTo(
    (CAUSES['stripped-rod'].odds * chance(0.86)) / (CAUSES['out-of-tune'].odds * chance(0.02)),
    9,
  )
})

test('the complaint is asked first; wires are only asked of snares; what a question tells apart answers it otherwise', () => {
  expect(nextQuestions([], false)).toEqual(['complaint'])
  expect(causesOf(false)).not.toContain('wires')
  const ranked = rankCauses([{ question: 'complaint', answer: 'uneven' }], false)
  const pair = tellsApart('head-off', ranked)!
  expect(pair).toContain('hoop-out-of-round')
  expect(tellsApart('muffling', rankCauses([], false))).toContain('over-muffled')
})

test('every step says what it spoke for: a free rod for a stripped thread', () => {
  const steps = explainAnswers(
    [
      { question: 'complaint', answer: 'uneven' },
      { question: 'feel', answer: 'free' },
    ],
    false,
  )
  expect(steps[1].speaksFor.cause).toBe('stripped-rod')
  expect(steps[1].speaksFor.factor).toBeGreaterThan(4)
  expect(steps[1].speaksAgainst.factor).toBeLessThan(1)
})

/** Asks a practice drum until the cause is named or four questions after the complaint are answered. */
function ask(cause: CauseId, seed: number): CauseId {
  const snare = cause === 'wires'
  const drum = {
    ...{ seedText: `asked/${cause}/${seed}`, diameterInches: snare ? 14 : 13, depthInches: snare ? 5.5 : 9 },
    ...{ lugs: snare ? 10 : 6, hoop: 'triple-flanged' as const, threadPitchMm: 1.058 },
    ...{ pliesMils: snare ? [10] : [7, 7], otherPliesMils: [10] },
  }
  const evenHz = usualLugHz({ ...drum, kind: snare ? 'snare' : 'tom', batterMils: drum.pliesMils }, 'batter')
  const said = allAnswers(plant(drum, evenHz, snare, cause, seed)).answers
  const answers: FaultAnswer[] = []
  for (let i = 0; i < 5; i++) {
    const [question] = nextQuestions(answers, snare)
    if (!question) break
    answers.push({ question, answer: said[question] })
  }
  return rankCauses(answers, snare)[0].cause
}

test('answered truly, a fault hidden in the practice drum is ranked first', () => {
  const causes = causesOf(true)
  const found = causes.filter((cause) => ask(cause, 501) === cause)
  expect(found.length).toBeGreaterThanOrEqual(Math.ceil(0.85 * causes.length))
})

test('what the practice drum answers is one of the answers', () => {
  const drum = {
    ...{ seedText: 'any', diameterInches: 12, depthInches: 7, lugs: 6, hoop: 'die-cast' as const },
    ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [7] },
  }
  const { answers: said, rods } = allAnswers(plant(drum, 180, false, 'stripped-rod', 3))
  expect(rods.length).toBe(1)
  for (const id of QUESTION_IDS) expect(Object.keys(QUESTIONS[id as QuestionId].answers)).toContain(said[id])
  expect(said).toMatchObject({ feel: 'free', threads: 'worn', muffling: expect.any(String) as string })
})
