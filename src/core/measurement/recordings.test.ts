import { LONG } from '@ref/long'
import { fontOf, sonic as recorded, type Sound } from '@ref/recordings'
import { centsBetween } from '../units/pitch'
import { measureSound } from './measure'
import type { MeasureOptions, Tap } from './types'

// Recorded drums: what they truly sound like nobody has written down, so layers of one drum are checked against each other.

/** The recordings begin with the stroke, as samples and cropped clips do, and are read as they are. */
function measureSample({ samples, rateHz }: Sound, options: MeasureOptions = {}): Tap {
  return measureSound(samples, rateHz, options)[0]
}

const layers = (font: number, numbers: number[], options?: MeasureOptions) =>
  numbers.map((number) => measureSample(fontOf(font)[number], options))

test('the reader finds every sample of both fonts', () => {
  const fonts = [fontOf(0), fontOf(1)]
  expect(fonts.map((font) => font.length)).toEqual([118, expect.any(Number)])
  for (const { rateHz, count } of fonts.flat()) {
    expect(rateHz).toBeGreaterThanOrEqual(22_050)
    expect(count).toBeGreaterThan(1000)
  }
})

/** Hits of one drum begin up to hundreds of cents apart; what they settle to is one pitch. */
const LAYERS = [
  ['font 1, small tom, centre, 45 to 48', 0, [45, 46, 47, 48], 4],
  ['font 1, small tom, near the rim, 55 to 57 and 59', 0, [55, 56, 57, 59], 4],
  ['font 1, floor tom, centre, the three softer layers, 25 to 27', 0, [25, 26, 27], 8],
  ['font 2, floor tom, centre, all five layers, 25 to 29', 1, [25, 26, 27, 28, 29], 5],
  ['font 2, floor tom, near the rim, 36 to 38', 1, [36, 37, 38], 5],
] as const

test.each(LAYERS.filter((_, i) => LONG || i % 2 === 0))(
  '%s: the layers agree on the settled pitch',
  (_name, font, numbers, cents) => {
    const taps = layers(font, [...numbers])
    expect(taps.map((tap) => tap.verdict)).toEqual(numbers.map(() => 'ok'))
    const pitches = taps.map((tap) => tap.hz!)
    expect(centsBetween(Math.min(...pitches), Math.max(...pitches))).toBeLessThan(cents)
  },
)

test('toms of both fonts, as they are: a tap each, none without a stroke, and what is read is read the same after silence', () => {
  const toms = [
    ...[25, 26, 27, 28, 29, 36, 37, 38, 39, 45, 46, 47, 48, 49, 55, 56, 57, 58, 59].map((n) => fontOf(0)[n]),
    ...[25, 26, 27, 28, 29, 35, 36, 37, 38, 39, 45, 46, 47, 48, 49, 55, 56, 57, 58, 59].map(
      (n) => fontOf(1)[n],
    ),
  ].filter((_, i) => LONG || i % 7 === 0)
  const read = toms.map((tom) => measureSound(tom.samples, tom.rateHz))
  expect(read.filter((taps) => taps.length > 1)).toEqual([])
  expect(read.filter(([tap]) => tap.verdict === 'no-tap')).toEqual([])
  expect(read.filter(([tap]) => tap.verdict === 'ok').length).toBeGreaterThanOrEqual(
    Math.floor(0.92 * toms.length),
  )
  let others = 0
  toms.forEach(({ samples, rateHz }, i) => {
    if (i % 2) return
    const lead = Math.round(0.3 * rateHz)
    const later = new Float32Array(samples.length + lead)
    later.set(samples, lead)
    const after = measureSound(later, rateHz)[0]
    if (read[i][0].hz === null || after.hz === null || Math.abs(centsBetween(read[i][0].hz, after.hz)) >= 1)
      others++
  })
  expect(others).toBeLessThanOrEqual(Math.ceil(0.075 * toms.length))
})

test('a centre stroke glides down, and rings for as long as it is heard to', () => {
  const [tap] = layers(0, [48], { tap: 'centre' })
  expect(tap.glideCents).toBeGreaterThan(10)
  expect(tap.ringSeconds!.to20dB).toBeGreaterThan(0.2)
})

test.each([
  ['kick, font 1, 0 to 4', 0, [0, 1, 2, 3, 4]],
  ['kick, font 2, 0 to 4', 1, [0, 1, 2, 3, 4]],
  ['snare with wires, font 1, 10 to 14 and 20 to 24', 0, [10, 11, 12, 13, 14, 20, 21, 22, 23, 24]],
  ['snare with wires, font 2, 10 to 14 and 20 to 24', 1, [10, 11, 12, 13, 14, 20, 21, 22, 23, 24]],
])('%s: refused with a sentence, not named', (_name, font, numbers) => {
  const some = numbers.filter((_, i) => LONG || i % 3 === 0)
  for (const tap of layers(font, some)) {
    expect(tap.hz).toBeNull()
    expect(tap.why).toMatch(/\.$/)
  }
})

const sonic = (name: string) => {
  const { samples, rateHz } = recorded(name)
  return { samples: samples.slice(0, 6 * rateHz), rateHz }
}

test('sonic-pi-samples: soft toms are read in their order, two strokes of one tabla agree', () => {
  const [high, middle, low] = ['drum_tom_hi_soft', 'drum_tom_mid_soft', 'drum_tom_lo_soft'].map((name) =>
    measureSample(sonic(name)),
  )
  expect(high.hz).toBeGreaterThan(middle.hz!)
  expect(middle.hz).toBeGreaterThan(low.hz!)
  const tabla = ['tabla_tun2', 'tabla_tun3'].map((name) => measureSample(sonic(name)).hz!)
  expect(Math.abs(centsBetween(tabla[0], tabla[1]))).toBeLessThan(4)
})

test('sonic-pi-samples: voices, drones, noises, cymbals and kicks are not named', () => {
  const names = [
    ...[
      'ambi_choir',
      'ambi_drone',
      'ambi_glass_hum',
      'ambi_piano',
      'ambi_soft_buzz',
      'ambi_swoosh',
      'vinyl_hiss',
    ],
    ...[
      'drum_cymbal_open',
      'drum_cymbal_soft',
      'drum_snare_soft',
      'drum_bass_soft',
      'elec_soft_kick',
      'perc_snap',
    ],
  ]
  const named = names.filter((name) => measureSample(sonic(name)).hz !== null)
  expect(named).toEqual([])
})
