import { LONG } from '@ref/long'
import fc from 'fast-check'
import { allAnswers } from '../practice/answers'
import { plant } from '../practice/plant'
import { usualLugHz } from '../kit/usual'
import {
  bitsOf,
  causesOf,
  explainAnswers,
  likelihood,
  NAMED,
  nextQuestions,
  rankCauses,
  tellsApart,
  WRONG_ANSWERS,
  type FaultAnswer,
} from './faults'
import { CAUSE_IDS, CAUSES, type CauseId } from './causes'
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
  for (const cause of CAUSE_IDS) {
    // Where nothing is wrong every question is answered as a sound drum does.
    if (cause === 'nothing') continue
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
    fc.property(
      anyAnswers,
      fc.constantFrom('snare' as const, 'kick' as const, 'tom' as const),
      (answers, kind) => {
        const ranked = rankCauses(answers, kind)
        expect(ranked.reduce((total, { odds }) => total + odds, 0)).toBeCloseTo(1, 9)
        const turned = new Map(
          rankCauses([...answers].reverse(), kind).map(({ cause, odds }) => [cause, odds]),
        )
        for (const { cause, odds } of ranked) expect(turned.get(cause)).toBeCloseTo(odds, 9)
        for (let i = 1; i < ranked.length; i++)
          expect(ranked[i - 1].odds).toBeGreaterThanOrEqual(ranked[i].odds)
      },
    ),
  )
})

test('nothing is asked twice or after it was passed over, and no answer is expected to add doubt', () => {
  fc.assert(
    fc.property(anyAnswers, fc.constantFrom(...QUESTION_IDS), (answers, passed) => {
      const asked = new Set([...answers.map(({ question }) => question), passed])
      const left = nextQuestions(answers, 'snare', [passed])
      expect(left.filter((id) => asked.has(id))).toEqual([])
      const ranked = rankCauses(answers, 'snare')
      for (const id of QUESTION_IDS) expect(bitsOf(id, ranked)).toBeGreaterThan(-1e-9)
    }),
  )
})

test('Bayes’ rule by hand: two causes after one answer', () => {
  const answer = { question: 'feel' as const, answer: 'free' }
  const wrong = WRONG_ANSWERS / (Object.keys(QUESTIONS.feel.answers).length - 1)
  const chance = (p: number) => (1 - WRONG_ANSWERS) * p + wrong * (1 - p)
  const ranked = new Map(rankCauses([answer], 'tom').map(({ cause, odds }) => [cause, odds]))
  expect(likelihood('feel', 'free', 'stripped-rod')).toBeCloseTo(chance(0.86), 12)
  expect(ranked.get('stripped-rod')! / ranked.get('out-of-tune')!).toBeCloseTo(
    (CAUSES['stripped-rod'].odds * chance(0.86)) / (CAUSES['out-of-tune'].odds * chance(0.02)),
    9,
  )
})

test('the complaint is asked first; wires are only asked of snares; what a question tells apart answers it otherwise', () => {
  expect(nextQuestions([], 'tom')).toEqual(['complaint'])
  expect(causesOf('tom')).not.toContain('wires')
  const ranked = rankCauses([{ question: 'complaint', answer: 'uneven' }], 'tom')
  const pair = tellsApart('head-off', ranked)!
  expect(pair).toContain('hoop-out-of-round')
  expect(tellsApart('muffling', rankCauses([], 'tom'))).toContain('over-muffled')
})

test('every step says what it spoke for: a free rod for a stripped thread', () => {
  const steps = explainAnswers(
    [
      { question: 'complaint', answer: 'uneven' },
      { question: 'feel', answer: 'free' },
    ],
    'tom',
  )
  expect(steps[1].speaksFor.cause).toBe('stripped-rod')
  expect(steps[1].speaksFor.factor).toBeGreaterThan(4)
  expect(steps[1].speaksAgainst.factor).toBeLessThan(1)
})

/** Asks a practice drum until the cause is named or four questions after the complaint are answered. */
function ask(cause: CauseId, seed: number): CauseId {
  const kind = CAUSES[cause].kinds?.[0] ?? 'tom'
  const snare = kind === 'snare'
  const drum = {
    ...{ seedText: `asked/${cause}/${seed}`, diameterInches: snare ? 14 : 13, depthInches: snare ? 5.5 : 9 },
    ...{ lugs: snare ? 10 : 6, hoop: 'triple-flanged' as const, threadPitchMm: 1.058 },
    ...{ pliesMils: snare ? [10] : [7, 7], otherPliesMils: [10] },
  }
  const evenHz = usualLugHz({ ...drum, kind: snare ? 'snare' : 'tom', batterMils: drum.pliesMils }, 'batter')
  const said = allAnswers(plant(drum, evenHz, snare, cause, seed)).answers
  const answers: FaultAnswer[] = []
  for (let i = 0; i < 5; i++) {
    const [question] = nextQuestions(answers, kind)
    if (!question) break
    answers.push({ question, answer: said[question] })
  }
  return rankCauses(answers, kind)[0].cause
}

test('answered truly, a fault hidden in the practice drum is ranked first', () => {
  const causes = CAUSE_IDS.filter((_, i) => LONG || i % 3 === 0)
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

test.each([
  ['ring', 'nothing-takes-ring'],
  ['hollow', 'closed-kick'],
  ['boomy', 'boomy-room'],
  ['papery', 'thin-head'],
] as const)('"%s" is a complaint of its own: %s comes first on a kick', (answer, cause) => {
  expect(rankCauses([{ question: 'complaint', answer }], 'kick')[0].cause).toBe(cause)
})

test('a film with a ring built in is told from one that is only muffled by looking at it', () => {
  const dead = { question: 'complaint' as const, answer: 'dead' }
  const seen = { question: 'film' as const, answer: 'ring' }
  expect(rankCauses([dead, seen, { question: 'muffling', answer: 'nothing' }], 'tom')[0].cause).toBe(
    'built-in-ring',
  )
})

test('a search can end with nothing wrong: a sound drum, asked on, is named as one', () => {
  const answers: FaultAnswer[] = [{ question: 'complaint', answer: 'none' }]
  for (let i = 0; i < 6 && rankCauses(answers, 'tom')[0].odds < NAMED; i++) {
    const [question] = nextQuestions(answers, 'tom')
    const { sound } = QUESTIONS[question]
    const [answer] = Object.entries(sound).reduce((a, b) => (b[1] > a[1] ? b : a))
    answers.push({ question, answer })
  }
  expect(rankCauses(answers, 'tom')[0]).toMatchObject({ cause: 'nothing' })
  expect(rankCauses(answers, 'tom')[0].odds).toBeGreaterThan(NAMED)
})

test('causes of one kind of drum are asked of no other', () => {
  expect(causesOf('tom')).not.toContain('closed-kick')
  expect(causesOf('kick')).toContain('closed-kick')
  expect(causesOf('snare')).toContain('wires')
})
