import { heldOccasions, type Diary, type Occasion } from '../log/diary'
import { DAY_MS } from '../units/time'

/** What was played in a span, in gigs of two hours: as noted, and how many more there may have been with their variance. */
export interface Played {
  known: number
  unknown: number
  unknownVariance: number
}

/** A kit of which nobody notes gigs is played about so often a day, and that is hardly known (a judgement). */
const USUAL_RATE = 0.25
const USUAL_RATE_SD = 0.2
/** A diary is kept from a little before its first gig until a little behind its last one. */
const KEPT = { beforeDays: 3, afterDays: 10 }
/** So many gigs tell how often one plays. */
const ENOUGH = 3
const GIG_MINUTES = 120
const REHEARSAL = 0.6

/** A gig by its length, as a part of a usual one; common practice, no source: long ones move more. */
function weightOf({ what, minutes }: Pick<Occasion, 'what' | 'minutes'>): number {
  const long = minutes === null ? 1 : Math.min(2, Math.max(0.3, minutes / GIG_MINUTES))
  return (what === 'gig' ? 1 : REHEARSAL) * long
}

/** When the kit was and will be played, as far as the diary says. */
export class Plays {
  readonly held: ReadonlyArray<{ ms: number; weight: number }>
  /** Gigs a day where the diary is silent, and one standard deviation of that. */
  readonly rate: number
  readonly rateSd: number
  readonly #keptFrom: number
  readonly #keptTo: number

  constructor(diary: Diary, nowMs: number) {
    this.held = heldOccasions(diary).map((each) => ({ ms: Date.parse(each.on), weight: weightOf(each) }))
    const past = this.held.filter(({ ms }) => ms <= nowMs)
    this.#keptFrom = this.held.length ? this.held[0].ms - KEPT.beforeDays * DAY_MS : Infinity
    const last = this.held.at(-1)?.ms ?? -Infinity
    // What is planned ahead is all there is until then; behind the last gig that was played the diary may lie idle.
    this.#keptTo = last > nowMs ? last : Math.min(nowMs, last + KEPT.afterDays * DAY_MS)
    const days = Math.max(7, (Math.min(nowMs, this.#keptTo) - this.#keptFrom) / DAY_MS)
    const learned = past.length >= ENOUGH
    this.rate = learned ? past.reduce((sum, { weight }) => sum + weight, 0) / days : USUAL_RATE
    this.rateSd = learned ? this.rate / Math.sqrt(past.length) : USUAL_RATE_SD
  }

  between(fromMs: number, toMs: number): Played {
    let known = 0
    for (const { ms, weight } of this.held) if (ms > fromMs && ms <= toMs) known += weight
    const kept = Math.max(0, Math.min(toMs, this.#keptTo) - Math.max(fromMs, this.#keptFrom))
    const days = Math.max(0, (toMs - fromMs - kept) / DAY_MS)
    return {
      known,
      unknown: this.rate * days,
      unknownVariance: this.rate * days + (this.rateSd * days) ** 2,
    }
  }
}
