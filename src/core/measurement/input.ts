/** What to do about the input's gain and the room; null when both are fine. */
export type InputAdvice = 'too-loud' | 'too-soft' | 'noisy-room'

/** Peaks of taps above this are close to the rail; below that they drown in the converter and the room. */
const LOUD_PEAK = 0.9
const SOFT_PEAK = 0.02
/** Noise this close under the peaks of the taps, as a ratio of rms to peak. */
const NOISE_TO_PEAK = 0.03
/** Without taps yet, a room this loud is said to be. */
const LOUD_ROOM = 0.02

/**
 * @param peaks peaks of the newest taps, 0 to 1, newest last; @param noise rms between taps, full scale 1
 */
export function inputAdvice(peaks: readonly number[], noise: number): InputAdvice | null {
  if (peaks.length === 0) return noise > LOUD_ROOM ? 'noisy-room' : null
  const sorted = peaks.slice(-5).sort((a, b) => a - b)
  const middle = sorted[Math.floor(sorted.length / 2)]
  if (middle > LOUD_PEAK) return 'too-loud'
  if (middle < SOFT_PEAK) return 'too-soft'
  return noise > NOISE_TO_PEAK * middle ? 'noisy-room' : null
}
