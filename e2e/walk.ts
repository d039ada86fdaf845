import { playedBy } from '../cli/tap'
import { encodeWav } from '../src/core/sound/wav'

const RATE_HZ = 44_100

export interface Walk {
  wav: Buffer
  samples: Float32Array
  /** True lug pitches. */
  lugHz: number[]
}

/** Options of the command `tap` as they are written: `--diameter 15 --lugs 8`. */
const optionsOf = (args: readonly string[]) =>
  Object.fromEntries(args.flatMap((arg, i) => (i % 2 ? [] : [[arg.slice(2), args[i + 1]]])))

/** A walk around a practice head as one recording: every lug tapped in turn, in room noise, as the command `tap` makes it. */
export function walkAround({
  order,
  args,
  seconds,
  lead,
  before = 0,
}: {
  order: readonly number[]
  args: readonly string[]
  seconds: number
  lead: number
  /** A microphone takes a while to open: so much more quiet in front of the first stroke. */
  before?: number
}): Walk {
  const played = order.map((lug, i) => {
    const quiet = i === 0 ? before : 0
    const tap = playedBy({
      ...optionsOf(args),
      ...{ at: `lug:${lug}`, seed: String(i + 1), rate: String(RATE_HZ) },
      ...{ seconds: String(seconds + quiet), lead: String(lead + quiet) },
    })
    if (typeof tap === 'string') throw new Error(tap)
    return tap
  })
  const samples = Float32Array.from(played.flatMap((tap) => [...tap.samples]))
  return { samples, wav: Buffer.from(encodeWav(samples, RATE_HZ)), lugHz: played[0].truth.lugHz }
}

export const centsApart = (a: number, b: number) => Math.abs(1200 * Math.log2(a / b))
