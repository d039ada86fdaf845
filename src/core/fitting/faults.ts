import type { DrumKind } from '../kit/kinds'
import { CAUSES, type CauseId } from './causes'
import { QUESTIONS, type QuestionId } from './questions'

/**
 * From complaint and answers to ranked causes, and the question that tells most for its time: Bayes' rule over causes of
 * which one is at work, each answer independent of the others given the cause, and some answers plainly wrong.
 */
export interface FaultAnswer {
  question: QuestionId
  /** One of the question's answers. */
  answer: string
}

export interface RankedCause {
  cause: CauseId
  /** Probability, 0 to 1. */
  odds: number
}

export interface FaultStep {
  question: QuestionId
  answer: string
  /** What the answer made likeliest and what it ruled out most: cause and factor on its odds against all others. */
  speaksFor: { cause: CauseId; factor: number }
  speaksAgainst: { cause: CauseId; factor: number }
}

/** One answer in so many is wrong: misheard, mistyped, misread. */
export const WRONG_ANSWERS = 0.1
/** A cause this likely is named. */
export const NAMED = 0.8
/** Time weighs less than in proportion: a long look that settles it is worth more than a short one that does not. */
const TIME_WEIGHT = 0.2
const LEAST_MINUTES = 0.3
/** A question that tells less than this (bits) is not worth asking. */
const LEAST_BITS = 0.02

/** Chance that a drum with this cause is answered so, wrong answers included. */
export function likelihood(question: QuestionId, answer: string, cause: CauseId): number {
  const { given, sound, answers } = QUESTIONS[question]
  const right = (given[cause] ?? sound)[answer] ?? 0
  return (1 - WRONG_ANSWERS) * right + (WRONG_ANSWERS * (1 - right)) / (Object.keys(answers).length - 1)
}

/** Causes that can be on such a drum. */
export function causesOf(kind: DrumKind): CauseId[] {
  return (Object.keys(CAUSES) as CauseId[]).filter((cause) => CAUSES[cause].kinds?.includes(kind) ?? true)
}

/**
 * Causes by their odds after the answers, likeliest first.
 * @param found something was found on the drum and not put right: then not nothing is wrong
 */
export function rankCauses(answers: readonly FaultAnswer[], kind: DrumKind, found = false): RankedCause[] {
  const causes = causesOf(kind).filter((cause) => !found || cause !== 'nothing')
  const weights = causes.map((cause) => ({
    cause,
    odds: answers.reduce(
      (odds, { question, answer }) => odds * likelihood(question, answer, cause),
      CAUSES[cause].odds,
    ),
  }))
  const total = weights.reduce((sum, { odds }) => sum + odds, 0)
  return weights.map(({ cause, odds }) => ({ cause, odds: odds / total })).sort((a, b) => b.odds - a.odds)
}

/** What an answer would tell, in bits: the expected fall of the doubt over the causes. */
export function bitsOf(question: QuestionId, ranked: readonly RankedCause[]): number {
  const entropy = (odds: readonly number[]) =>
    odds.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0)
  const before = entropy(ranked.map(({ odds }) => odds))
  return Object.keys(QUESTIONS[question].answers).reduce((left, answer) => {
    const joint = ranked.map(({ cause, odds }) => odds * likelihood(question, answer, cause))
    const total = joint.reduce((sum, p) => sum + p, 0)
    return left - total * entropy(joint.map((p) => p / total))
  }, before)
}

/** Questions not asked yet, the one that tells most for its time first. */
export function nextQuestions(
  answers: readonly FaultAnswer[],
  kind: DrumKind,
  passedOver: readonly QuestionId[] = [],
): QuestionId[] {
  if (!answers.some(({ question }) => question === 'complaint') && !passedOver.includes('complaint'))
    return ['complaint']
  const ranked = rankCauses(answers, kind)
  const asked = new Set([...answers.map(({ question }) => question), ...passedOver])
  return (Object.keys(QUESTIONS) as QuestionId[])
    .filter((id) => !asked.has(id) && id !== 'complaint')
    .map((id) => ({ id, bits: bitsOf(id, ranked) }))
    .filter(({ bits }) => bits > LEAST_BITS)
    .map(({ id, bits }) => ({ id, worth: bits / (QUESTIONS[id].minutes + LEAST_MINUTES) ** TIME_WEIGHT }))
    .sort((a, b) => b.worth - a.worth)
    .map(({ id }) => id)
}

/** What each answer did, in the order given. */
export function explainAnswers(answers: readonly FaultAnswer[], kind: DrumKind): FaultStep[] {
  return answers.map(({ question, answer }, i) => {
    const before = rankCauses(answers.slice(0, i), kind)
    const average = before.reduce(
      (sum, { cause, odds }) => sum + odds * likelihood(question, answer, cause),
      0,
    )
    const factors = before
      .map(({ cause, odds }) => ({ cause, odds, factor: likelihood(question, answer, cause) / average }))
      // By how much of the whole it moved, so that a cause nobody thought of does not stand first.
      .sort((a, b) => b.odds * (b.factor - 1) - a.odds * (a.factor - 1))
    const pick = ({ cause, factor }: (typeof factors)[number]) => ({ cause, factor })
    return { question, answer, speaksFor: pick(factors[0]), speaksAgainst: pick(factors.at(-1)!) }
  })
}

/** The likeliest two causes that a question tells apart: those that answer it otherwise; null where all answer alike. */
export function tellsApart(question: QuestionId, ranked: readonly RankedCause[]): [CauseId, CauseId] | null {
  const { given, sound } = QUESTIONS[question]
  const likeliest = (cause: CauseId) =>
    Object.entries(given[cause] ?? sound).reduce((a, b) => (b[1] > a[1] ? b : a))[0]
  const pair = ranked.flatMap(({ cause, odds }, i) =>
    ranked
      .slice(i + 1)
      .filter((other) => likeliest(other.cause) !== likeliest(cause))
      .map((other) => ({ causes: [cause, other.cause] as [CauseId, CauseId], weight: odds * other.odds })),
  )
  return pair.length ? pair.reduce((a, b) => (b.weight > a.weight ? b : a)).causes : null
}
