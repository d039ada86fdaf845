import { times } from '@ref/long'
import { practiceHead, roughRods } from '../practice/drum'
import { playTap, STANDING_SPOT } from '../practice/tap'
import { measureSound } from '../measurement/measure'
import { centsBetween } from '../units/pitch'
import { stateLugHz } from './belief'
import { estimateHead } from './estimate'
import { explainPair } from './pairCause'
import type { EvenHead, Round } from './types'

const DRUM = {
  ...{ seedText: 'stand', diameterInches: 14, depthInches: 5.5, lugs: 8, hoop: 'triple-flanged' as const },
  ...{ threadPitchMm: 1.058, pliesMils: [10], otherPliesMils: [10] },
}
const HEAD: EvenHead = { ...DRUM, side: 'batter', other: { hz: 234, pliesMils: [10] } }

/** A head read at every lug by measured taps of the practice drum. */
function readAll(seed: number, standing: boolean, muted = true, otherHz = 320) {
  const head = practiceHead(DRUM, roughRods(8, 234, seed), { lugHz: otherHz, muted })
  const taps = Array.from({ length: 8 }, (_, i) =>
    playTap(head, {
      ...{ lug: i + 1, rateHz: 22_050, seed: seed * 50 + i, noiseDb: -55, finger: true },
      ...(standing ? { standing: STANDING_SPOT } : {}),
    }),
  )
  const readings = taps.flatMap(({ samples }, i) => {
    const [tap] = measureSound(samples, 22_050, {
      ...{ diameterInches: 14, expectHz: 234, expectCents: 200 },
      mic: standing ? 'standing' : 'with-tap',
    })
    return tap.hz === null ? [] : [{ lug: i + 1, modes: tap.poles }]
  })
  const round: Round = {
    readings,
    mic: standing ? 'standing' : 'with-tap',
    otherHead: muted ? 'muted' : 'free',
  }
  return { round, truth: taps[0].truth }
}

/** Common practice says that a still microphone misleads; the estimate must not be led. */
test('a standing microphone misses poles, and the head is found all the same', () => {
  const errors = [1, 2, 3, 4, 5].slice(0, times(3, 5)).map((seed) => {
    const { round, truth } = readAll(seed, true)
    const state = estimateHead(HEAD, [round])
    const found = stateLugHz(state.belief, 8)
    return Math.max(...found.map((hz, i) => Math.abs(centsBetween(truth.lugHz[i], hz))))
  })
  errors.sort((a, b) => a - b)
  expect(errors[Math.floor(errors.length / 2)]).toBeLessThan(8)
})

test('one pitch at every lug of a standing microphone says little of the wave', () => {
  const readings = [1, 2, 3, 4].map((lug) => ({
    lug,
    modes: [{ hz: 234, levelDb: 0, standardErrorHz: 0.05 }],
  }))
  const still = estimateHead(HEAD, [{ readings, mic: 'standing' }]).belief
  const following = estimateHead(HEAD, [{ readings }]).belief
  expect(still.p[6]).toBeGreaterThan(20 * following.p[6])
})

test('why two tones: levels that swing are the head, steady ones the other head', () => {
  const uneven = readAll(3, false)
  expect(explainPair(HEAD, uneven.round)?.cause).toBe('unevenness')
  const pole = (hz: number, levelDb: number) => ({ hz, levelDb, standardErrorHz: 0.05 })
  // Two alike heads, both free: 14 x 5.5 in splits its edge mode into two tones that are alike at every lug.
  const readings = [1, 3, 5, 7].map((lug) => ({ lug, modes: [pole(226, 0), pole(250, -2)] }))
  const coupled = explainPair(
    { ...HEAD, depthInches: 6.5, other: { hz: 234, pliesMils: [10] } },
    { readings, otherHead: 'free' },
  )
  expect(coupled!.coupledCents).toBeGreaterThan(60)
  expect(coupled!.cause).not.toBe('unevenness')
  expect(explainPair(HEAD, { readings, otherHead: 'muted' })?.cause).toBe('unevenness')
  expect(explainPair(HEAD, { readings: [{ lug: 1, modes: [pole(234, 0)] }] })).toBeNull()
})
