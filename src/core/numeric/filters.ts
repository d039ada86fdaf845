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
  for (let k = 0; k < out.length; k++) {
    const centre = k * factor
    const first = Math.max(0, centre - half)
    const last = Math.min(samples.length - 1, centre + half)
    let sum = 0
    for (let i = first; i <= last; i++) sum += samples[i] * taps[i - centre + half]
    out[k] = sum
  }
  return out
}
