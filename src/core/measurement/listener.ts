import { filterAndDecimate, lowPassTaps } from '../numeric/filters'
import { median } from '../numeric/median'
import { measureTap } from './measure'
import { bodyOf } from './body'
import { findOnsets, type Onset } from './onsets'
import { WIDE_BAND } from './tail'
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
  /** Seconds since the stroke before, where this one followed while that one still rang; null for none. */
  afterSeconds: number | null
  /** Power against that of the taps before which could be read: 1 for as strong; null while there are too few. */
  againstHand: number | null
}

const KEPT_SECONDS = 3.5
/** A stroke is measured after this long, or when it has sunk into the noise. */
const LONGEST_SECONDS = 1.3
const SHORTEST_SECONDS = 0.25
/** Quieter than this is no stroke, whatever its shape: full scale is 1. */
const QUIETEST_PEAK = 0.004
/** A room is quiet where a stroke's peak stands this far over its rms: 45 dB. */
const QUIET_ROOM = 10 ** (45 / 20)
const NOISE_SECONDS = 0.3
/** Sound is looked through in steps of the stream, whatever blocks it comes in. */
const STEP_SECONDS = 0.06
/** A stroke must be seen for so long to be placed; what lies nearer to the end of a search is searched again. */
const SEEN_SECONDS = 0.06
/** A stroke this soon after another is a stick that bounced: no stroke of its own. */
const BOUNCE_SECONDS = 0.2
/**
 * Only a comparable stroke is a second one: it brings at least this part of the first one's power into the band of heads. What
 * is fainter (a hat, a word, the loop that plays) rings on under the tap and neither ends nor doubles it.
 */
const COMPARABLE = 0.1
/** Two onsets closer than this are one stroke. */
const SAME_SECONDS = 0.03
/** ... and one that brings so many times more was the stroke that was meant, whatever came just before it. */
const MUCH_MORE = 3
/** A stroke's click lies this near to where its low tones are seen to begin. */
const CLICK_NEAR_SECONDS = 0.012
/** Taps so far, of which the middle one says how strong this hand strikes; what is so much fainter is no tap. */
const HANDS_KEPT = 7
const FEWEST_FOR_A_HAND = 2
const FAR_FAINTER = 0.02

interface Pending extends Onset {
  /** Power that it brought into the band of heads. */
  body: number
  /** Sample of the stroke before, while that one still rang. */
  after: number | null
}

export class Listener {
  private readonly buffer: Float32Array
  private filled = 0
  /** Samples dropped off the front so far: places in the stream are kept from its beginning. */
  private dropped = 0
  private pending: Pending | null = null
  private searchedTo = 0
  private noise = 0
  /** Power that the newest taps which could be read brought in. */
  private hand: number[] = []
  /** Power that the newest stroke brought in, whether it could be read or not. */
  private newest = Infinity
  /** No stroke is heard between these places of the stream. */
  private deaf = { from: 0, to: 0, above: false }

  constructor(
    private readonly rateHz: number,
    public options: MeasureOptions = {},
  ) {
    this.buffer = new Float32Array(Math.round(KEPT_SECONDS * rateHz))
  }

  /** Takes the next block; @returns what was heard. The same sound gives the same taps in blocks of any size. */
  push(block: Float32Array): Heard {
    const taps: MeasuredTap[] = []
    const step = Math.round(STEP_SECONDS * this.rateHz)
    for (let at = 0; at < block.length;) {
      const part = block.subarray(at, at + step - (this.end() % step))
      this.append(part)
      at += part.length
      if (this.end() % step > 0) continue
      if (!this.pending) this.search()
      if (this.pending && this.rungOut()) taps.push(...this.measurePending())
    }
    let level = 0
    for (const x of block) level = Math.max(level, Math.abs(x))
    return { level, noise: this.noise, taps, ringing: this.pending !== null }
  }

  /**
   * Hears no stroke for a while: what the device itself plays is no tap. What rings already ends there, unless what is
   * played lies above every head's tones.
   * @param behind samples that have come in but were not pushed yet: the device begins to sound after them
   */
  deafen(seconds: number, behind = 0, above = false): void {
    const from = this.end() + behind
    this.deaf = { from, to: from + Math.round(seconds * this.rateHz), above }
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
    const heardFrom = this.searchedTo >= this.deaf.from && !this.deaf.above ? this.deaf.to : 0
    const from = Math.max(this.dropped, heardFrom, this.searchedTo - Math.round(NOISE_SECONDS * this.rateHz))
    const to = this.end() - Math.round(SEEN_SECONDS * this.rateHz)
    if (to <= this.searchedTo || to - from < 0.1 * this.rateHz) return
    const heard = this.slice(from)
    const found = (this.playsIn(from) ? this.onsetsUnder(heard) : findOnsets(heard, this.rateHz, 0.05))
      .map((onset) => ({
        ...onset,
        sample: from + onset.sample,
        body: bodyOf(heard, this.rateHz, onset.sample),
      }))
      .find(({ sample, body }) => {
        const isNew = sample >= this.searchedTo && sample < to && !this.isDeaf(sample, body)
        return isNew && this.peakAfter(sample) > QUIETEST_PEAK && !this.isFarFainter(body)
      })
    if (found) this.pending = { ...found, after: null }
    else this.learnNoise(this.slice(from, to))
    this.searchedTo = Math.max(this.searchedTo, to - Math.round(SEEN_SECONDS * this.rateHz))
  }

  private isFarFainter(body: number): boolean {
    return this.hand.length >= FEWEST_FOR_A_HAND && body < FAR_FAINTER * median(this.hand)
  }

  /** What is played above every head's tones brings nothing into their band: a stroke is heard beside it. */
  private isDeaf(at: number, body: number): boolean {
    if (at < this.deaf.from || at >= this.deaf.to) return false
    const usual = this.hand.length > 0 ? median(this.hand) : this.newest
    return !(this.deaf.above && body > FAR_FAINTER * usual)
  }

  private playsIn(from: number): boolean {
    return this.deaf.above && from < this.deaf.to && this.end() > this.deaf.from
  }

  /**
   * A tone of the device's own that begins beside a stroke would take its place: strokes are sought below it, and placed
   * by their click where that is seen.
   */
  private onsetsUnder(samples: Float32Array): Onset[] {
    const { endHz, workingRateHz } = WIDE_BAND
    const stopHz = Math.min(workingRateHz - endHz, 0.49 * this.rateHz)
    const low = filterAndDecimate(samples, lowPassTaps(this.rateHz, endHz, stopHz, 60), 1)
    const clicks = findOnsets(samples, this.rateHz, 0.05)
    const near = CLICK_NEAR_SECONDS * this.rateHz
    return findOnsets(low, this.rateHz, 0.05).map(
      (onset) => clicks.find(({ sample }) => Math.abs(sample - onset.sample) < near) ?? onset,
    )
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
    // In noise a ring is measured long after it cannot be heard any more: only in a quiet room its end is its end.
    if (since < SHORTEST_SECONDS || this.peakAfter(this.pending!.sample) < QUIET_ROOM * this.noise)
      return false
    let sum = 0
    const last = this.slice(this.end() - Math.round(0.06 * this.rateHz))
    for (const x of last) sum += x * x
    return Math.sqrt(sum / last.length) < 1.3 * this.noise
  }

  /** The tap that was waiting; none where a stroke that brought much more followed at once: that one is waiting now. */
  private measurePending(): MeasuredTap[] {
    const pending = this.pending!
    const from = Math.max(this.dropped, pending.sample - Math.round(0.4 * this.rateHz))
    const samples = this.slice(from).slice()
    const stroke = pending.sample - from
    const bounced = stroke + Math.round(BOUNCE_SECONDS * this.rateHz)
    const heardTo =
      this.deaf.from > pending.sample && !this.deaf.above
        ? Math.min(samples.length, this.deaf.from - from)
        : samples.length
    const later = laterStrokes(samples, this.rateHz, stroke).filter(
      ({ body }) => body > COMPARABLE * pending.body,
    )
    const meant = later.find(
      ({ sample, body }) =>
        sample < bounced && body > MUCH_MORE * bodyOf(samples, this.rateHz, stroke, sample),
    )
    const next = meant ?? later.find(({ sample }) => sample >= bounced)
    this.pending =
      next && !this.isDeaf(from + next.sample, next.body)
        ? { ...next, sample: from + next.sample, after: meant ? pending.after : pending.sample }
        : null
    this.searchedTo = Math.max(
      pending.sample + Math.round(BOUNCE_SECONDS * this.rateHz),
      this.end() - Math.round((SEEN_SECONDS + SEEN_SECONDS) * this.rateHz),
    )
    if (meant) return []
    this.newest = pending.body
    const again = later[0]?.sample ?? null
    const onset = { sample: stroke, strength: 1 }
    const againstHand = this.hand.length < FEWEST_FOR_A_HAND ? null : pending.body / median(this.hand)
    const tap = measureTap(samples, this.rateHz, onset, Math.min(again ?? heardTo, heardTo), this.options)
    if (tap.hz !== null) this.hand = [...this.hand, pending.body].slice(-HANDS_KEPT)
    return [
      {
        tap: { ...tap, atSeconds: pending.sample / this.rateHz },
        samples,
        strokeSeconds: stroke / this.rateHz,
        againSeconds: again === null ? null : (again - stroke) / this.rateHz,
        afterSeconds: pending.after === null ? null : (pending.sample - pending.after) / this.rateHz,
        againstHand,
      },
    ]
  }
}

interface Stroke extends Onset {
  body: number
}

/** Strokes behind the first one of a stretch, in time order. */
function laterStrokes(samples: Float32Array, rateHz: number, first: number): Stroke[] {
  const from = first + SAME_SECONDS * rateHz
  const found = findOnsets(samples, rateHz, 0.05).filter(({ sample }) => sample > from)
  if (found.length === 0) {
    const click = clickWhileRinging(samples, rateHz, first, from)
    if (click !== null) found.push({ sample: click, strength: 1 })
  }
  return found.map((onset) => ({ ...onset, body: bodyOf(samples, rateHz, onset.sample) }))
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
function clickWhileRinging(
  samples: Float32Array,
  rateHz: number,
  first: number,
  from: number,
): number | null {
  const hop = Math.max(1, Math.round(CLICK_SECONDS * rateHz))
  const sharp = Float64Array.from({ length: Math.floor(samples.length / hop) }, (_, k) => {
    let sum = 0
    for (let i = Math.max(2, k * hop); i < (k + 1) * hop; i++)
      sum += (samples[i] - 2 * samples[i - 1] + samples[i - 2]) ** 2
    return Math.sqrt(sum / hop)
  })
  const at = Math.floor(first / hop)
  const loud = Math.max(...sharp.subarray(at, at + 8))
  const earliest = Math.max(at + Math.round(0.15 / CLICK_SECONDS), Math.ceil(from / hop))
  for (let k = earliest; k < sharp.length; k++) {
    const before = Math.max(...sharp.subarray(k - CLICK_BEFORE, k - 1))
    if (sharp[k] > CLICK_PART * loud && sharp[k] > CLICK_RISE * before) return k * hop
  }
  return null
}
