import { makeNotATap } from '../reference/notTaps'
import { peakOf, put } from '../reference/recordings'
import { encodeWav } from '../src/core/sound/wav'
import { walkAround } from './walk'

const RATE_HZ = 44_100
const LEAD_SECONDS = 0.1
export const FLOOR_TOM_8 = [
  ...['--diameter', '15', '--depth', '13', '--lugs', '8', '--batter-hz', '104', '--plies', '7,7'],
  ...['--rods', '0.08,-0.05,0.02,0,-0.06,0.04,0,0.03', '--noise-db', '-55'],
]
export const AROUND = [1, 2, 3, 4, 5, 6, 7, 8]

/** Strokes of a practice head at the given seconds, each ringing on under the next, with talk between two of those seconds. */
export function strokesAt(
  head: readonly string[],
  strokes: ReadonlyArray<{ lug: number; at: number }>,
  seconds: number,
  talk?: { from: number; to: number },
) {
  const sum = new Float32Array(Math.round(seconds * RATE_HZ))
  let lugHz: number[] = []
  for (const { lug, at } of strokes) {
    const one = walkAround({ order: [lug], args: head, seconds: 2.4, lead: LEAD_SECONDS })
    lugHz = one.lugHz
    put(sum, one.samples, Math.round((at - LEAD_SECONDS) * RATE_HZ), 1)
  }
  if (talk) {
    const { samples } = makeNotATap('speech', 3)
    for (let i = Math.round(talk.from * RATE_HZ); i < talk.to * RATE_HZ; i++)
      sum[i] += 0.6 * samples[i % samples.length]
  }
  const peak = Math.max(1, peakOf(sum))
  return {
    wav: Buffer.from(
      encodeWav(
        sum.map((x) => (0.98 * x) / peak),
        RATE_HZ,
      ),
    ),
    lugHz,
  }
}
