import type { EvenAnswer, EvenRequest } from '@/core/evening/types'
import type { Harmonics } from '@/core/head/harmonics'
import type { Heard } from '@/core/measurement/listener'
import type { MeasureOptions, Tap } from '@/core/measurement/types'
import type { PracticeDrum, Rods } from '@/core/practice/drum'

/** What the two workers can be asked. Arrays of samples are handed over, not copied: the sender loses them. */
export interface PracticeTap {
  drum: PracticeDrum
  rods: Rods
  other: { lugHz: number; muted: boolean }
  lug: number
  seed: number
  options: MeasureOptions
}

/** The ear: sound to taps, and the practice drum, whose taps go through the same measuring. */
export interface EarApi {
  measure(samples: Float32Array, rateHz: number, options: MeasureOptions): Tap[]
  practiceTap(request: PracticeTap): { tap: Tap; samples: Float32Array; rateHz: number }
  /** Starts listening anew at a rate; blocks are then pushed in order. */
  listen(rateHz: number, options: MeasureOptions): void
  aimAt(options: MeasureOptions): void
  push(block: Float32Array): Heard | null
}

export interface Advice {
  plan: EvenAnswer
  /** Fitted state behind the plan: the newest readings. */
  fit: { harmonics: Harmonics; lugHz: number[] }
  /** After the turns made so far in this pass; null when none was made. */
  forecast: EvenAnswer | null
}

/** The adviser: what is known of a head to the next pass. */
export interface AdviserApi {
  advise(plan: EvenRequest, open: EvenRequest | null): Advice
}
