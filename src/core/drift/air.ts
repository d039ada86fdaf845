import { DAY_MS } from '../units/time'
import type { AirDay, Diary } from '../log/diary'

/** Temperature in degrees Celsius and relative humidity in percent at a moment, each with one standard deviation. */
export interface Air {
  celsius: number
  celsiusSd: number
  humidity: number
  humiditySd: number
}

/** A room where nobody measured (a judgement): indoor air, its scatter over a season, and how fast it forgets. */
const USUAL = {
  celsius: { mean: 20, sd: 2.5 },
  humidity: { mean: 50, sd: 9 },
}
const FORGETS_DAYS = 5
/** What one thermometer says of the air at the drum. */
const LEAST = { celsius: 0.5, humidity: 2 }
/** Before a season was measured its mean is worth so many days. */
const MEAN_WORTH = 10

export const REFERENCE_AIR = { celsius: USUAL.celsius.mean, humidity: USUAL.humidity.mean }

/** What is known of the air round the drums, for any moment. */
export class AirKnown {
  readonly #days: number[]
  readonly means: { celsius: number; humidity: number }

  constructor(private readonly air: Diary['air']) {
    this.#days = [...air.keys()].sort((a, b) => a - b)
    this.means = { celsius: this.#mean('celsius'), humidity: this.#mean('humidity') }
  }

  #mean(what: keyof AirDay): number {
    let [sum, count] = [USUAL[what].mean * MEAN_WORTH, MEAN_WORTH]
    for (const day of this.#days) {
      const value = valueOf(this.air.get(day)!, what)
      if (value !== null) [sum, count] = [sum + value, count + 1]
    }
    return sum / count
  }

  /**
   * Air at a moment: of its own day where it was measured, else drawn between the nearest days that were, forgetting them towards
   * the season's mean (an Ornstein-Uhlenbeck process; Uhlenbeck & Ornstein 1930, Physical Review 36).
   */
  at(ms: number): Air {
    const [celsius, celsiusSd] = this.#between('celsius', ms)
    const [humidity, humiditySd] = this.#between('humidity', ms)
    return { celsius, celsiusSd, humidity, humiditySd }
  }

  #between(what: keyof AirDay, ms: number): [number, number] {
    const day = ms / DAY_MS
    const { sd } = USUAL[what]
    const mean = this.means[what]
    const known = (from: number, step: number) => {
      for (let i = from; i >= 0 && i < this.#days.length; i += step) {
        const value = valueOf(this.air.get(this.#days[i])!, what)
        const apart = Math.abs(this.#days[i] + 0.5 - day)
        if (apart > 6 * FORGETS_DAYS) return null
        if (value !== null)
          return { off: value - mean, r: Math.exp(-Math.max(0, apart - 0.5) / FORGETS_DAYS) }
      }
      return null
    }
    const after = this.#days.findIndex((each) => each + 0.5 >= day)
    const before = known(after < 0 ? this.#days.length - 1 : after - 1, -1)
    const behind = after < 0 ? null : known(after, 1)
    const least = LEAST[what]
    if (!before && !behind) return [mean, sd]
    if (!before || !behind) {
      const { off, r } = (before ?? behind)!
      return [mean + r * off, Math.hypot(least, sd * Math.sqrt(1 - r * r))]
    }
    // Between two neighbours: the bridge of a first-order Markov process.
    const [a, b] = [before.r, behind.r]
    const whole = 1 - a * a * b * b || 1e-9
    const wa = (a * (1 - b * b)) / whole
    const wb = (b * (1 - a * a)) / whole
    const left = Math.max(0, ((1 - a * a) * (1 - b * b)) / whole)
    return [mean + wa * before.off + wb * behind.off, Math.hypot(least, sd * Math.sqrt(left))]
  }
}

function valueOf(day: AirDay, what: keyof AirDay): number | null {
  const { sum, count } = day[what]
  return count ? sum / count : null
}

/** Scatter and memory of the air, for what is drawn ahead. */
export const AIR_AHEAD = {
  celsiusSd: USUAL.celsius.sd,
  humiditySd: USUAL.humidity.sd,
  keptADay: Math.exp(-1 / FORGETS_DAYS),
}
