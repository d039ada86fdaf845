/**
 * Linear-phase FIR filters and decimation.
 *
 * Windowed-sinc design with a Kaiser window; the length and shape formulas are Kaiser's (Oppenheim & Schafer,
 * *Discrete-Time Signal Processing*, section 7.5.3).
 */

/** Modified Bessel function I_0 by its power series (Abramowitz & Stegun 9.6.12). */
function besselI0(x: number): number {
  let term = 1
  let sum = 1
  for (let k = 1; term > 1e-16 * sum; k++) {
    term *= (x / (2 * k)) ** 2
    sum += term
  }
  return sum
}

/**
 * Low-pass filter taps (odd length, unit gain at 0 Hz).
 * @param passHz end of the pass band; @param stopHz start of the stop band, both below rateHz / 2
 * @param attenuationDb stop-band attenuation
 */
export function lowPassTaps(
  rateHz: number,
  passHz: number,
  stopHz: number,
  attenuationDb = 80,
): Float64Array {
  const width = (2 * Math.PI * (stopHz - passHz)) / rateHz
  const half = Math.ceil((attenuationDb - 8) / (2.285 * width) / 2)
  const beta = attenuationDb > 50 ? 0.1102 * (attenuationDb - 8.7) : 0
  const cutoff = (passHz + stopHz) / rateHz
  const taps = new Float64Array(2 * half + 1)
  let sum = 0
  for (let i = -half; i <= half; i++) {
    const ideal = i === 0 ? cutoff : Math.sin(Math.PI * cutoff * i) / (Math.PI * i)
    const window = besselI0(beta * Math.sqrt(Math.max(0, 1 - (i / half) ** 2))) / besselI0(beta)
    taps[i + half] = ideal * window
    sum += taps[i + half]
  }
  return taps.map((tap) => tap / sum)
}

/**
 * Filters `samples` and keeps every `factor`-th result. The filter's delay is taken out: output k stands at input
 * sample k * factor. Outside the input everything is taken as zero.
 */
export function filterAndDecimate(
  samples: ArrayLike<number>,
  taps: Float64Array,
  factor: number,
): Float64Array {
  const half = (taps.length - 1) / 2
  const out = new Float64Array(Math.ceil(samples.length / factor))
  // One array of one kind with silence round it, and four sums side by side: an addition need not wait for the one before.
  const padded = new Float64Array(samples.length + taps.length)
  padded.set(samples, half)
  const whole = taps.length - (taps.length % 4)
  for (let k = 0; k < out.length; k++) {
    const from = k * factor
    let s0 = 0
    let s1 = 0
    let s2 = 0
    let s3 = 0
    for (let i = 0, at = from; i < whole; i += 4, at += 4) {
      s0 += padded[at] * taps[i]
      s1 += padded[at + 1] * taps[i + 1]
      s2 += padded[at + 2] * taps[i + 2]
      s3 += padded[at + 3] * taps[i + 3]
    }
    for (let i = whole; i < taps.length; i++) s0 += padded[from + i] * taps[i]
    out[k] = s0 + s1 + (s2 + s3)
  }
  return out
}

/** Two second-order Butterworth-like high passes in a row (bilinear transform; Oppenheim & Schafer, section 7.2). */
export function highPass(samples: ArrayLike<number>, rateHz: number, cutoffHz: number): Float64Array {
  const w = Math.tan((Math.PI * cutoffHz) / rateHz)
  let input: ArrayLike<number> = samples
  let out = new Float64Array(samples.length)
  for (const q of [0.541, 1.307]) {
    const norm = 1 / (1 + w / q + w * w)
    const a1 = 2 * (w * w - 1) * norm
    const a2 = (1 - w / q + w * w) * norm
    out = new Float64Array(samples.length)
    let x1 = 0
    let x2 = 0
    let y1 = 0
    let y2 = 0
    for (let i = 0; i < samples.length; i++) {
      const x = input[i]
      const y = norm * (x - 2 * x1 + x2) - a1 * y1 - a2 * y2
      x2 = x1
      x1 = x
      y2 = y1
      y1 = y
      out[i] = y
    }
    input = out
  }
  return out
}
