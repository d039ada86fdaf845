import { highPass } from '../numeric/filters'

/** What is heard above the drum's own modes around a stroke: the stick's click, the wires, cymbals, voices. */
export interface Treble {
  /** rms that goes on after the click, between 45 and 145 ms after the stroke, less what was heard before it. */
  rattle: number
  /** How many times louder the first moments are than what follows: a click dies at once, a voice or a string goes on. */
  click: number
  /** How many times louder the first moments are than what was heard before them. */
  rose: number
}

/** Above this only the click, the wires, cymbals and noise are heard: a drum's own modes die there in some ms. */
const FROM_HZ = 1800
const CLICK_OVER_SECONDS = 0.045
const HEARD_SECONDS = 0.1
/** The click, with the few ms by which its place may be off, and the stretch that it is held against. */
const CLICK_FROM_SECONDS = -0.003
const CLICK_TO_SECONDS = 0.012
const AFTER_FROM_SECONDS = 0.03

/** @param end sample of the next stroke, or the end of the sound */
export function trebleOf(samples: Float32Array, rateHz: number, onset: number, end: number): Treble {
  const at = (seconds: number) => Math.round(seconds * rateHz)
  const from = Math.max(0, onset - at(HEARD_SECONDS + 0.01))
  const to = Math.min(end, onset + at(CLICK_OVER_SECONDS + HEARD_SECONDS))
  const treble = highPass(samples.subarray(from, to), rateHz, FROM_HZ)
  const stroke = onset - from
  const power = (first: number, last: number) => {
    let sum = 0
    let count = 0
    for (let i = Math.max(0, first); i < Math.min(last, treble.length); i++, count++) sum += treble[i] ** 2
    return count ? sum / count : 0
  }
  const before = power(at(0.01), stroke - at(0.005))
  const first = power(stroke + at(CLICK_FROM_SECONDS), stroke + at(CLICK_TO_SECONDS))
  const after = power(stroke + at(AFTER_FROM_SECONDS), stroke + at(HEARD_SECONDS))
  const ratio = (a: number, b: number) => (a > 0 ? Math.sqrt(a / Math.max(b, 1e-18)) : 0)
  return {
    rattle: Math.sqrt(Math.max(0, power(stroke + at(CLICK_OVER_SECONDS), treble.length) - 1.5 * before)),
    click: ratio(first, after),
    rose: ratio(first, before),
  }
}
