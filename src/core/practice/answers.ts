import { nearRods } from '../kit/uneven'
import { QUESTION_IDS, type QuestionId } from '../fitting/questions'
import type { Random } from '../numeric/random'
import type { Trouble } from './plant'
import { BEAT_HZ, observe, type Observed } from './troubles'

/**
 * What a player, a hand, an eye and a reading answer of a drum with a fault. All of it comes from what was observed of the
 * drum's parts; nothing here knows the table of likelihoods.
 */

/** What the player complains of: the trouble that stands out most. */
function complaintOf(seen: Observed): string {
  const { faults } = seen
  const slackRods = seen.pulls.filter((pull) => pull < 0.12).length
  const noisy = faults.loosePart || faults.bentWires || faults.neighbourHz !== undefined
  const salience: Record<string, number> = {
    growl: (0.45 - seen.turnsUp) / 0.15,
    choke: (seen.turnsUp - 1.5) / 0.25,
    short: (seen.heldPart - seen.mountedPart) / 0.25,
    dead: faults.film === 'ring' ? 2 : (0.75 - seen.heldPart) / 0.2,
    buzz: noisy ? 2 : 0,
    wrinkles: slackRods > 0 ? 0.9 : 0,
    drops: seen.pressCents / 10,
    warble: seen.beatsOtherHz > 0 && seen.beatsOtherHz < BEAT_HZ.most ? 1.6 : seen.spreadCents / 25,
    ring: faults.undamped ? 2 : 0,
    hollow: faults.shut ? 2 : 0,
    boomy: faults.boomyRoom ? 2 : 0,
    papery: faults.film === 'thin' ? 2 : 0,
    // Who has nothing to complain of only checks.
    none: 0.5,
    // Who tries to even it and gets no answer says so; who only never tried hears it warble.
    uneven: seen.answered < 0.6 ? seen.spreadCents / 15 : seen.spreadCents / 40,
  }
  return Object.entries(salience).reduce((a, b) => (b[1] > a[1] ? b : a))[0]
}

/** What a careful person answers to a question, from the drum itself. */
function answerOf(question: QuestionId, seen: Observed): string {
  const { faults, pulls } = seen
  switch (question) {
    case 'complaint':
      return complaintOf(seen)
    case 'reading':
      return seen.spreadCents > EVEN_CENTS
        ? 'uneven'
        : seen.turnsUp < 0.42
          ? 'below'
          : seen.turnsUp > 1.6
            ? 'above'
            : 'even'
    case 'evening':
      return seen.evenedSpreadCents > EVEN_CENTS ? 'stays' : 'even'
    case 'since':
      return sinceOf(seen.fellCents)
    case 'answer':
      return seen.answered < 0.3 ? 'not' : seen.answered < 0.75 ? 'little' : 'rises'
    case 'feel':
      return feelOf(seen, pulls)
    case 'law':
      return seen.answeredAll < 0.8 ? 'less' : 'usual'
    case 'press':
      return seen.pressCents > 12 ? 'much' : seen.pressCents > 3 ? 'little' : 'nothing'
    case 'head-off':
      return (faults.worn ?? 0) > 0.25
        ? 'bowl'
        : faults.outOfRound
          ? 'gap'
          : Math.abs(faults.dentMm ?? 0) > 0.3
            ? 'light'
            : 'good'
    case 'other':
      return seen.beatsOtherHz > 0 && seen.beatsOtherHz < BEAT_HZ.most ? 'clears' : 'same'
    case 'held':
      return seen.heldPart < 0.6 ? 'both' : seen.mountedPart < 0.6 * seen.heldPart ? 'mounted' : 'alike'
    case 'rattle':
      return faults.bentWires
        ? 'wires'
        : faults.loosePart
          ? 'part'
          : faults.neighbourHz !== undefined
            ? 'away'
            : 'none'
    case 'noise':
      return faults.bentWires
        ? 'hiss'
        : faults.loosePart
          ? 'rattle'
          : faults.neighbourHz !== undefined
            ? 'note'
            : 'none'
    case 'threads':
      return seen.freeRods > 0 ? 'worn' : seen.stiffRods > 0 ? 'dirty' : 'clean'
    case 'muffling':
      return seen.mufflingPerSecond > 4 ? 'much' : seen.mufflingPerSecond > 0 ? 'little' : 'nothing'
    case 'film':
      return faults.film ?? 'plain'
    case 'rings':
      return faults.undamped ? 'long' : faults.film === 'ring' || seen.heldPart < 0.6 ? 'short' : 'usual'
    case 'front':
      return faults.shut ? 'better' : 'same'
    case 'room':
      return faults.boomyRoom ? 'there' : 'alike'
    case 'age':
      return seen.presses === 0 ? 'days' : (faults.worn ?? 0) > 0.25 ? 'long' : 'months'
  }
}

/** Even enough, as the question puts it. */
const EVEN_CENTS = 12
const FELL_CENTS = 7

function sinceOf(fell: readonly number[] | null): string {
  if (!fell) return 'never'
  const [least, most] = [Math.min(...fell), Math.max(...fell)]
  if (most < FELL_CENTS) return 'same'
  return most - least > FELL_CENTS ? 'some' : 'all'
}

/** Rods felt one after another: a group that pulls this part less than the others is felt as loose. */
const GROUP_PART = 0.93
const LOOSE_PART = 0.98

function feelOf(seen: Observed, pulls: readonly number[]): string {
  if (seen.freeRods > 0) return 'free'
  if (seen.stiffRods > 0) return 'stiff'
  if (seen.turnsUp < 0.36) return 'soft'
  if (seen.turnsUp > 1.7) return 'hard'
  const near = nearRods(pulls.length)
  const mean = (rods: number[]) => rods.reduce((sum, rod) => sum + pulls[rod], 0) / rods.length
  const others = pulls.map((_, rod) => rod).filter((rod) => !near.includes(rod))
  const loose = near.filter((rod) => pulls[rod] < LOOSE_PART).length
  if (loose >= 2 && mean(near) < GROUP_PART * mean(others)) return 'near'
  return Math.max(...pulls) - Math.min(...pulls) > 0.4 ? 'some' : 'alike'
}

export interface AllAnswers {
  answers: Record<QuestionId, string>
  /** Rods (from 1) that the hand stopped at: free, stiff, or loose near the player. */
  rods: number[]
}

/** Answers to all questions, and the rods that the hand would point to. */
export function allAnswers(trouble: Trouble): AllAnswers {
  const seen = observe(trouble)
  const answers = Object.fromEntries(QUESTION_IDS.map((id) => [id, answerOf(id, seen)]))
  const { strippedRods = [], dirtyRods = [] } = seen.faults
  const near = answers.feel === 'near' ? nearRods(seen.pulls.length).map((rod) => rod + 1) : []
  return {
    answers: answers as Record<QuestionId, string>,
    rods: [...strippedRods, ...dirtyRods, ...near].sort((x, y) => x - y),
  }
}

/** The same with one in so many answers wrong: any of the others instead. */
export function answerWithSlips(
  question: QuestionId,
  seen: Observed,
  options: readonly string[],
  wrongPart: number,
  random: Random,
): string {
  const right = answerOf(question, seen)
  if (random.uniform() >= wrongPart) return right
  const others = options.filter((option) => option !== right)
  return others[Math.floor(random.uniform() * others.length * 0.9999)]
}
