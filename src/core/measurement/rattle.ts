import { highPass } from '../numeric/filters'

/** Above this only the click, the wires, cymbals and noise are heard: a drum's own modes die there in some ms. */
const FROM_HZ = 1800
const CLICK_OVER_SECONDS = 0.045
const HEARD_SECONDS = 0.1

/**
 * Treble that goes on after the click, as rms between 45 and 145 ms after the stroke, less what was heard before it. Wires
 * that touch the head hiss on for as long as it rings.
 */
export function rattle(samples: Float32Array, rateHz: number, onset: number, end: number): number {
  const at = (seconds: number) => Math.round(seconds * rateHz)
  const from = Math.max(0, onset - at(HEARD_SECONDS + 0.01))
  const to = Math.min(end, onset + at(CLICK_OVER_SECONDS + HEARD_SECONDS))
  const treble = highPass(samples.subarray(from, to), rateHz, FROM_HZ)
  const power = (first: number, last: number) => {
    let sum = 0
    for (let i = Math.max(0, first); i < last; i++) sum += treble[i] ** 2
    return last > first ? sum / (last - Math.max(0, first)) : 0
  }
  const before = power(at(0.01), onset - from - at(0.005))
  const after = power(onset - from + at(CLICK_OVER_SECONDS), to - from)
  return Math.sqrt(Math.max(0, after - 1.5 * before))
}
