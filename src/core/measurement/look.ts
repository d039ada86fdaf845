import FFT from 'fft.js'
import { cutTail } from './tail'
import type { TapLook } from './types'

const STRETCHES = 360
const FINEST_STEPS = 4096
const LOWEST_DB = -70

/**
 * Waveform and spectrum of one tap, for looking at. The spectrum is that of the measured tail, Hann-windowed; it is empty
 * where there is no tail.
 * @param strokeSeconds place of the stroke in `samples`
 */
export function lookAt(samples: Float32Array, rateHz: number, strokeSeconds: number): TapLook {
  const wave: TapLook['wave'] = []
  const stretch = Math.max(1, samples.length / STRETCHES)
  for (let k = 0; k < STRETCHES && k * stretch < samples.length; k++) {
    let low = 0
    let high = 0
    for (let i = Math.floor(k * stretch); i < Math.min(samples.length, (k + 1) * stretch); i++) {
      low = Math.min(low, samples[i])
      high = Math.max(high, samples[i])
    }
    wave.push([low, high])
  }
  const look = { wave, seconds: samples.length / rateHz }
  const tail = cutTail(samples, rateHz, Math.round(strokeSeconds * rateHz), samples.length)
  if (!tail || tail.samples.length < 32) return { ...look, spectrumDb: [], stepHz: 1 }
  const count = Math.min(tail.samples.length, FINEST_STEPS)
  const fft = new FFT(FINEST_STEPS)
  const input = new Float64Array(FINEST_STEPS)
  for (let i = 0; i < count; i++) {
    input[i] = tail.samples[i] * (0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / count))
  }
  const bins = fft.createComplexArray() as number[]
  fft.realTransform(bins, input as unknown as number[])
  const stepHz = tail.rateHz / FINEST_STEPS
  const steps = Math.floor(760 / stepHz)
  const power = Array.from({ length: steps }, (_, k) => bins[2 * k] ** 2 + bins[2 * k + 1] ** 2)
  const top = Math.max(...power, 1e-30)
  return {
    ...look,
    spectrumDb: power.map((p) => Math.max(LOWEST_DB, 10 * Math.log10(p / top + 1e-12))),
    stepHz,
  }
}
