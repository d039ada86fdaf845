import FFT from 'fft.js'
import { measureSound } from '@/core/measurement/measure'
import { heardLugHz, playTap } from '@/core/practice/tap'
import { practiceHead, roughRods } from '@/core/practice/drum'
import { centsBetween } from '@/core/units/pitch'
import { median, medianMs, printTable, quantile } from './stats'

const RATE_HZ = 48_000
const SIZES = [
  { inches: 10, depth: 6.5, lugs: 6, plies: [7, 7], hz: 290 },
  { inches: 12, depth: 7, lugs: 6, plies: [7, 7], hz: 200 },
  { inches: 14, depth: 5.5, lugs: 10, plies: [10], hz: 234 },
  { inches: 15, depth: 13, lugs: 8, plies: [7, 7], hz: 110 },
  { inches: 20, depth: 15, lugs: 8, plies: [10], hz: 66 },
]
const TAKES = 24

/** Error and time of measuring taps of the practice drum: heads rough by a tenth of a turn, noise 50 dB under the peak. */
export function benchMeasuring(): void {
  const rows = SIZES.map(({ inches, depth, lugs, plies, hz }) => {
    const errors: number[] = []
    const claims: number[] = []
    let refused = 0
    let wrongMode = 0
    let within = 0
    for (let take = 0; take < TAKES; take++) {
      const head = practiceHead(
        {
          seedText: `bench${inches}`,
          diameterInches: inches,
          depthInches: depth,
          lugs,
          hoop: 'triple-flanged',
          threadPitchMm: 1.058,
          pliesMils: plies,
          otherPliesMils: [10],
        },
        roughRods(lugs, hz, take + 1),
        { lugHz: hz * 1.3, muted: true },
      )
      const lug = 1 + (take % lugs)
      const played = playTap(head, { lug, rateHz: RATE_HZ, seed: take + 1, noiseDb: -50, finger: true })
      const [tap] = measureSound(played.samples, RATE_HZ, {
        diameterInches: inches,
        expectHz: hz,
        expectCents: 250,
      })
      if (tap.hz === null || tap.standardErrorHz === null) {
        refused++
        continue
      }
      const error = Math.abs(centsBetween(heardLugHz(played), tap.hz))
      if (error > 100) wrongMode++
      errors.push(error)
      claims.push((1731.2 * tap.standardErrorHz) / tap.hz)
      if (error < 1.96 * claims.at(-1)!) within++
    }
    return [
      `${inches} in at ${hz} Hz`,
      median(errors).toFixed(2),
      quantile(errors, 0.95).toFixed(2),
      Math.max(...errors).toFixed(1),
      median(claims).toFixed(2),
      `${Math.round((100 * within) / errors.length)}%`,
      String(wrongMode),
      String(refused),
    ]
  })
  printTable(
    `Lug taps of the practice drum, ${TAKES} a size, noise at −50 dB: error in cents`,
    ['drum', 'median', '95%', 'worst', 'claimed', 'within 95% claim', 'wrong mode', 'refused'],
    rows,
  )
}

/** Time from a second of samples to a reading, beside one FFT of the same length (fft.js). */
export function benchMeasuringTime(): void {
  const rows = SIZES.map(({ inches, depth, lugs, plies, hz }) => {
    const head = practiceHead(
      {
        seedText: 'time',
        diameterInches: inches,
        depthInches: depth,
        lugs,
        hoop: 'triple-flanged',
        threadPitchMm: 1.058,
        pliesMils: plies,
        otherPliesMils: [10],
      },
      roughRods(lugs, hz, 3),
      { lugHz: hz * 1.3, muted: true },
    )
    const { samples } = playTap(head, {
      lug: 2,
      rateHz: RATE_HZ,
      seed: 5,
      noiseDb: -50,
      finger: true,
      seconds: 1,
      leadSeconds: 0.1,
    })
    const measured = medianMs(() => void measureSound(samples, RATE_HZ, { diameterInches: inches }))
    const fft = new FFT(65_536)
    const input = new Float64Array(65_536)
    input.set(samples)
    const spectrum = fft.createComplexArray() as number[]
    const transform = medianMs(() => fft.realTransform(spectrum, input as unknown as number[]))
    return [
      `${inches} in at ${hz} Hz`,
      `${measured.toFixed(0)} ms`,
      `${transform.toFixed(2)} ms`,
      `${(measured / transform).toFixed(0)} ×`,
    ]
  })
  printTable(
    'One second at 48 kHz to a reading, median',
    ['drum', 'samples to reading', 'one FFT (fft.js)', 'ratio'],
    rows,
  )
}
