/** Where heads ring: a hat, a click, the hiss of a room have little there. */
const BAND_HZ = 450
/** What a stroke brings is heard here, against what was there just before. */
const FROM_SECONDS = 0.012
const TO_SECONDS = 0.08
const BEFORE_SECONDS = 0.05
const BEFORE_GAP_SECONDS = 0.008

/**
 * Power that a stroke brings into the band of heads, full scale 1: how strong it was, whatever its click was like.
 * @param stroke sample of the stroke in `samples`
 * @param end sample of the next stroke, whose power is not its own
 */
export function bodyOf(samples: Float32Array, rateHz: number, stroke: number, end = samples.length): number {
  const at = (seconds: number) => Math.round(seconds * rateHz)
  const from = Math.max(0, stroke - at(BEFORE_SECONDS + BEFORE_GAP_SECONDS))
  const to = Math.min(end, stroke + at(TO_SECONDS))
  const keep = Math.exp((-2 * Math.PI * BAND_HZ) / rateHz)
  let once = 0
  let twice = 0
  let before = 0
  let after = 0
  const beforeTo = stroke - at(BEFORE_GAP_SECONDS)
  const afterFrom = stroke + at(FROM_SECONDS)
  for (let i = from; i < to; i++) {
    once = keep * once + (1 - keep) * samples[i]
    twice = keep * twice + (1 - keep) * once
    if (i < beforeTo) before += twice ** 2
    else if (i >= afterFrom) after += twice ** 2
  }
  const mean = (sum: number, count: number) => (count > 0 ? sum / count : 0)
  return Math.max(0, mean(after, to - afterFrom) - mean(before, beforeTo - from))
}
