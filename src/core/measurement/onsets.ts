/** Finding the strokes in a stretch of sound. */

export interface Onset {
  /** First sample of the stroke. */
  sample: number
  /** Height of the stroke in the edge envelope, relative to the loudest stroke of the stretch (0 to 1]. */
  strength: number
}

/** The envelope is an rms of the first difference over 4 ms, read every 2 ms: a stick's click is mostly treble. */
const HOP_SECONDS = 0.002
const WINDOW_HOPS = 2
/** A stroke rises at least this many times within three hops; beating poles never rise that fast. */
const RISE = 3
/** ... and stands this far above the quiet parts. */
const ABOVE_FLOOR = 5
/** Rises closer together than this are one stroke: the stick's own bounce of a light tap takes longer. */
const MERGE_SECONDS = 0.025

/** rms of the first difference in windows of 4 ms, one value every 2 ms. */
export function edgeEnvelope(samples: ArrayLike<number>, rateHz: number): Float64Array {
  const hop = Math.max(1, Math.round(HOP_SECONDS * rateHz))
  const count = Math.max(0, Math.floor(samples.length / hop) - 1)
  const energy = new Float64Array(count)
  for (let k = 0; k < count; k++) {
    const first = Math.max(1, k * hop)
    const last = Math.min(samples.length, (k + WINDOW_HOPS) * hop)
    let sum = 0
    for (let i = first; i < last; i++) sum += (samples[i] - samples[i - 1]) ** 2
    energy[k] = Math.sqrt(sum / Math.max(1, last - first))
  }
  return energy
}

function quantile(values: ArrayLike<number>, q: number): number {
  const sorted = Float64Array.from(values).sort()
  return sorted.length ? sorted[Math.floor(q * (sorted.length - 1))] : 0
}

/**
 * The strokes in `samples`, in time order.
 * @param strongest only strokes at least this fraction of the strongest are given (default 0.02, -34 dB)
 */
export function findOnsets(samples: ArrayLike<number>, rateHz: number, strongest = 0.02): Onset[] {
  const envelope = edgeEnvelope(samples, rateHz)
  if (envelope.length < 8) return []
  const hop = Math.max(1, Math.round(HOP_SECONDS * rateHz))
  const floor = quantile(envelope, 0.2)
  let top = 0
  for (const value of envelope) top = Math.max(top, value)
  const onsets: Onset[] = []
  for (let k = 1; k < envelope.length; k++) {
    const before = Math.max(
      envelope[Math.max(0, k - 3)],
      envelope[Math.max(0, k - 4)],
      envelope[Math.max(0, k - 5)],
    )
    const value = envelope[k]
    if (value <= RISE * before || value <= ABOVE_FLOOR * floor || value <= strongest * top) continue
    const sample = Math.max(0, (k - 1) * hop)
    const last = onsets.at(-1)
    if (last && sample - last.sample < MERGE_SECONDS * rateHz) continue
    let peak = value
    for (let j = k; j < Math.min(envelope.length, k + 8); j++) peak = Math.max(peak, envelope[j])
    onsets.push({ sample: sharpen(samples, sample, hop), strength: top > 0 ? peak / top : 0 })
  }
  return onsets.filter((onset) => onset.strength >= strongest)
}

/** Moves an onset to the first sample that reaches a fifth of the steepest edge within the next 8 ms. */
function sharpen(samples: ArrayLike<number>, from: number, hop: number): number {
  const end = Math.min(samples.length, from + 4 * hop)
  let steepest = 0
  for (let i = from + 1; i < end; i++) steepest = Math.max(steepest, Math.abs(samples[i] - samples[i - 1]))
  for (let i = from + 1; i < end; i++) {
    if (Math.abs(samples[i] - samples[i - 1]) > 0.2 * steepest) return i
  }
  return from
}
