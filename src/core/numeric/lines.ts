/**
 * Squared size of the discrete-time Fourier transform of real samples at one frequency: |sum x_i e^(-j 2 pi f i / rate)|^2,
 * by one complex rotation a sample.
 */
export function powerAt(samples: Float64Array, rateHz: number, hz: number): number {
  const stepC = Math.cos((2 * Math.PI * hz) / rateHz)
  const stepS = Math.sin((2 * Math.PI * hz) / rateHz)
  let re = 0
  let im = 0
  let c = 1
  let s = 0
  for (let i = 0; i < samples.length; i++) {
    re += samples[i] * c
    im += samples[i] * s
    const next = c * stepC - s * stepS
    s = c * stepS + s * stepC
    c = next
  }
  return re * re + im * im
}
