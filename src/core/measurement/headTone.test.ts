import { toneOfHead } from './headTone'
import type { Mode } from './types'

const mode = (hz: number, levelDb = 0): Mode => ({ hz, levelDb, decaySeconds: 0.2, standardErrorHz: 0.05 })
/** A head struck near the rim with no finger on it: the drum's own tone, the lug's, and the next ones. */
const rim = (lug: number, levels: [own: number, lug: number]) => [
  mode(116, levels[0]),
  mode(lug, levels[1]),
  mode(1.42 * lug, -9),
]
const byLevel = (modes: Mode[]) => [...modes].sort((a, b) => b.levelDb - a.levelDb)

test('one tap of a head reads another tone than the rest: the rest decide', () => {
  const taps = [rim(206, [-6, 0]), rim(209, [-9, 0]), rim(207, [0, -4]), rim(208, [-7, 0])].map(byLevel)
  const { pitches, tones, sure } = toneOfHead(taps, { expectHz: 200, expectCents: 250 })
  expect(pitches[0].hz).toBeGreaterThan(200)
  expect(sure).toBe(true)
  expect(tones.map((hz) => Math.round(hz!))).toEqual([206, 209, 207, 208])
})

test('a first wrong reading has one vote: two that agree with each other outvote it', () => {
  const wrong = [mode(310), mode(437, -8)]
  const right = [rim(206, [-12, 0]), rim(209, [-12, 0])].map(byLevel)
  const { pitches, tones } = toneOfHead([wrong, ...right], { expectHz: 240, expectCents: 300 })
  expect(Math.round(pitches[0].hz)).toBeLessThan(212)
  expect(tones[0]).toBeNull()
})

test('taps that speak for two tones alike are not decided: both are named', () => {
  const two = [mode(208, 0), mode(116, -11), mode(296, -6), mode(165, -16)]
  const { pitches, sure } = toneOfHead([two, two, two], { expectHz: 165, expectCents: 400 })
  expect(
    pitches
      .slice(0, 2)
      .map(({ hz }) => Math.round(hz))
      .sort(),
  ).toEqual([116, 208])
  expect(sure).toBe(false)
})

test('without taps nothing is said', () => {
  expect(toneOfHead([], {})).toEqual({ pitches: [], sure: true, tones: [] })
})
