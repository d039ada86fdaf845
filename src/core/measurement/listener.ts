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
  taps: Tap[]
  /** A stroke is ringing and will be measured when it has died away. */
  ringing: boolean
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

  constructor(
    private readonly rateHz: number,
    public options: MeasureOptions = {},
  ) {
    this.buffer = new Float32Array(Math.round(KEPT_SECONDS * rateHz))
  }

  /** Takes the next block; @returns what was heard. */
  push(block: Float32Array): Heard {
    this.append(block)
    const taps: Tap[] = []
    if (!this.pending) this.search()
    if (this.pending && this.rungOut()) taps.push(this.measurePending())
    let level = 0
    for (const x of block) level = Math.max(level, Math.abs(x))
    return { level, noise: this.noise, taps, ringing: this.pending !== null }
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
    const from = Math.max(this.dropped, this.searchedTo - Math.round(NOISE_SECONDS * this.rateHz))
    // The newest 30 ms wait for the next block: a stroke must be seen whole to be placed.
    const to = this.end() - Math.round(0.03 * this.rateHz)
    if (to <= this.searchedTo || to - from < 0.1 * this.rateHz) return
    const stretch = this.slice(from, to)
    const onset = findOnsets(stretch, this.rateHz, 0.05).find((found) => {
      const at = from + found.sample
      return at >= this.searchedTo && this.peakAfter(at) > QUIETEST_PEAK
    })
    if (onset) this.pending = { ...onset, sample: from + onset.sample }
    else this.learnNoise(stretch)
    this.searchedTo = to
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

  private measurePending(): Tap {
    const pending = this.pending!
    const from = Math.max(this.dropped, pending.sample - Math.round(0.4 * this.rateHz))
    const samples = this.slice(from).slice()
    const onset = { sample: pending.sample - from, strength: 1 }
    const end = secondStroke(samples, this.rateHz, onset.sample) ?? samples.length
    this.pending = null
    this.searchedTo = this.end()
    const tap = measureTap(samples, this.rateHz, onset, end, this.options)
    return { ...tap, atSeconds: pending.sample / this.rateHz }
  }
}

/** Where the next stroke begins inside a stretch, if there is one. */
function secondStroke(samples: Float32Array, rateHz: number, first: number): number | null {
  if (edgeEnvelope(samples, rateHz).length === 0) return null
  const later = findOnsets(samples, rateHz, 0.2).find(({ sample }) => sample > first + 0.05 * rateHz)
  return later ? later.sample : null
}
