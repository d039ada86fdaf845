import type { EvenAnswer } from '@/core/evening/types'
import { adviceText } from './advice'

const hundredths = (value: number) => Math.round(value * 100) / 100
const sixFigures = (value: number) => Number(value.toPrecision(6))

/** An answer as commands and route handlers give it out: pitches to 0.01 Hz, with the advice in words; `level` where only evenness was asked for. */
export function evenAnswerRecord(answer: EvenAnswer, level = false) {
  return {
    ...answer,
    targetHz: hundredths(answer.targetHz),
    predictedHz: answer.predictedHz.map(hundredths),
    predictedErrorCents: answer.predictedErrorCents.map(hundredths),
    spreadCents: hundredths(answer.spreadCents),
    spreadErrorCents: hundredths(answer.spreadErrorCents),
    meanHz: hundredths(answer.meanHz),
    meanErrorCents: hundredths(answer.meanErrorCents),
    confidence: hundredths(answer.confidence),
    likelySpreadCents: hundredths(answer.likelySpreadCents),
    withinSpreadCents: hundredths(answer.withinSpreadCents),
    readSpreadCents: answer.readSpreadCents && hundredths(answer.readSpreadCents),
    roundSpreadsCents: answer.roundSpreadsCents.map((cents) => cents && hundredths(cents)),
    disagree: answer.disagree.map((each) => ({ ...each, cents: hundredths(each.cents) })),
    learned: Object.fromEntries(
      Object.entries(answer.learned).map(([key, value]) => [key, sixFigures(value)]),
    ),
    advice: adviceText(answer, level),
  }
}
