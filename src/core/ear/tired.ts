import { DRILLS } from './kinds'
import type { DrillRun } from './result'
import { Staircase, type Played, type Scale } from './staircase'

/** What tiredness is taken to be: so many times as large a difference is needed, and so many more answers are guesses. */
const WORSE = 2.5
const GUESSED = 0.3
/** It may have begun after any third answer from here on; with fewer answers nothing is known to fall behind. */
const FIRST = 12
const EVERY = 3
/** So many times likelier must the answers be from a tired ear than from one that stayed as it was. */
const TIMES = 20

/**
 * Watches a run for tiredness, answer by answer. What it tells is how many times likelier the answers are if the ear tired
 * at some trial than if it stayed as it was: a likelihood ratio of the two predictions, the largest over where it may have
 * begun (Page 1954, Biometrika 41, a change found by its cumulated evidence; from memory). The belief's own width is in
 * both predictions, so that a staircase that has only just begun accuses nobody.
 */
export class TiredWatch {
  private readonly rested: Staircase
  private readonly since: Array<{ stairs: Staircase; logTimes: number }> = []
  private readonly played: Played[] = []

  constructor(private readonly scale: Scale) {
    this.rested = new Staircase(scale)
  }

  take(each: Played): void {
    const { scale, rested, since, played } = this
    if (played.length >= FIRST && (played.length - FIRST) % EVERY === 0)
      since.push({ stairs: new Staircase(scale, played), logTimes: 0 })
    const was = rested.expectedRight(each.level)
    for (const began of since) {
      const heardAs: Played = { level: each.level / WORSE, right: each.right }
      const hears = began.stairs.expectedRight(heardAs.level)
      const now = hears - GUESSED * (hears - scale.guess)
      began.logTimes += Math.log(each.right ? now / was : (1 - now) / (1 - was))
      began.stairs.take(heardAs)
    }
    rested.take(each)
    played.push(each)
  }

  /** 1 where nothing speaks for it. */
  get times(): number {
    return Math.exp(Math.max(0, ...this.since.map(({ logTimes }) => logTimes)))
  }

  get tired(): boolean {
    return this.times > TIMES
  }
}

/** Whether the ear is tired by the end of a run. In the bench of made listeners some 5 of 100 rested ones are told so within 45 trials. */
export function isTired({ kind, answered }: Pick<DrillRun, 'kind' | 'answered'>): boolean {
  const watch = new TiredWatch(DRILLS[kind].scale)
  for (const each of answered) watch.take(each)
  return watch.tired
}
