import type { Samples } from './ringing'

/** A drum's part in a groove: where it plays, in sixteenths from the start of two bars. */
export type Part = 'kick' | 'snare' | 'tom'

const BARS_SIXTEENTHS = 32
/** A plain beat that leaves room to hear each drum: kick on the strong beats, snare between, toms in the gaps. */
const HITS: Record<Part, readonly number[]> = {
  kick: [0, 6, 8, 16, 22, 24],
  snare: [4, 12, 20, 28],
  tom: [10, 14, 26, 30],
}
/** Seconds of a sixteenth at 96 beats a minute; the rest plays softer than the drum that is compared. */
const SIXTEENTH_SECONDS = 60 / 96 / 4
const BESIDE = 0.5
const TAIL_SECONDS = 1
/** Room for hits that fall together. */
const HEADROOM = 0.6

export interface GrooveDrum {
  part: Part
  sound: Samples
  /** The drum that is compared: it plays at full level. */
  own: boolean
}

/** Two bars of all drums at one rate, the compared one in front; toms share the tom part in turn. */
export function groove(drums: readonly GrooveDrum[], rateHz: number): Samples {
  const out = new Float32Array(Math.round((BARS_SIXTEENTHS * SIXTEENTH_SECONDS + TAIL_SECONDS) * rateHz))
  const toms = drums.filter(({ part, own }) => part === 'tom' && !own)
  for (const drum of drums) {
    // The compared tom has its part alone.
    const turn = toms.indexOf(drum)
    const alone = drums.some(({ part, own }) => part === 'tom' && own)
    if (turn >= 0 && alone) continue
    HITS[drum.part].forEach((at, i) => {
      if (turn >= 0 && i % toms.length !== turn) return
      const start = Math.round(at * SIXTEENTH_SECONDS * rateHz)
      const gain = drum.own ? 1 : BESIDE
      const { samples } = drum.sound
      for (let k = 0; k < samples.length && start + k < out.length; k++) out[start + k] += gain * samples[k]
    })
  }
  return { samples: out.map((x) => HEADROOM * x), rateHz }
}
