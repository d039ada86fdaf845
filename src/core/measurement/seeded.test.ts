import { boundCents } from '@ref/bound'
import { LONG, times } from '@ref/long'
import { makeNotATap, NOT_A_TAP } from '@ref/notTaps'
import { makeTake, type Take } from '@ref/takes'
import { centsBetween } from '../units/pitch'
import { measureSound } from './measure'
import type { Tap } from './types'

/** Many seeded takes with a known truth: what the ear promises must hold over all of them together. */
const measure = (take: Take): Tap => {
  const taps = measureSound(take.samples, take.rateHz, {
    expectHz: take.expectHz,
    expectCents: 250,
    mic: take.mic,
  })
  return taps.find((tap) => Math.abs(tap.atSeconds - take.strokeSeconds) < 0.03) ?? taps[0]
}
const quantile = (values: number[], q: number) =>
  [...values].sort((a, b) => a - b)[Math.floor(q * (values.length - 1))]

describe('takes at 20 dB and above, with pairs, glides, neighbours and both places of the microphone', () => {
  const takes = Array.from({ length: times(30, 110) }, (_, i) =>
    makeTake({ seed: 1000 + i, snrDb: [20, 60] }),
  )
  const heard = takes.map((take) => ({ take, tap: measure(take) }))
  const used = heard.flatMap(({ take, tap }) =>
    tap.hz === null
      ? []
      : [
          {
            take,
            tap,
            error: Math.abs(centsBetween(take.readingHz, tap.hz)),
            claim: Math.abs(1731.23 * (tap.standardErrorHz! / tap.hz)),
          },
        ],
  )

  test('few are refused, the mode is right, the errors are small', () => {
    expect(used.length / takes.length).toBeGreaterThan(0.95)
    const errors = used.map(({ error }) => error)
    expect(Math.max(...errors)).toBeLessThan(30)
    expect(quantile(errors, 0.5)).toBeLessThan(0.35)
    expect(quantile(errors, 0.95)).toBeLessThan(3)
  })

  test('the stated errors cover neither too seldom nor always', () => {
    const covered = used.filter(({ error, claim }) => error < 1.96 * claim).length / used.length
    expect(covered).toBeGreaterThan(0.86)
    // Of thirty takes all may be covered by chance.
    if (LONG) expect(covered).toBeLessThan(0.99)
  })

  test('two poles a width apart are both named', () => {
    const pairs = used.filter(
      ({ take }) =>
        take.splitWidths >= 1 && Math.abs(take.poles[1].amplitude) > 0.05 * Math.abs(take.poles[0].amplitude),
    )
    const named = pairs.filter(({ take, tap }) => {
      const apart = Math.abs(take.poles[0].hz - take.poles[1].hz)
      return (
        tap.poles.length === 2 &&
        tap.poles.every((pole) => take.poles.some(({ hz }) => Math.abs(hz - pole.hz) < 0.3 * apart))
      )
    })
    expect(pairs.length).toBeGreaterThan(takes.length / 11)
    expect(named.length / pairs.length).toBeGreaterThan(0.75)
  })
})

/** The bound is that of the numeric Fisher matrix: Kay, *Fundamentals of Statistical Signal Processing*, chapter 3. */
test('clean takes of one pole come close to the Cramer-Rao bound', () => {
  const ratios = Array.from({ length: times(16, 40) }, (_, i) => {
    const take = makeTake({ seed: 2000 + i, snrDb: [20, 50], clean: true, pair: false })
    const { hz } = measure(take)
    return hz === null ? Infinity : Math.abs(centsBetween(take.readingHz, hz)) / boundCents(take)
  })
  // The absolute value of a normal law has its median at 0.674 standard deviations.
  expect(quantile(ratios, 0.5) / 0.674).toBeLessThan(1.5)
  expect(quantile(ratios, 0.5) / 0.674).toBeGreaterThan(0.6)
})

test.each(NOT_A_TAP)('%s is not taken for a tap', (kind) => {
  const named = Array.from({ length: times(2, 16) }, (_, i) => i + 1).filter((seed) => {
    const { samples, rateHz } = makeNotATap(kind, seed)
    return measureSound(samples, rateHz).some((tap) => tap.verdict === 'ok')
  })
  expect(named.length).toBeLessThanOrEqual(times(0, 1))
})

/** A busy machine drops or repeats ten milliseconds of sound: that must not become a wrong pitch that looks sure. */
test('sound lost in the middle of a tap is measured round, or refused', () => {
  for (let seed = 1; seed <= times(3, 8); seed++) {
    const take = makeTake({ seed: 3000 + seed, snrDb: [40, 55], clean: true, pair: false })
    const cut = Math.round((take.strokeSeconds + 0.12) * take.rateHz)
    const lost = Math.round(0.01 * take.rateHz)
    const samples = Float32Array.from([
      ...take.samples.subarray(0, cut),
      ...take.samples.subarray(cut + lost),
    ])
    const tap = measure({ ...take, samples })
    if (tap.hz === null) continue
    const cents = Math.abs(centsBetween(take.readingHz, tap.hz))
    expect(cents).toBeLessThan(Math.max(6, 4 * 1731 * (tap.standardErrorHz! / tap.hz)))
  }
})

test.each(NOT_A_TAP)('with %s in the background a tap that stands clear is kept, and read right', (kind) => {
  let kept = 0
  const seeds = times(4, 8)
  for (let seed = 1; seed <= seeds; seed++) {
    const take = makeTake({ seed: 4000 + seed, snrDb: [45, 55], clean: true, pair: false })
    const other = makeNotATap(kind, seed)
    // The background's peak is 0.3, the tap's 0.5: brought 30 dB under it. Rates differ by a tenth, which only detunes it.
    const samples = take.samples.map((x, i) => x + 0.05 * other.samples[i % other.samples.length])
    const tap = measure({ ...take, samples })
    if (tap.hz === null) continue
    kept++
    const cents = Math.abs(centsBetween(take.readingHz, tap.hz))
    expect(cents).toBeLessThan(Math.max(8, 4 * 1731 * (tap.standardErrorHz! / tap.hz)))
  }
  expect(kept).toBeGreaterThanOrEqual(times(1, 4))
})
