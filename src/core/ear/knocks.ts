import { findOnsets } from '../measurement/onsets'

/** Answers by knocking: so many knocks, then a pause. */
const PAUSE_SECONDS = 0.75
const KEPT_SECONDS = 6
const ROOM_SECONDS = 1
const LOOKED_SECONDS = 0.12
/** A knock stands this far above what the room does, and is never quieter than this, full scale 1. */
const ABOVE_ROOM = 6
const LEAST_PEAK = 0.02
/** A knock rings and bounces: what comes this soon is the same one. */
const SAME_SECONDS = 0.11
const PEAK_SECONDS = 0.03
/** A knock is loudest at once; a voice swells into its vowel. Within so long it must reach this part of what follows. */
const AT_ONCE_SECONDS = 0.021
const AT_ONCE_PART = 0.8
const FOLLOWS_SECONDS = 0.16

/** Counts knocks in a stream; the answer comes once, when it has been quiet for three quarters of a second. */
export class KnockCounter {
  private samples: number[] = []
  private sinceLook = 0
  private room = 0.002

  constructor(private readonly rateHz: number) {}

  /** Takes the next block; @returns how often it was knocked, once that is over; else null. */
  push(block: Float32Array): number | null {
    for (const x of block) this.samples.push(x)
    const most = Math.round(KEPT_SECONDS * this.rateHz)
    if (this.samples.length > most) this.samples.splice(0, this.samples.length - most)
    this.sinceLook += block.length
    if (this.sinceLook < LOOKED_SECONDS * this.rateHz) return null
    this.sinceLook = 0
    const knocks = this.knocks()
    if (knocks.length === 0) {
      this.hearRoom()
      // Nothing of it is needed but what a knock just begun stands against.
      this.samples = this.samples.slice(-Math.round(ROOM_SECONDS * this.rateHz))
      return null
    }
    const quiet = (this.samples.length - knocks[knocks.length - 1].sample) / this.rateHz
    if (quiet < PAUSE_SECONDS) return null
    const heard = knocks.map(({ isKnock }) => isKnock)
    this.samples = []
    // Somebody talks, or music plays: what sounds like knocks within it is no answer.
    return heard.every(Boolean) ? heard.length : null
  }

  private knocks(): Array<{ sample: number; isKnock: boolean }> {
    const least = Math.max(LEAST_PEAK, ABOVE_ROOM * this.room)
    const found: number[] = []
    for (const { sample } of findOnsets(this.samples, this.rateHz)) {
      if (this.peakAt(sample) < least) continue
      const last = found.at(-1)
      if (last === undefined || sample - last > SAME_SECONDS * this.rateHz) found.push(sample)
    }
    return found.map((sample, i) => {
      const follows = Math.min(FOLLOWS_SECONDS, ((found[i + 1] ?? Infinity) - sample) / this.rateHz - 0.02)
      const atOnce = this.peakAt(sample, AT_ONCE_SECONDS)
      return { sample, isKnock: atOnce >= AT_ONCE_PART * this.peakAt(sample, follows) }
    })
  }

  private peakAt(sample: number, seconds = PEAK_SECONDS): number {
    let peak = 0
    const end = Math.min(this.samples.length, sample + seconds * this.rateHz)
    for (let i = sample; i < end; i++) peak = Math.max(peak, Math.abs(this.samples[i]))
    return peak
  }

  /** Loudness between knocks. */
  private hearRoom(): void {
    const last = this.samples.slice(-Math.round(LOOKED_SECONDS * this.rateHz))
    const rms = Math.sqrt(last.reduce((sum, x) => sum + x * x, 0) / Math.max(1, last.length))
    this.room += 0.2 * (rms - this.room)
  }
}
