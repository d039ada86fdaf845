import { measureTap } from './measure'
import { edgeEnvelope, findOnsets, type Onset } from './onsets'
import type { MeasureOptions, Tap } from './types'

/**
 * Listening without end: takes blocks as they come, finds strokes, waits until each has rung out, and measures it. Holds
 * a few seconds of sound and no more.
 */
export interface Heard {
  /** Peak of the newest block, 0 to 1, and the noise between taps as rms. */
  level: number
  noise: number
  taps: MeasuredTap[]
  /** A stroke is ringing and will be measured when it has died away. */
  ringing: boolean
}

/** A tap with the sound it was measured from, some of the quiet before it included. */
export interface MeasuredTap {
  tap: Tap
  samples: Float32Array
  /** Place of the stroke in `samples`, in seconds. */
  strokeSeconds: number
  /** Seconds after which a second stroke followed while this one rang; null for none. */
  againSeconds: number | null
}

const KEPT_SECONDS = 3.5
/** A stroke is measured after this long, or when it has sunk into the noise. */
const LONGEST_SECONDS = 1.3
const SHORTEST_SECONDS = 0.25
/** Quieter than this is no stroke, whatever its shape: full scale is 1. */
const QUIETEST_PEAK = 0.004
const NOISE_SECONDS = 0.3

export class Listener {
  private readonly buffer: Float32Array
  private filled = 0
  /** Samples dropped off the front so far: places in the stream are kept from its beginning. */
  private dropped = 0
  private pending: Onset | null = null
  private searchedTo = 0
  private noise = 0
  /** No stroke is heard between these places of the stream. */
  private deaf = { from: 0, to: 0 }

  constructor(
    private readonly rateHz: number,
    public options: MeasureOptions = {},
  ) {
    this.buffer = new Float32Array(Math.round(KEPT_SECONDS * rateHz))
  }

  /** Takes the next block; @returns what was heard. */
  push(block: Float32Array): Heard {
    this.append(block)
    const taps: MeasuredTap[] = []
    if (!this.pending) this.search()
    if (this.pending && this.rungOut()) taps.push(this.measurePending())
    let level = 0
    for (const x of block) level = Math.max(level, Math.abs(x))
    return { level, noise: this.noise, taps, ringing: this.pending !== null }
  }

  /**
   * Hears no stroke for a while: what the device itself plays is no tap. What rings already ends there.
   * @param behind samples that have come in but were not pushed yet: the device begins to sound after them
   */
  deafen(seconds: number, behind = 0): void {
    const from = this.end() + behind
    this.deaf = { from, to: from + Math.round(seconds * this.rateHz) }
    if (this.pending && this.pending.sample >= from) this.pending = null
  }

  private append(block: Float32Array): void {
    const over = this.filled + block.length - this.buffer.length
    if (over > 0) {
      this.buffer.copyWithin(0, over, this.filled)
      this.filled -= over
      this.dropped += over
    }
    this.buffer.set(block, this.filled)
    this.filled += block.length
  }

  private end(): number {
    return this.dropped + this.filled
  }

  private slice(from: number, to = this.end()): Float32Array {
    return this.buffer.subarray(Math.max(0, from - this.dropped), Math.max(0, to - this.dropped))
  }

  /** Looks for a stroke in what is new, with some of the quiet before it to compare with. */
  private search(): void {
    const heardFrom = this.searchedTo >= this.deaf.from ? this.deaf.to : 0
    const from = Math.max(this.dropped, heardFrom, this.searchedTo - Math.round(NOISE_SECONDS * this.rateHz))
    // The newest 30 ms wait for the next block: a stroke must be seen whole to be placed.
    const to = this.end() - Math.round(0.03 * this.rateHz)
    if (to <= this.searchedTo || to - from < 0.1 * this.rateHz) return
    const stretch = this.slice(from, to)
    const onset = findOnsets(stretch, this.rateHz, 0.05).find((found) => {
      const at = from + found.sample
      return at >= this.searchedTo && !this.isDeaf(at) && this.peakAfter(at) > QUIETEST_PEAK
    })
    if (onset) this.pending = { ...onset, sample: from + onset.sample }
    else this.learnNoise(stretch)
    this.searchedTo = to
  }

  private isDeaf(at: number): boolean {
    return at >= this.deaf.from && at < this.deaf.to
  }

  private peakAfter(at: number): number {
    let peak = 0
    for (const x of this.slice(at, at + Math.round(0.02 * this.rateHz))) peak = Math.max(peak, Math.abs(x))
    return peak
  }

  private learnNoise(stretch: Float32Array): void {
    let sum = 0
    for (const x of stretch) sum += x * x
    const rms = Math.sqrt(sum / stretch.length)
    this.noise = this.noise === 0 ? rms : 0.8 * this.noise + 0.2 * rms
  }

  private rungOut(): boolean {
    const since = (this.end() - this.pending!.sample) / this.rateHz
    if (since >= LONGEST_SECONDS) return true
    if (since < SHORTEST_SECONDS) return false
    let sum = 0
    const last = this.slice(this.end() - Math.round(0.06 * this.rateHz))
    for (const x of last) sum += x * x
    return Math.sqrt(sum / last.length) < 1.3 * this.noise
  }

  private measurePending(): MeasuredTap {
    const pending = this.pending!
    const from = Math.max(this.dropped, pending.sample - Math.round(0.4 * this.rateHz))
    const samples = this.slice(from).slice()
    const onset = { sample: pending.sample - from, strength: 1 }
    const heardTo =
      this.deaf.from > pending.sample ? Math.min(samples.length, this.deaf.from - from) : samples.length
    const again = secondStroke(samples, this.rateHz, onset.sample)
    const end = Math.min(again ?? heardTo, heardTo)
    this.pending = null
    this.searchedTo = this.end()
    const tap = measureTap(samples, this.rateHz, onset, end, this.options)
    return {
      tap: { ...tap, atSeconds: pending.sample / this.rateHz },
      samples,
      strokeSeconds: onset.sample / this.rateHz,
      againSeconds: again === null ? null : (again - onset.sample) / this.rateHz,
    }
  }
}

/** Where the next stroke begins inside a stretch, if there is one. */
function secondStroke(samples: Float32Array, rateHz: number, first: number): number | null {
  if (edgeEnvelope(samples, rateHz).length === 0) return null
  const later = findOnsets(samples, rateHz, 0.2).find(({ sample }) => sample > first + 0.05 * rateHz)
  return later ? later.sample : clickWhileRinging(samples, rateHz, first)
}

const CLICK_SECONDS = 0.002
/** A stroke on a head that still rings: its click is this part of the first one's, and stands out this far. */
const CLICK_PART = 0.25
const CLICK_RISE = 3
const CLICK_BEFORE = 10

/**
 * A second stroke while the first still rings hardly shows in the sound's level. Its click does, once the tones are taken
 * down: the second difference weighs by the square of the frequency.
 */
function clickWhileRinging(samples: Float32Array, rateHz: number, first: number): number | null {
  const hop = Math.max(1, Math.round(CLICK_SECONDS * rateHz))
  const sharp = Float64Array.from({ length: Math.floor(samples.length / hop) }, (_, k) => {
    let sum = 0
    for (let i = Math.max(2, k * hop); i < (k + 1) * hop; i++)
      sum += (samples[i] - 2 * samples[i - 1] + samples[i - 2]) ** 2
    return Math.sqrt(sum / hop)
  })
  const at = Math.floor(first / hop)
  const loud = Math.max(...sharp.subarray(at, at + 8))
  for (let k = at + Math.round(0.15 / CLICK_SECONDS); k < sharp.length; k++) {
    const before = Math.max(...sharp.subarray(k - CLICK_BEFORE, k - 1))
    if (sharp[k] > CLICK_PART * loud && sharp[k] > CLICK_RISE * before) return k * hop
  }
  return null
}
