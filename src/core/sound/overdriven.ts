/** Samples in a row at the top that mean a rail; a lone one does not. */
const RUN = 4
const AT_TOP = 0.9995
/** A smooth crest is this much wider at a hundredth under its top than at its very top: sqrt(20). A rail is hardly wider. */
const NEAR_TOP = 0.99
const AS_WIDE = 2.5
/** Quieter sound than this, full scale 1, is not at any rail. */
const QUIET = 0.3

/**
 * The last sample of a stretch that stands at the rail; null where none does. The rail is the stretch's own top, since a
 * recording may have been turned down after it was overdriven; the crest of a low tone is round, and is none.
 */
export function lastRailed(samples: Float32Array, from = 0, to = samples.length): number | null {
  let top = 0
  for (let i = from; i < to; i++) top = Math.max(top, Math.abs(samples[i]))
  if (top < QUIET) return null
  const within = (i: number, part: number) => i >= from && i < to && Math.abs(samples[i]) > part * top
  let last: number | null = null
  for (let i = from; i < to; i++) {
    if (!within(i, AT_TOP)) continue
    let end = i
    while (within(end + 1, AT_TOP)) end++
    let [left, right] = [i, end]
    while (within(left - 1, NEAR_TOP)) left--
    while (within(right + 1, NEAR_TOP)) right++
    const run = end - i + 1
    if (run >= RUN && right - left + 1 < AS_WIDE * run) last = end
    i = end
  }
  return last
}
