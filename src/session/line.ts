import type { OpenMicrophone } from '@/audio/microphone'
import { freshHands, type Hands } from './hands'

/** The open microphone and what came in through it; not shown, and gone with the page. */
export interface Line {
  open: OpenMicrophone | null
  /** Blocks are measured in order: each waits for the one before. */
  queue: Promise<void>
  /** So many samples have come in and wait for those before them to be measured. */
  waitingSamples: number
  levelShownAt: number
  /** What the strokes so far may still mean. */
  hands: Hands
  /** Samples that came in since listening began, and how many of the last were nothing at all. */
  cameIn: { samples: number; silent: number }
}

export const quietLine = (): Line => ({
  open: null,
  queue: Promise.resolve(),
  waitingSamples: 0,
  levelShownAt: 0,
  hands: freshHands(),
  cameIn: { samples: 0, silent: 0 },
})
