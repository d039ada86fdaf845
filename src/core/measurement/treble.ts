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
/** The click is the loudest 10 ms of these first moments: in noise a stroke is placed some ms early. */
const CLICK_SECONDS = 0.01
const CLICK_AT_SECONDS = [-0.005, 0, 0.005, 0.01, 0.015, 0.02, 0.025]
/** What noise leaves of the stretch behind the click is not known better than this part of it, in power. */
const LEAST_LEFT = 0.1

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
  const first = Math.max(
    ...CLICK_AT_SECONDS.map((seconds) => power(stroke + at(seconds), stroke + at(seconds + CLICK_SECONDS))),
  )
  const after = power(stroke + at(CLICK_OVER_SECONDS), stroke + at(CLICK_OVER_SECONDS + HEARD_SECONDS))
  const left = Math.max(after - before, LEAST_LEFT * after, NOTHING)
  return {
    rattle: Math.sqrt(Math.max(0, after - 1.5 * before)),
    click: Math.sqrt(Math.max(0, first - before) / left),
    rose: Math.sqrt(first / Math.max(before, NOTHING)),
  }
}

const NOTHING = 1e-18
