import { normalCdf } from '../numeric/normal'

/**
 * How surely a listener hears a difference: the psychometric function, with its guessing rate, its lapses and its slope
 * (Wichmann & Hill 2001, Perception & Psychophysics 63; from memory). Its shape is that of signal detection: what is heard
 * grows as a power of the difference, against noise of the ear's own (Green & Swets 1966, Signal Detection Theory and
 * Psychophysics; from memory).
 */
export interface Listener {
  /** Difference that is heard in half of the trials that are not guessed: 75% right of two answers, without lapses. */
  threshold: number
  /** Steepness: the power of the difference over the threshold. */
  slope: number
  /** Part of the trials in which the answer has nothing to do with what was heard. */
  lapse: number
}

/** Standard errors within which half of a normal law lies. */
const HALF = 0.6744897502

/**
 * Probability of a right answer.
 * @param difference in the unit of the threshold, 0 or more
 * @param guess probability of being right by guessing: one over the number of answers
 */
export function chanceRight(
  difference: number,
  { threshold, slope, lapse }: Listener,
  guess: number,
): number {
  const heard = difference <= 0 ? 0 : 2 * normalCdf(HALF * (difference / threshold) ** slope) - 1
  return guess + (1 - guess) * (1 - lapse) * heard
}

/** Probability that someone who guesses has at least so many right (the binomial law). */
export function chanceOfScore(right: number, trials: number, guess: number): number {
  let sum = 0
  let term = (1 - guess) ** trials
  for (let k = 0; k <= trials; k++) {
    if (k >= right) sum += term
    term *= ((trials - k) / (k + 1)) * (guess / (1 - guess))
  }
  return Math.min(1, sum)
}
