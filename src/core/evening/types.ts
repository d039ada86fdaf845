import type { EvenHead, Learned, Round } from '../head/types'

/** The words of the `even` request and answer; `records/even.ts` guards them at the door. */
export type EvenTarget = { hz: number } | { level: true } | { profileHz: number[] }

export interface EvenRequest {
  head: EvenHead
  target: EvenTarget
  toleranceCents?: number
  keys?: 1 | 2
  largestStepTurns?: number
  smallestStepTurns?: number
  rounds: Round[]
  start?: 'slack' | 'unknown'
  learned?: Learned
}

export type Reason = 'within-tolerance' | 'no-turn-helps' | 'ceiling' | 'back-to-slack' | 'need-readings'

/** What the hand does at once: at most as many rods as there are keys. Rods are numbered from 1. */
export interface Step {
  rods: number[]
  turns: number[]
}

export interface EvenAnswer {
  done: boolean
  reason: Reason | null
  turns: number[]
  steps: Step[]
  pressAfter: boolean
  targetHz: number
  toleranceCents: number
  predictedHz: number[]
  predictedErrorCents: number[]
  spreadCents: number
  spreadErrorCents: number
  meanHz: number
  meanErrorCents: number
  confidence: number
  /** Lugs (from 1) most worth tapping next, best first. */
  readNext: number[]
  /** Lugs of the newest round whose readings were left out as another mode or a slip. */
  leftOut: number[]
  learned: Learned
}
