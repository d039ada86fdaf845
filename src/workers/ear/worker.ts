import { expose, transfer } from 'comlink'
import { Listener } from '@/core/measurement/listener'
import { lookAt } from '@/core/measurement/look'
import { measureSound } from '@/core/measurement/measure'
import { practiceHead } from '@/core/practice/drum'
import { handOn } from '@/core/practice/hand'
import { nextTrial } from '@/core/ear/drill'
import { soundsOf } from '@/core/ear/sound'
import { allAnswers } from '@/core/practice/answers'
import { playTap, STANDING_SPOT } from '@/core/practice/tap'
import type { EarApi } from '../protocol'

/** Rate and room noise of the practice drum's sound. */
const PRACTICE_RATE_HZ = 48_000
const PRACTICE_NOISE_DB = -52
const CENTRE_SECONDS = 2.4

let listener: Listener | null = null

const api: EarApi = {
  measure: measureSound,
  practiceTap({ drum, rods, other, lug, seed, mic, lossPerSecond = 0, options }) {
    const { samples, rateHz } = playTap(practiceHead(drum, rods, other), {
      lug,
      seed,
      rateHz: PRACTICE_RATE_HZ,
      noiseDb: PRACTICE_NOISE_DB,
      finger: lug !== 'centre',
      lossPerSecond,
      // A stroke on the centre of a low drum rings on.
      ...(lug === 'centre' ? { seconds: CENTRE_SECONDS } : {}),
      ...(mic === 'standing' ? { standing: STANDING_SPOT } : {}),
    })
    const [tap] = measureSound(samples, rateHz, options)
    return transfer({ tap, samples, rateHz }, [samples.buffer])
  },
  practiceHand({ drum, rods, other }) {
    return handOn(practiceHead(drum, rods, other))
  },
  practiceAnswers: allAnswers,
  drillTrial(run) {
    const trial = nextTrial(run)
    const sounds = soundsOf(trial, PRACTICE_RATE_HZ)
    return transfer(
      { trial, sounds, rateHz: PRACTICE_RATE_HZ },
      sounds.map(({ buffer }) => buffer),
    )
  },
  listen(rateHz, options) {
    listener = new Listener(rateHz, options)
  },
  aimAt(options) {
    if (listener) listener.options = options
  },
  deafen(seconds, behind, above) {
    listener?.deafen(seconds, behind, above)
  },
  look: lookAt,
  push(block) {
    return listener?.push(block) ?? null
  },
}

expose(api)
