import { expose, transfer } from 'comlink'
import { Listener } from '@/core/measurement/listener'
import { measureSound } from '@/core/measurement/measure'
import { practiceHead } from '@/core/practice/drum'
import { playTap } from '@/core/practice/tap'
import type { EarApi } from '../protocol'

/** Rate and room noise of the practice drum's sound. */
const PRACTICE_RATE_HZ = 48_000
const PRACTICE_NOISE_DB = -52

let listener: Listener | null = null

const api: EarApi = {
  measure: measureSound,
  practiceTap({ drum, rods, other, lug, seed, options }) {
    const { samples, rateHz } = playTap(practiceHead(drum, rods, other), {
      lug,
      seed,
      rateHz: PRACTICE_RATE_HZ,
      noiseDb: PRACTICE_NOISE_DB,
      finger: true,
    })
    const [tap] = measureSound(samples, rateHz, options)
    return transfer({ tap, samples, rateHz }, [samples.buffer])
  },
  listen(rateHz, options) {
    listener = new Listener(rateHz, options)
  },
  aimAt(options) {
    if (listener) listener.options = options
  },
  push(block) {
    return listener?.push(block) ?? null
  },
}

expose(api)
