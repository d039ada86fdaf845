import type { Feel } from '@/core/head/types'
import type { EvenAnswer, EvenRequest } from '@/core/evening/types'
import type { Harmonics } from '@/core/head/harmonics'
import type { Heard } from '@/core/measurement/listener'
import type { MeasureOptions, Tap, TapLook } from '@/core/measurement/types'
import type { HumbraEvent, Mic } from '@/core/records/event'
import type { PairGrid } from '@/core/pair/map'
import type { PairAnswer, PairRequest } from '@/core/pair/solve'
import type { PlanAnswer, PlanRequest } from '@/core/spacing/types'
import type { PracticeDrum, Rods } from '@/core/practice/drum'
import type { AllAnswers } from '@/core/practice/answers'
import type { DrillRun } from '@/core/ear/result'
import type { Trial } from '@/core/ear/trial'
import type { Trouble } from '@/core/practice/plant'

/** What the two workers can be asked. Arrays of samples are handed over, not copied: the sender loses them. */
export interface PracticeTap {
  drum: PracticeDrum
  rods: Rods
  other: { lugHz: number; muted: boolean }
  /** Lug from 1, or the centre with both heads free. */
  lug: number | 'centre'
  seed: number
  mic: Mic
  /** What muffling and the stand take from the ring, in 1/s. */
  lossPerSecond?: number
  options: MeasureOptions
}

/** The ear: sound to taps, and the practice drum, whose taps go through the same measuring. */
export interface EarApi {
  measure(samples: Float32Array, rateHz: number, options: MeasureOptions): Tap[]
  practiceTap(request: PracticeTap): { tap: Tap; samples: Float32Array; rateHz: number }
  /** The simulated gauge beside every lug, and what a hand feels of every rod. */
  practiceHand(request: Pick<PracticeTap, 'drum' | 'rods' | 'other'>): { dials: number[]; feel: Feel[] }
  /** What a careful person answers to every question of the search for a fault, from the practice drum's state. */
  practiceAnswers(trouble: Trouble): AllAnswers
  /** The next trial of a drill, and the sound of its taps. */
  drillTrial(run: DrillRun): { trial: Trial; sounds: Float32Array[]; rateHz: number }
  /** Starts listening anew at a rate; blocks are then pushed in order. */
  listen(rateHz: number, options: MeasureOptions): void
  aimAt(options: MeasureOptions): void
  push(block: Float32Array): Heard | null
  /** Hears no stroke for so many seconds, counted from so many samples behind the last block pushed. */
  deafen(seconds: number, behind: number, above: boolean): void
  /** Waveform and spectrum of one tap, for looking at. */
  look(samples: Float32Array, rateHz: number, strokeSeconds: number): TapLook
}

export interface Advice {
  plan: EvenAnswer
  /** Fitted state behind the plan: the newest readings. */
  fit: { harmonics: Harmonics | null; lugHz: number[] }
  /** After the turns made so far in this pass; null when none was made. */
  forecast: EvenAnswer | null
}

/** The adviser: what is known of a head to the next pass. */
export interface AdviserApi {
  advise(plan: EvenRequest, open: EvenRequest | null): Advice
  /** Both heads of a drum for what is wanted. */
  pair(request: PairRequest): PairAnswer
  /** Centre pitch over all settings of both heads, as learned from this drum's readings. */
  pairMap(request: Omit<PairRequest, 'want'>): PairGrid
  /** Ranked plans of a kit; the first is the best there is. */
  plan(request: PlanRequest): PlanAnswer
  /** Works out once all that the app would of a log; null where that went well, else what was wrong. */
  tryLog(events: readonly HumbraEvent[], nowMs: number): string | null
}
