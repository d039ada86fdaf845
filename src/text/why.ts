import type { EvenAnswer } from '@/core/evening/types'
import { READINGS } from './scatter'
import { tensionOf } from '@/core/head/gauge'
import type { EvenHead } from '@/core/head/types'
import { handSpreadCents } from '@/core/evening/tolerance'
import { loadPerRod } from '@/core/membrane/modes'
import { turnLawPrior } from '@/core/membrane/turnLaw'
import { centsBetween } from '@/core/units/pitch'
import { listText, turnText } from './turns'
import { fixed } from './shown'

/** What is known of a head and how surely, in sentences: for the panel that opens beside a move. */
export interface Why {
  seen: string[]
  unseen: string[]
  learned: string[]
  tension: string[]
}

/** A film's real thickness, coating and stiffness are known to about this part. */
const FILM_DOUBT = 0.07
/** Readings this many standard errors from the forecast, root mean square, are worth saying. */
const HELD = 1.6
const FAILED = 2.6

export function whyOf(answer: EvenAnswer, head: EvenHead): Why {
  return {
    seen: [...seenLines(answer), toleranceLine(answer, head)],
    unseen: unseenLines(answer),
    learned: learnedLines(answer, head),
    tension: tensionLines(answer, head),
  }
}

const cents = (value: number) => `${Math.round(Math.abs(value))} c`

function seenLines(answer: EvenAnswer): string[] {
  const off = centsBetween(answer.targetHz, answer.meanHz)
  const lines = [
    `Mean ${fixed(answer.meanHz, 1)} Hz, ${cents(off)} ${off < 0 ? 'under' : 'over'} the target, ± ${fixed(Math.max(0.1, answer.meanErrorCents), 1)} c.`,
    `Spread ${cents(answer.spreadCents)} ± ${fixed(Math.max(0.1, answer.spreadErrorCents), 1)}: ${answer.unlike.length ? 'lug by lug, as the numbers differ' : 'the twofold pattern, the only unevenness that lug pitch shows'}.`,
  ]
  if (answer.leftOut.length) {
    lines.push(`Left out: lug ${listText(answer.leftOut)}, read on another mode or slipped.`)
  }
  if (answer.readingScatterCents !== null)
    lines.push(
      `Your ${READINGS[answer.scatterTold?.source ?? 'number']} scatter by about ${fixed(answer.readingScatterCents, 0)} c, as far as this sitting shows.`,
    )
  if (answer.surprise !== null) lines.push(forecastText(answer.surprise))
  return lines
}

/** How good the last forecast was. */
export function forecastText(surprise: number): string {
  if (surprise < HELD) return 'The last forecast held: the readings came within what it said.'
  if (surprise < FAILED) return 'The last forecast was a little off; the next one is wider.'
  return `The last forecast failed: the readings lie ${fixed(surprise, 1)} times as far off as it allowed. The drum answers otherwise than it did; forecasts are wider now.`
}

function unseenLines({ rods, ask, suspects }: EvenAnswer): string[] {
  const errors = rods.map(({ error }) => error)
  const widest = Math.max(...errors)
  const lines = [
    `Which rod of a pair pulls harder, and every odd pattern: pitch cannot tell. From the history of turns, the hand and the gauge each rod is known to ± ${turnText(roundTo(widest))} turn or better.`,
  ]
  if (ask.length) lines.push(`The feel of rods ${listText(ask)} would tell most.`)
  if (suspects.length) {
    const rods = suspects.map(({ rod }) => rod)
    lines.push(
      suspects[0].together
        ? `Rods ${listText(rods)} were turned and did not answer.`
        : `Rod ${rods.join(' or ')} was turned and did not seem to answer.`,
    )
  }
  return lines
}

const roundTo = (turns: number) => Math.max(1 / 64, Math.round(turns * 64) / 64)

function toleranceLine({ toleranceCents, targetHz }: EvenAnswer, head: EvenHead): string {
  const hand = handSpreadCents(head, targetHz)
  return `Good enough here is ${cents(toleranceCents)}: a hand that errs by 1/64 turn on every rod leaves about ${cents(Math.max(1, hand))} on a head of this size and pitch.`
}

/** A head whose answer is surely under this part of what its like give has a worn film, or rods that slip. */
const WORN_PART = 0.6

function learnedLines({ learned }: EvenAnswer, head: EvenHead): string[] {
  const { hz2PerTurn, hz2PerTurnError, secondAnswer, secondAnswerError } = learned
  const usual = turnLawPrior(head.diameterInches, head.threadPitchMm, head.pliesMils).mean
  const worn = hz2PerTurn + 1.64 * hz2PerTurnError < WORN_PART * usual
  return [
    `A turn of every rod adds ${thousands(hz2PerTurn)} ± ${thousands(hz2PerTurnError)} Hz² to the square of the pitch.`,
    `An uneven turn shows by ${Math.round(100 * secondAnswer)} ± ${Math.round(100 * secondAnswerError)} per cent of that.`,
    ...(worn
      ? ['That is little for its size: a worn film, or threads that slip. Fit a fresh head before going on.']
      : []),
  ]
}

const thousands = (value: number) => {
  const [whole] = [Math.round(value / 100) / 10]
  return `${fixed(whole, 1)} thousand`
}

function tensionLines(answer: EvenAnswer, head: EvenHead): string[] {
  const tension = tensionOf(head, answer.meanHz)
  const part = Math.hypot(FILM_DOUBT, (2 * answer.meanErrorCents) / 1731)
  const load = loadPerRod(tension, head.diameterInches, head.lugs)
  const lines = [
    `Film about ${round10(tension)} ± ${round10(part * tension)} N/m, a load of about ${round10(load)} N on each rod: from the mean pitch, the film’s mass and the air that moves with it. Not measured; friction in the threads is not in it.`,
  ]
  if (answer.gaugeLaw) {
    const { g0, c } = answer.gaugeLaw
    lines.push(`The gauge reads ${g0.toFixed(0)} less ${Math.round(c)} over the tension.`)
  }
  return lines
}

const round10 = (value: number) => Math.max(1, Math.round(value / 10) * 10)
